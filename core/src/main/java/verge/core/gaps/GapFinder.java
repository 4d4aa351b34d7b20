package verge.core.gaps;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.geodesy.GridPoint;
import verge.core.job.JobState;
import verge.core.plan.Vertices;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.strings.End;
import verge.core.strings.SurveyString;
import verge.core.strings.Vertex;

/**
 * What may have been forgotten of a job, while one is still there: seen from what was measured, and from what its codebook says of the
 * work.
 */
public final class GapFinder {
    private static final double CHORDS_METRES = 0.05;
    /** What comes with something lies no farther from it, as a step's foot from its edge. */
    private static final double BESIDE_METRES = 2;
    /** Two ends nearer than this are one place. */
    private static final double SAME_METRES = 0.02;
    /** Ends of one code belong together from so many of their usual pieces; of two codes, only from so small a part of one. */
    private static final double PIECES_ALIKE = 1.5;
    private static final double PIECES_UNLIKE = 0.25;
    private static final double FARTHEST_END_METRES = 25;
    /** So many of a code, and so great a part of them in company, make a habit. */
    private static final int HABIT = 5;
    private static final double NEARLY_ALWAYS = 0.8;

    private final JobState state;
    private final Codebook book;
    private final WorkBounded bounds;
    private final List<StoredPoint> points;
    private final List<SurveyString> strings;
    /** All that was measured; balanced however it lies, since strings come in their order. */
    private final STRtree everything = new STRtree();
    private final Set<Code> met = new HashSet<>();
    private final List<Gap> found = new ArrayList<>();

    private GapFinder(JobState state, Codebook book) {
        this.state = state;
        this.book = book;
        this.bounds = state.latest(new Bounds()).orElse(WorkBounded.OPEN);
        this.points = state.points().all(Origin.MEASURED).toList();
        this.strings = state.strings().all();
        points.forEach(p -> index(p.code(), p.position().plan()));
        strings.stream().filter(s -> !s.hasOwnVertices()).forEach(s -> along(s).forEach(place -> index(s.name().code(), place)));
    }

    /** All that nobody has put away. */
    public static List<Gap> of(JobState state, Codebook book) {
        GapFinder finder = new GapFinder(state, book);
        finder.holes();
        finder.openEnds();
        finder.company();
        finder.expected();
        List<Gap> away = state.all(new GapsPutAway());
        return finder.found.stream().filter(gap -> away.stream().noneMatch(gap::isWithin)).toList();
    }

    /** A place where something of a code is. */
    private record Coded(GridPoint place, Code code) {
    }

    private void index(Code code, GridPoint place) {
        everything.insert(new Envelope(coordinate(place)), new Coded(place, code));
        met.add(code);
    }

    private Stream<GridPoint> along(SurveyString s) {
        return state.strings().shape(s).chords(CHORDS_METRES).stream()
                .flatMap(line -> IntStream.range(0, line.size()).mapToObj(line::plan));
    }

    private Codebook.Surface surface(Code code) {
        return book.row(code).map(Codebook.Row::surface).orElse(Codebook.Surface.NONE);
    }

    private void holes() {
        List<GridPoint> shots = points.stream().filter(p -> surface(p.code()) != Codebook.Surface.NONE).map(p -> p.position().plan())
                .toList();
        Optional<Cover> byShots = Cover.of(shots);
        if (byShots.isEmpty()) {
            return;
        }
        // Breaklines cover the ground all along, and not where their shots are alone; what is usual is told by the shots.
        double step = byShots.get().usual();
        List<GridPoint> ground = new ArrayList<>(shots);
        strings.stream().filter(s -> surface(s.name().code()) == Codebook.Surface.BREAKLINE)
                .flatMap(s -> state.strings().shape(s).chords(CHORDS_METRES).stream()).forEach(line -> ground.addAll(between(line, step)));
        List<List<GridPoint>> apart = strings.stream()
                .filter(s -> s.ring() && surface(s.name().code()) == Codebook.Surface.NONE && s.parts().size() == 1 && s.vertices()
                .size() > 2)
                .map(s -> s.vertices().stream().map(v -> v.position().plan()).toList()).toList();
        Cover.of(ground).map(c -> c.holes(bounds.outline(), apart, step)).orElse(List.of())
                .forEach(c -> found.add(new Gap(c.amongShots() ? Gap.Kind.HOLE : Gap.Kind.NOT_REACHED, "", "", Optional.of(c.middle()),
                c.radius())));
    }

    /** Places on a line no farther apart than a step. */
    private static List<GridPoint> between(Vertices line, double step) {
        List<GridPoint> places = new ArrayList<>();
        for (int i = 1; i < line.size(); i++) {
            GridPoint from = line.plan(i - 1);
            GridPoint to = line.plan(i);
            int pieces = (int) Math.min(1000, Math.ceil(from.distanceMetres(to) / step));
            for (int p = 1; p < pieces; p++) {
                places.add(from.plus((to.northing() - from.northing()) * p / pieces, (to.easting() - from.easting()) * p / pieces));
            }
        }
        return places;
    }

    /** An end of a string. @param number among all ends @param piece a usual piece of its string, in metres */
    private record Ending(int number, SurveyString string, End end, GridPoint at, double piece) {
    }

    private void openEnds() {
        List<Ending> ends = new ArrayList<>();
        strings.stream().filter(s -> !s.ring() && s.hasOwnVertices() && s.vertices().size() > 1)
                .forEach(s -> Arrays.stream(End.values())
                .forEach(end -> ends.add(new Ending(ends.size(), s, end, s.at(end).orElseThrow().position().plan(), piece(s)))));
        Map<GridPoint, Integer> vertices = new HashMap<>();
        strings.forEach(s -> s.vertices().forEach(v -> vertices.merge(v.position().plan(), 1, Integer::sum)));
        STRtree tree = new STRtree();
        ends.forEach(e -> tree.insert(new Envelope(coordinate(e.at())), e));
        // Where another vertex is at the very place, there is a junction and no open end.
        List<Optional<Ending>> nearest = ends.stream()
                .map(e -> vertices.get(e.at()) > 1 ? Optional.<Ending>empty()
                : GapFinder.<Ending>about(tree, e.at(), Math.min(FARTHEST_END_METRES, PIECES_ALIKE * e.piece()))
                .filter(other -> isMissed(e, other)).min(Comparator.comparingDouble(other -> e.at().distanceMetres(other.at())))).toList();
        // Two ends miss each other if each is the nearest to the other: told once, with the first.
        ends.forEach(e -> nearest.get(e.number())
                .filter(o -> e.number() < o.number() && nearest.get(o.number()).filter(back -> back.number() == e.number()).isPresent())
                .ifPresent(o -> found.add(new Gap(Gap.Kind.OPEN_END, e.string().id().toString(), o.string().id().toString(),
                Optional.of(e.at()), e.at().distanceMetres(o.at())))));
    }

    private static Coordinate coordinate(GridPoint place) {
        return new Coordinate(place.easting(), place.northing());
    }

    /** What stands in a square about a place. */
    @SuppressWarnings("unchecked")
    private static <T> Stream<T> about(STRtree tree, GridPoint place, double reach) {
        Envelope box = new Envelope(coordinate(place));
        box.expandBy(reach);
        return ((List<T>) tree.query(box)).stream();
    }

    private static boolean isMissed(Ending ending, Ending other) {
        boolean same = other.string().id().equals(ending.string().id());
        if (same && (other.end() == ending.end() || ending.string().vertices().size() < 4)) {
            return false;
        }
        double away = ending.at().distanceMetres(other.at());
        boolean alike = other.string().name().code().equals(ending.string().name().code());
        return away > SAME_METRES && away <= (alike ? PIECES_ALIKE : PIECES_UNLIKE) * Math.min(ending.piece(), other.piece());
    }

    private static double piece(SurveyString s) {
        double[] pieces = s.parts().stream()
                .flatMapToDouble(part -> IntStream.range(1, part.size()).mapToDouble(i -> length(part.get(i - 1), part.get(i)))).sorted()
                .toArray();
        return pieces.length == 0 ? 0 : pieces[pieces.length / 2];
    }

    private static double length(Vertex a, Vertex b) {
        return a.position().plan().distanceMetres(b.position().plan());
    }

    /** Something measured, as one may look for company beside it. */
    private record Item(String id, Code code, List<GridPoint> places) {
    }

    private void company() {
        Set<UUID> onStrings = strings.stream().flatMap(s -> s.vertices().stream()).map(v -> v.id().by()).collect(Collectors.toSet());
        Stream<Item> alone = points.stream().filter(p -> !onStrings.contains(p.entry()))
                .map(p -> new Item(p.entry().toString(), p.code(), List.of(p.position().plan())));
        Stream<Item> lines = strings.stream().filter(SurveyString::hasOwnVertices)
                .map(s -> new Item(s.id().toString(), s.name().code(), s.vertices().stream().map(v -> v.position().plan()).toList()));
        Map<Code, List<Item>> items = Stream.concat(alone, lines).filter(i -> !i.code().equals(Code.NONE))
                .collect(Collectors.groupingBy(Item::code, LinkedHashMap::new, Collectors.toList()));
        items.forEach((code, all) -> {
            Set<Code> usual = book.row(code).map(row -> Set.copyOf(row.comesWith())).orElse(Set.of());
            List<Set<Code>> beside = all.stream().map(this::beside).toList();
            Map<Code, Long> times = beside.stream().flatMap(Set::stream).filter(with -> !with.equals(code))
                    .collect(Collectors.groupingBy(c -> c, LinkedHashMap::new, Collectors.counting()));
            Stream<Code> habits = all.size() < HABIT ? Stream.empty() : times.entrySet().stream()
                    .filter(e -> e.getValue() < all.size() && e.getValue() >= NEARLY_ALWAYS * all.size()).map(Map.Entry::getKey);
            Stream.concat(usual.stream(), habits).distinct()
                    .forEach(with -> IntStream.range(0, all.size()).filter(i -> !beside.get(i).contains(with))
                    .forEach(i -> miss(all.get(i), with)));
        });
    }

    /** The codes of all that lies beside something. */
    private Set<Code> beside(Item item) {
        return item.places().stream().flatMap(place -> GapFinder.<Coded>about(everything, place, BESIDE_METRES)
                .filter(c -> c.place().distanceMetres(place) <= BESIDE_METRES)).map(Coded::code)
                .filter(c -> !c.equals(Code.NONE)).collect(Collectors.toSet());
    }

    private void miss(Item item, Code with) {
        found.add(new Gap(Gap.Kind.COMPANY, item.id(), with.text(), Optional.of(item.places().get(item.places().size() / 2)),
                BESIDE_METRES));
    }

    private void expected() {
        if (!bounds.work().isEmpty()) {
            book.rows().stream().filter(row -> row.expectedIn().contains(bounds.work()) && !met.contains(row.code()))
                    .forEach(row -> found.add(new Gap(Gap.Kind.EXPECTED, row.code().text(), row.code().text(), Optional.empty(), 0)));
        }
    }
}
