package verge.core.strings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.plan.Path;
import verge.core.plan.Vertices;

/** What steps make of a string, and the lines it comes to. */
class StringsTest {
    private static final GridPoint ORIGIN = new GridPoint(6_314_490, 649_010);
    private static final UUID STRING = new UUID(0, 1);
    private static final StringName NAME = new StringName(new Code("KRB"), 1);

    private final List<List<Step>> steps = new ArrayList<>();

    private static VertexId id(String name) {
        return new VertexId(UUID.nameUUIDFromBytes(name.getBytes()), STRING);
    }

    private StringsTest join(String name, double north, double east, Bend bend, End end, boolean gap) {
        Vertex vertex = new Vertex(id(name), Optional.of(new PointName(name)),
                Position.of(ORIGIN.northing() + north, ORIGIN.easting() + east, 5), bend, gap);
        steps.add(List.of(new Step.Joined(NAME, vertex, end)));
        return this;
    }

    private StringsTest corner(String name, double north, double east) {
        return join(name, north, east, Bend.CORNER, End.LAST, false);
    }

    private StringsTest flowing(String name, double north, double east) {
        return join(name, north, east, Bend.FLOWING, End.LAST, false);
    }

    private StringsTest say(Edit edit) {
        steps.add(List.of(new Step.Said(edit)));
        return this;
    }

    private SurveyString string() {
        return SurveyString.of(STRING, steps).orElseThrow();
    }

    private Shape shape() {
        return Shape.of(string());
    }

    /** The names in their order; a stroke where a part begins. */
    private String order() {
        StringBuilder order = new StringBuilder();
        string().vertices().forEach(v -> order.append(v.gap() ? "|" : "").append(v.point().map(PointName::text).orElse("*")));
        return order.toString();
    }

    @Test
    void itGoesOnFromEitherEndAndKeepsItsGapsWhenTurned() {
        corner("c", 0, 0).corner("d", 1, 0).join("b", -1, 0, Bend.CORNER, End.FIRST, false).join("e", 5, 0, Bend.CORNER, End.LAST, true)
                .join("a", -5, 0, Bend.CORNER, End.FIRST, true);
        assertThat(order()).isEqualTo("a|bcd|e");
        assertThat(shape().paths()).hasSize(1);   // a part of one vertex draws no line
        say(new Edit.Reversed());
        assertThat(order()).isEqualTo("e|dcb|a");
        corner("z", -9, 0);
        assertThat(order()).isEqualTo("e|dcb|az");
    }

    @Test
    void editsThatNameWhatIsNotThereDoNothing() {
        corner("a", 0, 0).corner("b", 1, 0).corner("c", 2, 0).join("d", 3, 0, Bend.CORNER, End.LAST, true);
        steps.add(List.of(new Step.Left(Set.of(id("b"), id("d"), id("x")))));
        say(new Edit.Bent(id("x"), Bend.FLOWING)).say(new Edit.Ordered(List.of(id("x"), id("c"))))
                .say(new Edit.Curved(id("x"), Optional.of(CurveKind.ARC)));
        assertThat(order()).isEqualTo("ca");
        steps.add(List.of(new Step.Inserted(new Vertex(id("i"), Optional.of(new PointName("i")), Position.ofPlan(1, 1), Bend.CORNER, false),
                Optional.of(id("x")))));
        assertThat(order()).isEqualTo("ca");
        steps.add(List.of(new Step.Inserted(new Vertex(id("i"), Optional.of(new PointName("i")), Position.ofPlan(1, 1), Bend.CORNER, false),
                Optional.of(id("c")))));
        assertThat(order()).isEqualTo("cia");
    }

    @Test
    void itIsNothingWithoutVerticesAndOpenAgainWhenAShotJoins() {
        assertThat(SurveyString.of(STRING, List.of(List.of(new Step.Said(new Edit.Ended()))))).isEmpty();
        corner("a", 0, 0).say(new Edit.Ended());
        assertThat(string().ended()).isTrue();
        corner("b", 1, 0);
        assertThat(string().ended()).isFalse();
        assertThat(string().name()).hasToString("KRB 1");
        say(new Edit.Named(new StringName(new Code("QWL"), 4)));
        assertThat(string().name()).hasToString("QWL 4");
    }

    private static double[] on(double radius, double degrees) {
        return new double[] {radius * Math.sin(Math.toRadians(degrees)), radius * Math.cos(Math.toRadians(degrees))};
    }

    /** Straight, a quarter of a circle by one, three or more flowing shots, straight: length by the closed form. */
    @ParameterizedTest
    @CsvSource({"1, ARC", "3, BEST_ARC", "8, BEST_ARC"})
    void flowingShotsBetweenCornersMakeTheArcTheyLieOn(int count, CurveKind curve) {
        corner("a", 0, 30).corner("b", 0, 20);
        IntStream.rangeClosed(1, count)
                .forEach(i -> flowing("f" + i, on(20, 90.0 * i / (count + 1))[0], on(20, 90.0 * i / (count + 1))[1]));
        corner("c", 20, 0).corner("d", 20, -10);
        assertThat(shape().paths().get(0).length()).isCloseTo(20 + 10 * Math.PI, within(1e-6));
        Run run = shape().runs().get(0);
        assertThat(run.curve()).isEqualTo(curve);
        assertThat(run.chosen()).isFalse();
        assertThat(run.largestResidual()).isLessThan(1e-6);
        assertThat(run.vertices()).hasSize(count);
    }

    @Test
    void shotsOffTheArcByMoreThanAKerbIsLaidMakeASmoothCurveUntilAnArcIsChosen() {
        corner("a", 0, 20);
        IntStream.rangeClosed(1, 4).forEach(i ->
                flowing("f" + i, on(20 + (i == 2 ? 0.2 : 0), 18 * i)[0], on(20 + (i == 2 ? 0.2 : 0), 18 * i)[1]));
        corner("c", 20, 0);
        assertThat(shape().runs().get(0).curve()).isEqualTo(CurveKind.SMOOTH);
        vertices(shape().paths().get(0)).containsAll(string().vertices().stream().map(Vertex::position).toList());
        say(new Edit.Curved(id("f3"), Optional.of(CurveKind.BEST_ARC)));
        assertThat(shape().runs().get(0)).satisfies(r -> {
            assertThat(r.curve()).isEqualTo(CurveKind.BEST_ARC);
            assertThat(r.chosen()).isTrue();
            assertThat(r.largestResidual()).isBetween(0.05, 0.2);
        });
        // corners stay where they were shot
        vertices(shape().paths().get(0)).contains(string().vertices().get(0).position(), string().vertices().get(5).position());
        say(new Edit.Curved(id("f1"), Optional.of(CurveKind.STRAIGHT)));
        assertThat(shape().runs().get(0).curve()).isEqualTo(CurveKind.STRAIGHT);
    }

    private static org.assertj.core.api.ListAssert<Position> vertices(Path path) {
        return assertThat(IntStream.range(0, path.vertices().size()).mapToObj(path.vertices()::position).toList());
    }

    @Test
    void threeInOneLineBecomeAStraightPieceAndSaySo() {
        corner("a", 0, 0).flowing("f", 5, 0.0004).corner("b", 10, 0);
        assertThat(shape().runs().get(0))
                .satisfies(r -> assertThat(r.straight()).isTrue(), r -> assertThat(r.curve()).isEqualTo(CurveKind.STRAIGHT));
        assertThat(shape().paths().get(0).bulge(0)).isZero();
    }

    /** A column shot all round is a circle; a pond a closed smooth curve; a yard with one rounded corner has one arc. */
    @Test
    void ringsFlowAllRoundOrBetweenCorners() {
        IntStream.range(0, 6).forEach(i -> flowing("f" + i, on(3, 60 * i)[0], on(3, 60 * i)[1]));
        say(new Edit.Ring(true));
        Path circle = shape().paths().get(0);
        assertThat(circle.closed()).isTrue();
        assertThat(circle.length()).isCloseTo(6 * Math.PI, within(1e-6));
        assertThat(circle.area().orElseThrow()).isCloseTo(9 * Math.PI, within(1e-5));
        assertThat(shape().runs()).hasSize(1);
        steps.clear();
        flowing("f", on(5, 45)[0], on(5, 45)[1]).corner("b", 5, 0).corner("c", 0, 0).corner("d", 0, 5).say(new Edit.Ring(true));
        assertThat(shape().paths().get(0).area().orElseThrow()).isCloseTo(25 * Math.PI / 4, within(1e-6));
    }

    @Test
    void degenerateStringsDrawWhatCanBeDrawn() {
        corner("a", 0, 0).corner("b", 0, 0);
        assertThat(shape().paths()).isEmpty();
        flowing("c", 0, 0).corner("d", 3, 4).say(new Edit.Ring(true));
        assertThat(shape().paths().get(0).length()).isCloseTo(5, within(1e-9));   // two places are no ring
        steps.clear();
        corner("a", 0, 0).flowing("f", -4, 0).corner("b", 10, 0);   // back and forth in one line: no arc passes
        assertThat(shape().paths().get(0).length()).isCloseTo(18, within(0.5));
        assertThat(shape().runs().get(0).curve()).isNotEqualTo(CurveKind.ARC);
    }

    @Test
    void threeCornersAreSquaredWithTheirMisfit() {
        corner("a", 6, 0).corner("b", 0, 0).corner("c", 0.04, 4);
        Squaring squared = Squaring.of(string()).orElseThrow();
        assertThat(squared.corner().plan().distanceMetres(ORIGIN.plus(6.04, 4))).isLessThan(1e-8);
        assertThat(squared.misfit().metres()).isCloseTo(0.04, within(1e-8));
        assertThat(squared.off().radians()).isCloseTo(-Math.atan(0.01), within(1e-9));
        corner("d", 9, 9);
        assertThat(Squaring.of(string())).isEmpty();
    }

    /** Chords leave a string's arcs by no more than was allowed, and by nearly that. */
    @Test
    void chordsMeetTheirTolerance() {
        corner("a", 0, 20).flowing("f", on(20, 50)[0], on(20, 50)[1]).corner("b", 20, 0);
        for (double tolerance : new double[] {0.1, 0.01, 0.001}) {
            Vertices chords = shape().chords(tolerance).get(0);
            double worst = IntStream.range(1, chords.size())
                    .mapToDouble(i -> 20 - chords.plan(i)
                    .plus((chords.north(i - 1) - chords.north(i)) / 2, (chords.east(i - 1) - chords.east(i)) / 2).distanceMetres(ORIGIN))
                    .max().orElseThrow();
            assertThat(worst).isBetween(tolerance / 4, tolerance);
        }
        assertThat(Arrays.asList(shape().chords(0.1).get(0).plan(0))).contains(string().vertices().get(0).position().plan());
    }
}
