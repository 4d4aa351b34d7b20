package verge.core.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import verge.core.check.Finding.Kind;
import verge.core.coding.PointName;
import verge.core.drawing.FileCoordinates.Heights;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.FileUnit;
import verge.core.drawing.Role;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.plan.Extent;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.settings.JobSettings;
import verge.core.units.Length;

/** The files of a site against each other, against the job's known points, and against the job's settings. */
final class FileCheck {
    /** The usual tolerance of a known point; two positions closer than this are one. */
    private static final double SAME_METRES = 0.005;
    /** What a file's figures are printed to. */
    private static final double MOVED_METRES = 0.0015;
    private static final double LEAST_UNDULATION_METRES = 10;
    private static final double HEIGHT_LIMIT_METRES = 5;

    private static final int MOST_LAYERS_OFFERED = 4;

    private final JobState state;
    private final List<StoredPoint> control;
    private final List<SiteContent> files;
    private final List<Finding> found = new ArrayList<>();
    private final Extent known;

    private FileCheck(JobState state, List<SiteContent> files) {
        this.state = state;
        this.files = files;
        this.control = state.points().all(Origin.CONTROL).toList();
        Extent.Builder box = new Extent.Builder();
        control.forEach(p -> box.add(p.position().plan().northing(), p.position().plan().easting()));
        this.known = files.stream().filter(f -> f.role() == Role.REGISTER).map(f -> f.placed().most()).reduce(box.build(), Extent::and);
    }

    /** @param files those that count now, each in one version */
    static List<Finding> of(JobState state, List<SiteContent> files) {
        FileCheck check = new FileCheck(state, files);
        files.forEach(check::one);
        for (int i = 0; i < files.size(); i++) {
            for (int j = i + 1; j < files.size(); j++) {
                check.pair(files.get(i), files.get(j));
            }
        }
        check.takenOn();
        return check.found;
    }

    private void add(Kind kind, String about, List<Remedy> remedies, Object... arguments) {
        found.add(new Finding(kind, List.of(arguments), about, remedies));
    }

    private void one(SiteContent file) {
        if (file.placed().isEmpty() && !file.asRead().isEmpty()) {
            List<Remedy> ways = OtherReadings.intoArea(file, state.geodesy());
            add(Kind.FILE_HAS_NO_PLACE, file.name(), ways.isEmpty() ? List.of(new Remedy.OpenSettings()) : ways, file.name());
            return;
        }
        if (!place(file)) {
            area(file);
        }
        footKind(file);
        heights(file);
        strays(file);
    }

    /**
     * A file far from what else is known is put to every unit, order and sense to see which brings it there. The known points are what
     * others are held against, unless they lie outside the area of the system and the designs do not: then they are the suspects. Of two
     * files of known points far from each other the later one is asked.
     *
     * @return whether something was found
     */
    private boolean place(SiteContent file) {
        boolean controlSuspected = isOutside(known) && !isOutside(designs()) && !designs().isEmpty();
        Extent other = !file.role().known() ? controlSuspected ? Extent.EMPTY : known : controlSuspected ? designs() : knownBefore(file);
        double apart = other.distance(file.placed().most());
        if (other.isEmpty() || file.placed().most().isEmpty() || apart <= OtherReadings.far(other, file.placed().most())) {
            return false;
        }
        String against = !file.role().known() ? "the known points" : controlSuspected ? "the design" : "the other known points";
        String direction = Compass.from(other.middle(), file.placed().most().middle()).word();
        Length distance = new Length(apart);
        List<Remedy> ways = OtherReadings.of(file, other, state.geodesy());
        if (ways.isEmpty()) {
            add(Kind.FILE_FAR_AWAY, file.name(), outOfTheWay(file), file.name(), distance, direction, against);
            return true;
        }
        FileCoordinates way = ((Remedy.ReadAs) ways.get(0)).coordinates();
        if (way.unit() == file.coordinates().unit() || !way.system().equals(file.coordinates().system())) {
            add(Kind.AXES_MISTAKEN, file.name(), ways, file.name(), distance, direction, against, OtherReadings.words(way));
        } else {
            Kind kind = file.said().unit().isPresent() ? Kind.UNIT_HEADER_WRONG : Kind.UNIT_MISTAKEN;
            add(kind, file.name(), ways, file.name(), distance, direction, against, file.coordinates().unit().symbol(),
                    way.unit().symbol());
        }
        return true;
    }

    /** Known points from elsewhere: those the job took on from other files, and the files before it. */
    private Extent knownBefore(SiteContent file) {
        Extent.Builder box = new Extent.Builder();
        control.stream().filter(p -> !state.points().fileOf(p.entry()).equals(Optional.of(file.name())))
                .forEach(p -> box.add(p.position().plan().northing(), p.position().plan().easting()));
        return files.subList(0, files.indexOf(file)).stream().filter(f -> f.role() == Role.REGISTER).map(f -> f.placed().most())
                .reduce(box.build(), Extent::and);
    }

    /** What may be the wrong file need not count while somebody asks. */
    private static List<Remedy> outOfTheWay(SiteContent file) {
        return file.role() == Role.UNDERLAY ? List.of() : List.of(new Remedy.MakeRole(file.id(), file.name(), Role.UNDERLAY));
    }

    private boolean isOutside(Extent box) {
        return !box.isEmpty() && !Whereabouts.isWithin(state.geodesy(), box);
    }

    private Extent designs() {
        return files.stream().filter(f -> f.role() == Role.DESIGN).map(f -> f.placed().most()).reduce(Extent.EMPTY, Extent::and);
    }

    /** A file in feet that does not say which: at a northing of some million feet the two lie metres apart. */
    private void footKind(SiteContent file) {
        if (!file.coordinates().unit().isFoot() || file.said().unit().isPresent() || file.placed().isEmpty()) {
            return;
        }
        FileUnit other = file.coordinates().unit() == FileUnit.US_SURVEY_FOOT ? FileUnit.INTERNATIONAL_FOOT : FileUnit.US_SURVEY_FOOT;
        Extent here = file.placed().most();
        double far = Math.hypot(Math.max(Math.abs(here.south()), Math.abs(here.north())),
                Math.max(Math.abs(here.west()), Math.abs(here.east())));
        double shift = far * Math.abs(other.metresPerUnit() / file.coordinates().unit().metresPerUnit() - 1);
        if (shift > SAME_METRES) {
            add(Kind.FOOT_KIND_UNSAID, file.name(),
                    List.of(new Remedy.ReadAs(file.id(), file.name(), file.coordinates(), file.coordinates().with(other))), file.name(),
                    file.coordinates().unit().symbol(), other.symbol(), new Length(shift));
        }
    }

    private void heights(SiteContent file) {
        Spread placed = file.placed();
        if (file.role() == Role.UNDERLAY || placed.isEmpty() || file.coordinates().heights() == Heights.NOT_MEANT) {
            return;
        }
        Remedy none = new Remedy.ReadAs(file.id(), file.name(), file.coordinates(), file.coordinates().with(Heights.NOT_MEANT));
        if (file.levelSurfaces() > 0) {
            add(Kind.SURFACE_WITHOUT_HEIGHTS, file.name(), List.of(new Remedy.MakeRole(file.id(), file.name(), Role.UNDERLAY)), file.name(),
                    file.levelSurfaces());
        } else if (placed.heights() > 0 && placed.zeros() == placed.heights()) {
            add(Kind.HEIGHTS_ALL_ZERO, file.name(), List.of(none), file.name(), placed.zeros());
        } else if (placed.heights() == 0 && file.role().known()) {
            add(Kind.HEIGHTS_MISSING, file.name(), List.of(), file.name());
        // points without heights beside points with them are usual; a line cannot be staked so
        } else if (file.role() == Role.DESIGN && file.mixed() > 0) {
            add(Kind.DESIGN_PARTLY_WITHOUT_HEIGHTS, file.name(), List.of(none), file.name(), file.mixed());
        }
        aboveEllipsoid(file);
    }

    /** Heights that differ from what is known by just the undulation. */
    private void aboveEllipsoid(SiteContent file) {
        OptionalDouble n = state.geodesy().projection().flatMap(p -> Whereabouts.of(p, file.placed().most().middle()))
                .map(g -> state.geodesy().undulation(g)).orElse(OptionalDouble.empty());
        OptionalDouble usual = usualHeight(file);
        if (n.isEmpty() || usual.isEmpty() || Double.isNaN(file.placed().middleHeight())
                || Math.abs(n.getAsDouble()) < LEAST_UNDULATION_METRES) {
            return;
        }
        double off = file.placed().middleHeight() - usual.getAsDouble();
        if (file.coordinates().heights() == Heights.ELEVATIONS && Math.abs(off - n.getAsDouble()) < HEIGHT_LIMIT_METRES) {
            add(Kind.HEIGHTS_ABOVE_ELLIPSOID, file.name(),
                    List.of(new Remedy.ReadAs(file.id(), file.name(), file.coordinates(),
                    file.coordinates().with(Heights.ABOVE_ELLIPSOID))),
                    file.name(), new Length(off), new Length(n.getAsDouble()));
        }
    }

    /** The height that most of what is known has: of other known points, else the site's reference height. */
    private OptionalDouble usualHeight(SiteContent file) {
        double[] heights = Stream.concat(control.stream().filter(p -> !state.points().fileOf(p.entry()).equals(Optional.of(file.name())))
                .map(p -> p.position().elevation()),
                files.stream().filter(f -> f.role() == Role.REGISTER && f != file).flatMap(f -> f.points().values().stream())
                .map(p -> p.position().elevation()))
                .flatMap(Optional::stream).mapToDouble(Elevation::metres).sorted().toArray();
        return heights.length > 0 ? OptionalDouble.of(heights[heights.length / 2])
                : state.settings().referenceHeight().flatMap(JobSettings.ReferenceHeight::elevation).map(e -> OptionalDouble.of(e.metres()))
                .orElse(OptionalDouble.empty());
    }

    private void strays(SiteContent file) {
        if (file.placed().strays() > 0) {
            add(Kind.FILE_HAS_STRAYS, file.name() + " " + file.placed().strays(),
                    file.placed().strayLayers().stream().sorted().limit(MOST_LAYERS_OFFERED)
                    .<Remedy>map(l -> new Remedy.HideLayer(file.id(), file.name(), l)).toList(), file.name(), file.placed().strays(),
                    new Length(file.placed().strayDistance()));
        }
    }

    /** What nothing else known speaks against may still lie where the system is not meant for: wholly, or with some of its points. */
    private void area(SiteContent file) {
        if (file.role() == Role.UNDERLAY) {
            return;
        }
        state.geodesy().projection().ifPresent(p -> {
            if (isOutside(file.placed().most())) {
                List<Remedy> ways = OtherReadings.intoArea(file, state.geodesy());
                Length outside = new Length(Whereabouts.outside(p, file.placed().most()));
                if (ways.isEmpty()) {
                    add(Kind.FILE_OUTSIDE_AREA, file.name(), outOfTheWay(file), file.name(), outside, p.name());
                } else {
                    add(Kind.READING_MISTAKEN, file.name(), ways, file.name(), outside, p.name(),
                            OtherReadings.words(((Remedy.ReadAs) ways.get(0)).coordinates()));
                }
                return;
            }
            List<PointName> out = file.points().entrySet().stream()
                    .filter(e -> !Whereabouts.of(p, e.getValue().position().plan()).map(g -> p.area().contains(g)).orElse(false))
                    .map(Map.Entry::getKey).toList();
            if (!out.isEmpty()) {
                add(Kind.POINTS_OUTSIDE_AREA, file.name() + " " + out.size(), outOfTheWay(file), out.size(), out.get(0).text(), p.name());
            }
        });
    }

    private void pair(SiteContent a, SiteContent b) {
        if (NamesAlike.alike(a.name(), b.name())) {
            add(Kind.FILE_NAMES_ALIKE, a.name() + " and " + b.name(),
                    List.of(new Remedy.Replace(a.id(), b.id(), a.name(), b.name()), new Remedy.Replace(b.id(), a.id(), b.name(), a.name())),
                    a.name(), b.name());
        }
        if (a.role().known() && b.role().known()) {
            differing(a.points(), b.points()).ifPresent(d -> add(Kind.NAME_IN_TWO_PLACES, a.name() + " and " + b.name() + ": " + d.name(),
                    List.of(new Remedy.MakeRole(b.id(), b.name(), Role.UNDERLAY), new Remedy.MakeRole(a.id(), a.name(), Role.UNDERLAY)),
                    d.name().text(), a.name(), b.name(), new Length(d.metres()), d.count()));
        }
    }

    /** @param count how many names differ; the named one does most */
    private record Difference(PointName name, double metres, int count) {
    }

    private static Optional<Difference> differing(Map<PointName, NamedPosition> a, Map<PointName, NamedPosition> b) {
        List<Difference> all = a.entrySet().stream().filter(e -> b.containsKey(e.getKey()))
                .map(e -> new Difference(e.getKey(), apart(e.getValue().position(), b.get(e.getKey()).position()), 1))
                .filter(d -> d.metres() > SAME_METRES)
                .sorted(Comparator.comparingDouble(Difference::metres).reversed().thenComparing(Difference::name)).toList();
        return all.stream().findFirst().map(d -> new Difference(d.name(), d.metres(), all.size()));
    }

    private static double apart(Position a, Position b) {
        double plan = a.plan().distanceMetres(b.plan());
        double up = a.elevation().flatMap(x -> b.elevation().map(y -> x.metres() - y.metres())).orElse(0.0);
        return Math.hypot(plan, up);
    }

    /** Known points that the job has taken on, against their files as they are now. */
    private void takenOn() {
        Map<String, SiteContent> byName = new HashMap<>();
        files.stream().filter(f -> f.role().known() || f.role() == Role.DESIGN).forEach(f -> byName.put(f.name(), f));
        Set<PointName> names = new TreeSet<>(state.points().names(Origin.CONTROL).keySet());
        names.addAll(state.points().names(Origin.DESIGN).keySet());
        names.stream().flatMap(name -> state.points().named(name).stream()
                .filter(p -> p.origin() == Origin.CONTROL || p.origin() == Origin.DESIGN).reduce((first, next) -> next).stream())
                .forEach(taken -> state.points().fileOf(taken.entry()).map(byName::get)
                .ifPresent(file -> takenOn(taken, file)));
    }

    private void takenOn(StoredPoint taken, SiteContent file) {
        Position now = Optional.ofNullable(file.points().get(taken.name())).map(NamedPosition::position).orElse(null);
        String about = taken.name() + " of " + file.name();
        if (now == null) {
            add(Kind.TAKEN_POINT_GONE, about, List.of(), taken.name().text(), file.name());
        } else if (apart(taken.position(), now) > MOVED_METRES) {
            add(Kind.TAKEN_POINT_CHANGED, about + " " + Math.round(apart(taken.position(), now) * 1000),
                    List.of(new Remedy.TakeAgain(taken.name(), file.id(), file.name())),
                    taken.name().text(), file.name(), new Length(apart(taken.position(), now)));
        }
    }
}
