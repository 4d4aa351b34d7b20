package verge.app.fit;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import verge.app.drawing.DrawingLibrary;
import verge.app.drawing.PlacedFile;
import verge.app.drawing.ReadAs;
import verge.app.drawing.SiteDrawings;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.form.Answers;
import verge.app.system.GeoidAnswers;
import verge.app.system.GeoidLibrary;
import verge.app.system.SystemLibrary;
import verge.core.drawing.Drawing;
import verge.core.drawing.Feature;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.FileSystem;
import verge.core.drawing.SystemPlacement;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.MapProjection;
import verge.core.geodesy.Position;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.DatumShift;
import verge.core.geodesy.system.Formula;
import verge.core.geodesy.system.FormulaMethod;
import verge.core.geodesy.system.FormulaMethod.Parameter;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.SystemText;
import verge.core.geodesy.transformation.FitSettings;
import verge.core.geodesy.transformation.Mark;
import verge.core.job.JobState;
import verge.core.occupation.Stood;
import verge.core.occupation.StoodKept;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobGeodesy;
import verge.core.units.Decimals;
import verge.core.units.LatLonText;
import verge.core.units.LengthText;
import verge.core.units.LengthUnit;
import verge.core.units.PlanAxes;

/** Positions by which a site is localised: of a file, whatever system it says they are in, or typed as latitude, longitude and height. */
@Component
class MeasuredPositions {
    /** Not by commas, which may be decimal ones. */
    private static final Pattern PARTS = Pattern.compile("\\s*[;\\t]\\s*");
    /** The plane about the marks touches the ellipsoid at a whole minute, so that its definition is short. */
    private static final double MINUTES = 60;
    private static final double POLE_SIGMA_METRES = 0.003;
    /** In the place of a file: what the job's own receiver measured. */
    static final String STOOD_ON = "STOOD_ON";

    private final SiteDrawings drawings;
    private final DrawingLibrary library;
    private final SiteFileService files;
    private final SystemLibrary systems;
    private final GeoidLibrary geoids;
    private final GeoidAnswers geoidAnswers;

    MeasuredPositions(SiteDrawings drawings, DrawingLibrary library, SiteFileService files, SystemLibrary systems, GeoidLibrary geoids,
            GeoidAnswers geoidAnswers) {
        this.drawings = drawings;
        this.library = library;
        this.files = files;
        this.systems = systems;
        this.geoids = geoids;
        this.geoidAnswers = geoidAnswers;
    }

    /**
     * Positions in a system that is known on the earth.
     *
     * @param marks in the base system's grid, their heights above the geoid
     */
    record Group(CoordinateSystem.Projected base, GeoidChoice geoid, List<Mark> marks) {
    }

    /** A position as it is typed. @param height above the ellipsoid, in metres; NaN without one */
    private record Typed(String name, Geographic place, double height) {
    }

    /**
     * The group: 'file' or 'typed', in 'base' if that is said; 'geoid', and whether 'heightsAre' elevations by it already.
     *
     * @param handedOn whose base and geoid are used if there is one
     * @throws SurveyException what is lacking or wrong
     */
    Group read(UUID job, JobState state, Answers answers, Optional<CoordinateSystem.Localised> handedOn) {
        Optional<SiteFile> file = file(job, answers);
        LengthUnit unit = state.settings().figures().lengthUnit();
        List<Typed> typed = file.isPresent() ? List.of() : isStoodOn(answers) ? stoodOn(state) : typed(answers.text("typed"), unit);
        Optional<PlacedFile> asMeant = file.map(f -> library.placedNow(f, state.geodesy(), Optional.empty()));
        CoordinateSystem.Projected base = handedOn.map(CoordinateSystem.Localised::base)
                .orElseGet(() -> base(state, answers, asMeant, typed));
        GeoidChoice geoid = handedOn.map(CoordinateSystem.Localised::geoid)
                .orElseGet(() -> geoidAnswers.read(answers, drawings.site(job), unit, Optional.of(state.settings().geoid())));
        JobGeodesy geodesy = JobGeodesy.of(state.settings().in(base, geoid), geoids);
        List<Mark> marks = asMeant.isPresent() ? ofFile(asMeant.get(), geodesy) : typed.stream()
                .map(t -> new Mark(t.name(), position(base, t))).toList();
        if (marks.isEmpty()) {
            throw new SurveyException(Problem.NOTHING_TO_FIT, asMeant.map(f -> f.file().name()).orElse("what is typed"));
        }
        boolean elevations = answers.text("heightsAre").equals("ELEVATIONS");
        if (elevations && geoid instanceof GeoidChoice.None && !answers.text("heights").equals(FitSettings.Heights.LEAVE.name())) {
            // satellites would be off by all of it
            throw new SurveyException(Problem.MISSING, "geoid that these elevations were made by");
        }
        return new Group(base, geoid, elevations ? marks : marks.stream().map(m -> new Mark(m.name(), overGeoid(m.position(), geodesy)))
                .toList());
    }

    private static boolean isStoodOn(Answers answers) {
        return answers.text("file").equals(STOOD_ON);
    }

    /** With the receiver's own σ and that of holding a pole over a mark, where nobody said another. */
    static Answers weighed(JobState state, Answers answers) {
        if (!isStoodOn(answers) || !answers.text("sigma").isEmpty()) {
            return answers;
        }
        double mean = StoodKept.all(state).map(Stood::solved)
                .mapToDouble(s -> (s.north() * s.north() + s.east() * s.east()) / 2).average().orElse(0);
        return mean > 0 ? answers.with(Map.of("sigma", Decimals.print(Math.sqrt(mean + POLE_SIGMA_METRES * POLE_SIGMA_METRES), 4) + " m"))
                : answers;
    }

    /** What the job's own receiver measured, by name; the mean of those that were stood on several times. */
    private static List<Typed> stoodOn(JobState state) {
        Map<String, List<EarthPlace>> byName = StoodKept.all(state).filter(s -> s.earth().isPresent())
                .collect(Collectors.groupingBy(s -> s.name().text(), LinkedHashMap::new,
                Collectors.mapping(s -> s.earth().orElseThrow(), Collectors.toList())));
        return byName.entrySet().stream()
                .map(e -> new Typed(e.getKey(), middle(e.getValue().stream().map(EarthPlace::position).toList()),
                e.getValue().stream().mapToDouble(p -> p.height().metres()).average().orElseThrow())).toList();
    }

    private Optional<SiteFile> file(UUID job, Answers answers) {
        String id = answers.text("file");
        return id.isEmpty() || isStoodOn(answers) ? Optional.empty()
                : Optional.of(files.of(drawings.site(job)).stream().filter(f -> f.id().toString().equals(id)).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this file")));
    }

    private static Position overGeoid(Position position, JobGeodesy geodesy) {
        if (geodesy.geoid().isEmpty() || position.elevation().isEmpty()) {
            return position;
        }
        OptionalDouble n = geodesy.undulation(geodesy.projection().orElseThrow().geographic(position.plan()));
        return new Position(position.plan(), n.isEmpty() ? Optional.empty() : position.elevation()
                .map(h -> new Elevation(h.metres() - n.getAsDouble())));
    }

    private static Position position(CoordinateSystem.Projected base, Typed typed) {
        SystemPlacement way = SystemPlacement.ofDegrees(base)
                .orElseThrow(() -> new SurveyException(Problem.DATUM_SHIFT_UNKNOWN, base.name()));
        double[] values = {typed.place().latitude().degrees(), typed.place().longitude().degrees(), typed.height()};
        way.place(values, 0);
        if (Double.isNaN(values[0])) {
            throw new SurveyException(Problem.OUTSIDE_PROJECTION, base.name(), typed.name());
        }
        return new Position(new GridPoint(values[0], values[1]), Double.isNaN(values[2]) ? Optional.empty()
                : Optional.of(new Elevation(values[2])));
    }

    /** As the base system has them, their heights as written. */
    private List<Mark> ofFile(PlacedFile asMeant, JobGeodesy geodesy) {
        FileCoordinates meant = asMeant.coordinates();
        ReadAs untouched = asMeant.readAs()
                .with(meant.heights() == FileCoordinates.Heights.ABOVE_ELLIPSOID ? meant.with(FileCoordinates.Heights.ELEVATIONS) : meant);
        PlacedFile placed = library.placedNow(asMeant.file(), geodesy, Optional.of(untouched));
        List<Feature.Spot> spots = placed.drawing().spots().limit(FitGroups.MOST + 1L).toList();
        if (spots.size() > FitGroups.MOST) {
            throw new SurveyException(Problem.POINTS_TOO_MANY, placed.drawing().spots().count(), FitGroups.MOST);
        }
        return IntStream.range(0, spots.size())
                .mapToObj(i -> new Mark(spots.get(i).name().isEmpty() ? "no. " + (i + 1) : spots.get(i).name(),
                spots.get(i).vertices().position(0))).toList();
    }

    private CoordinateSystem.Projected base(JobState state, Answers answers, Optional<PlacedFile> file, List<Typed> typed) {
        FileSystem said = file.map(f -> f.coordinates().system()).orElse(FileSystem.LAT_LON);
        String wanted = answers.text("base");
        if (!wanted.isEmpty()) {
            return conformal(wanted.matches("(?i)EPSG:\\d+") ? systems.find(wanted.toUpperCase(Locale.ROOT)) : SystemText.read(wanted),
                    wanted);
        } else if (said instanceof FileSystem.Published p) {
            return conformal(systems.find(p.code()), p.code());
        } else if (said instanceof FileSystem.Defined d) {
            return conformal(SystemText.read(d.wkt()), file.orElseThrow().file().name());
        } else if (state.settings().system() instanceof CoordinateSystem.Projected own) {
            return own;
        } else if (state.settings().system() instanceof CoordinateSystem.Localised own && said instanceof FileSystem.LatLon) {
            return own.base();
        } else if (said instanceof FileSystem.LatLon) {
            return about(file.map(MeasuredPositions::middle).orElseGet(() -> middle(typed.stream().map(Typed::place).toList())));
        }
        throw new SurveyException(Problem.LOCALISATION_WITHOUT_BASE);
    }

    private static CoordinateSystem.Projected conformal(CoordinateSystem found, String name) {
        if (!(found instanceof CoordinateSystem.Projected projected)) {
            throw new SurveyException(Problem.SYSTEM_NOT_PLANE, name);
        }
        MapProjection projection = SystemText.projection(projected);
        if (projection.singleScale(projection.area().centre()).isEmpty()) {
            throw new SurveyException(Problem.LOCALISATION_BASE_UNFIT, projected.name());
        }
        return projected;
    }

    /** Degrees as they are in the file. */
    private static Geographic middle(PlacedFile file) {
        Drawing raw = file.read().orElseThrow(() -> new SurveyException(Problem.NOTHING_TO_FIT, file.file().name())).drawing();
        Drawing degrees = raw.placed(file.coordinates().asMeant(file.read().orElseThrow().declared().order()), 1);
        return middle(degrees.spots().map(s -> s.vertices().position(0).plan())
                .filter(p -> Math.abs(p.northing()) <= 90 && Math.abs(p.easting()) <= 360)
                .map(p -> Geographic.ofDegrees(p.northing(), p.easting())).toList());
    }

    private static Geographic middle(List<Geographic> places) {
        if (places.isEmpty()) {
            throw new SurveyException(Problem.NOTHING_TO_FIT, "these positions");
        }
        double first = places.get(0).longitude().degrees();
        return Geographic.ofDegrees(places.stream().mapToDouble(p -> p.latitude().degrees()).average().orElseThrow(),
                first + places.stream().mapToDouble(p -> Math.IEEEremainder(p.longitude().degrees() - first, 360)).average().orElseThrow());
    }

    /** A transverse Mercator of our own that touches the ellipsoid at the site: there its lengths are those on the ellipsoid. */
    private static CoordinateSystem.Projected about(Geographic middle) {
        double latitude = Math.rint(middle.latitude().degrees() * MINUTES) / MINUTES;
        double longitude = Math.rint(Math.IEEEremainder(middle.longitude().degrees(), 360) * MINUTES) / MINUTES;
        Formula formula = new Formula("a plane about the marks", FormulaMethod.TRANSVERSE_MERCATOR,
                Map.of(Parameter.LATITUDE_OF_ORIGIN, latitude, Parameter.LONGITUDE_OF_ORIGIN, longitude, Parameter.SCALE_AT_ORIGIN, 1.0,
                Parameter.FALSE_EASTING, 0.0, Parameter.FALSE_NORTHING, 0.0),
                ReferenceEllipsoid.WGS84, 0, PlanAxes.NORTH_THEN_EAST, 1);
        CoordinateSystem.Projected read = (CoordinateSystem.Projected) SystemText.read(formula.wkt());
        return new CoordinateSystem.Projected(read.name(), "", read.wkt(), Optional.of(DatumShift.NONE));
    }

    /** One a line: name; latitude; longitude; height above the ellipsoid, the last perhaps left out. */
    private static List<Typed> typed(String text, LengthUnit unit) {
        List<Typed> all = new ArrayList<>();
        String[] lines = text.split("\\R");
        for (int i = 0; i < lines.length; i++) {
            if (!lines[i].isBlank()) {
                all.add(typed(lines[i].strip(), i + 1, unit));
            }
        }
        return all;
    }

    private static Typed typed(String line, int number, LengthUnit unit) {
        String[] parts = PARTS.split(line);
        if (parts.length != 3 && parts.length != 4) {
            throw new SurveyException(Problem.POSITION_LINE_UNREADABLE, number, line);
        }
        try {
            return new Typed(parts[0], new Geographic(LatLonText.latitude(parts[1]), LatLonText.longitude(parts[2])),
                    parts.length == 4 ? LengthText.parse(parts[3], unit).metres() : Double.NaN);
        } catch (SurveyException unfit) {
            throw new SurveyException(Problem.POSITION_LINE_UNREADABLE, number, line);
        }
    }
}
