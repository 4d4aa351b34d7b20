package verge.core.cogo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static verge.core.cogo.Asked.GRID_PER_GROUND;
import static verge.core.cogo.Asked.ask;
import static verge.core.cogo.Asked.figure;
import static verge.core.cogo.Asked.lies;
import static verge.core.cogo.Asked.place;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.alignment.Alignment;
import verge.core.alignment.PlanElement;
import verge.core.alignment.Stationing;
import verge.core.cogo.Worked.Caution;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.plan.Path;
import verge.core.plan.Vertices;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.AngleUnit;
import verge.core.units.Length;
import verge.core.units.LengthUnit;

/** Lines with arcs, rings with holes and sloping ground as computations take them, held against figures worked by hand. */
class LinesTest {
    /** A half-circle of radius 10 about (20, 0), northwards round from (30, 0) to (10, 0). */
    private static final Given HALF = drawn(new double[] {1, 0}, "30 0", "10 0");

    private static Given drawn(double[] bulges, String... places) {
        return new Given.Drawn("a line",
                Path.of(Vertices.of(Arrays.stream(places).map(Asked::place).toArray(Position[]::new)), bulges, false), Optional.empty());
    }

    private static Given ring(double[] bulges, String... places) {
        return new Given.Drawn("a ring",
                Path.of(Vertices.of(Arrays.stream(places).map(Asked::place).toArray(Position[]::new)), bulges, true), Optional.empty());
    }

    private static Given.Points row(String... places) {
        return new Given.Points(Arrays.stream(places).map(p -> (Given) new Given.Spot(place(p))).toList());
    }

    private static Worked meet(Given one, Given other) {
        return ask(Tool.LINES_MEET).put("lineA", one).put("lineB", other).inGrid();
    }

    /** Within both lines, and each place told along both. */
    @Test
    void aLineAnArcAndTwoArcsMeetWhereTheyDo() {
        Worked through = meet(row("0 6", "40 6"), HALF);
        assertThat(through.eitherOr()).isTrue();
        assertThat(through.points()).extracting(p -> Math.round(p.position().plan().easting() - Asked.E0))
                .containsExactlyInAnyOrder(12L, 28L);
        assertThat(through.figures().stream().filter(f -> f.label().equals("stationA"))
                .map(f -> Math.round(((Quantity.Distance) f.quantity()).grid().metres()))).containsExactlyInAnyOrder(12L, 28L);
        Worked arcs = meet(drawn(new double[] {1, 0}, "42 0", "22 0"), HALF);
        assertThat(arcs.points()).hasSize(1);
        lies(arcs.points().get(0).position(), 26, 8);
        assertThat(figure(arcs, "stationB", Quantity.Distance.class).grid().metres()).isCloseTo(10 * Math.atan2(8, 6), within(1e-6));
        Worked touching = meet(row("0 10", "40 10"), HALF);
        assertThat(touching.points()).hasSize(1);
        lies(touching.points().get(0).position(), 20, 10);
    }

    /** Lines that stop short are lengthened as they end, and it is said. */
    @Test
    void whatDoesNotReachIsLengthened() {
        Worked short1 = meet(row("0 6", "5 6"), HALF);
        assertThat(short1.points()).hasSize(2);
        assertThat(short1.remarks()).extracting(Worked.Remark::caution).containsExactly(Caution.LENGTHENED);
        Worked both = meet(row("0 0 5", "10 0 6"), row("20 -10", "20 -5"));
        lies(both.points().get(0).position(), 20, 0);
        assertThat(figure(both, "stationA", Quantity.Distance.class).grid().metres()).isCloseTo(20, within(1e-9));
        Worked bent = meet(row("0 0", "100 0"), row("90 -10", "110 -10.1", "112 -3"));
        assertThat(bent.points()).as("not where ends that run side by side meet a kilometre off").hasSize(1);
        Worked arcGoesOn = meet(row("20 -20", "20 -5"), HALF);
        assertThat(arcGoesOn.points()).anySatisfy(p -> lies(p.position(), 20, -10));
        assertThatThrownBy(() -> meet(row("0 0", "10 0"), row("0 7", "10 7"))).isInstanceOfSatisfying(SurveyException.class, e -> {
            assertThat(e.problem()).isEqualTo(Problem.DO_NOT_MEET);
            assertThat(((Length) e.arguments().get(0)).metres()).isCloseTo(7, within(1e-9));
        });
        assertThatThrownBy(() -> meet(row("0 14", "10 14"), HALF))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(((Length) e.arguments().get(0)).metres())
                .isCloseTo(Math.hypot(10, 14) - 10, within(1e-4)));
    }

    /** An alignment has a count of its own, with a jump: it is told beside the length along it. */
    @Test
    void anAlignmentTellsItsOwnStations() {
        Given axis = new Given.Drawn("causeway", Path.straight(Vertices.of(place("0 0"), place("100 0")), false),
                Optional.of(new Stationing(1_000, List.of(new Stationing.Equation(50, 2_000, true)))));
        Worked beside = ask(Tool.BESIDE).put("line", axis).points("points", "30 4", "80 -4").inGrid();
        assertThat(beside.figures().stream().filter(f -> f.label().equals("stationCounted"))
                .map(f -> Math.round(((Quantity.Station) f.quantity()).along().metres()))).containsExactly(1_030L, 2_030L);
        assertThat(figure(meet(axis, row("20 -5", "20 5")), "stationCounted", Quantity.Station.class).along().metres())
                .isCloseTo(1_020, within(1e-9));
    }

    /**
     * Along a clothoid from 120 m left to 120 m right, where arcs only draw it: set out 60 m aside and read off again, both as an axis
     * tells.
     */
    @ParameterizedTest
    @CsvSource({"5, 60", "17.5, -60", "30, 60", "44, -100", "59, 75"})
    void whatIsSetOutFarFromAClothoidIsReadOffThere(double along, double right) {
        Position begin = place("0 0");
        PlanElement clothoid = new PlanElement(begin.plan().northing(), begin.plan().easting(), 0.3, 60, -1.0 / 120, 1.0 / 120);
        Given axis = new Given.Axis("causeway", new Alignment("Causeway", List.of(clothoid), Optional.empty(), Stationing.from(500)));
        PlanElement.Place foot = clothoid.at(along);
        Position aside = ask(Tool.OFFSET).put("line", axis).amount("along", along).amount("right", right).inGrid().points().get(0)
                .position();
        assertThat(aside.plan().northing()).isCloseTo(foot.north() - right * Math.sin(foot.azimuth()), within(1e-5));
        assertThat(aside.plan().easting()).isCloseTo(foot.east() + right * Math.cos(foot.azimuth()), within(1e-5));
        Worked beside = ask(Tool.BESIDE).put("line", axis).put("points", new Given.Points(List.of(new Given.Spot(aside)))).inGrid();
        assertThat(figure(beside, "stationCounted", Quantity.Station.class).along().metres()).isCloseTo(500 + along, within(1e-5));
        assertThat(figure(beside, "station", Quantity.Distance.class).grid().metres()).isCloseTo(along, within(1e-5));
        assertThat(figure(beside, "offset", Quantity.Aside.class).right()).contains(right > 0);
    }

    /** What touches exactly meets, though figures miss by their last bits, or by a length's last digit; what misses by more does not. */
    @ParameterizedTest
    @CsvSource({"0.3, 17.3, 0", "1.1, 23.7, 0", "2.2, 5.1, 0.0008", "0.7, 99.9, -0.0008", "2.9, 41.3, 0.0012"})
    void whatTouchesMeetsOnce(double azimuth, double radius, double missed) {
        double n = Math.cos(azimuth);
        double e = Math.sin(azimuth);
        String centre = (100 * e) + " " + (100 * n);
        String a = ((100 + radius + missed) * e + 50 * n) + " " + ((100 + radius + missed) * n - 50 * e);
        String b = ((100 + radius + missed) * e - 70 * n) + " " + ((100 + radius + missed) * n + 70 * e);
        Asked line = ask(Tool.LINE_CIRCLE).at("a", a).at("b", b).at("centre", centre).amount("radius", radius);
        // one within the other
        Asked circles = ask(Tool.DISTANCES).at("a", "0 0").at("b", centre).amount("distanceA", 100 + radius + missed)
                .amount("distanceB", radius);
        Asked beside = ask(Tool.DISTANCES).at("a", "0 0").at("b", centre).amount("distanceA", 100 - radius - missed)
                .amount("distanceB", radius);
        for (Asked each : radius < 90 ? List.of(line, circles, beside) : List.of(line, circles)) {
            if (missed > 0.001) {
                each.refused(Problem.DO_NOT_MEET);
                continue;
            }
            Worked met = each.inGrid();
            assertThat(met.points().size()).isBetween(1, 2);
            assertThat(met.remarks().stream().map(Worked.Remark::caution).toList())
                    .isEqualTo(met.points().size() == 1 ? List.of(Caution.TOUCHES) : List.of());
            GridPoint at = met.points().get(0).position().plan();
            assertThat(at.distanceMetres(place(centre).plan())).isCloseTo(radius, within(1e-3));
        }
    }

    @Test
    void anAreaAlongASlopeRefusesTwoHeightsInOnePlaceInAnyOrder() {
        Given pit = ring(new double[] {0, 0, 0, 0}, "0 0", "10 0", "10 10", "0 10");
        for (String[] points : new String[][] {{"0 0 0", "10 0 0", "10 10 0", "0 10 0", "5 5 0", "5 5 20"},
                {"5 5 20", "0 0 0", "10 0 0", "5.00005 5 0", "10 10 0", "0 10 0"}}) {
            assertThatThrownBy(() -> ask(Tool.AREA).put("ring", pit).points("surface", points).inGrid())
                    .isInstanceOfSatisfying(SurveyException.class, refused -> assertThat(refused.problem()).isEqualTo(Problem.TWO_HEIGHTS));
        }
        ask(Tool.AREA).put("ring", pit).points("surface", "0 0 0", "10 0 0", "10 10 0", "0 10 0", "5 5 20", "5 5 20").inGrid();
    }

    /** A corner that is no point: the arc is the same as with it. */
    @ParameterizedTest
    @CsvSource({"0 0, 40 0, 50 10, 50 40", "40 0, 0 0, 50 40, 50 10", "0 0, 40 0, 50 40, 50 10"})
    void aFilletLeadsFromOneLineToAnother(String a, String b, String c, String d) {
        Worked worked = ask(Tool.FILLET_LINES).at("a", a).at("b", b).at("c", c).at("d", d).amount("radius", 8).inGrid();
        lies(worked.points().get(0).position(), 42, 0);
        lies(worked.points().get(1).position(), 50, 8);
        lies(worked.points().get(2).position(), 42, 8);
        assertThat(worked.made()).hasSize(1);
        ask(Tool.FILLET_LINES).at("a", "0 0").at("b", "40 0").at("c", "0 5").at("d", "40 5").amount("radius", 8)
                .refused(Problem.LINES_PARALLEL);
    }

    /** A yard of 40 by 30 m with a round pond of radius 5 and a shed of 6 by 4. */
    @Test
    void holesAreNoPartOfAnAreaNorOfItsParts() {
        Given pond = ring(new double[] {1, 1}, "5 10", "15 10");
        Given shed = row("25 20", "31 20", "31 24", "25 24");
        Asked yard = ask(Tool.AREA).points("ring", "0 0", "40 0", "40 30", "0 30").put("holes", new Given.Lines(List.of(pond, shed)))
                .amount("depth", 2);
        double net = 1200 - 25 * Math.PI - 24;
        assertThat(figure(yard.inGrid(), "area", Quantity.Area.class).grid()).isCloseTo(net, within(1e-7));
        assertThat(figure(yard.inGrid(), "areaOfHoles", Quantity.Area.class).grid()).isCloseTo(25 * Math.PI + 24, within(1e-7));
        assertThat(figure(yard.onGround(), "content", Quantity.Content.class).cubicMetres())
                .isCloseTo(2 * net / GRID_PER_GROUND / GRID_PER_GROUND, within(1e-6));
        Worked cut = ask(Tool.DIVIDE).points("ring", "0 0", "40 0", "40 30", "0 30").put("holes", new Given.Lines(List.of(pond, shed)))
                .amount("area", 300).degrees("direction", 0).inGrid();
        assertThat(figure(cut, "areaLeft", Quantity.Area.class).grid()).isCloseTo(300, within(1e-7));
        assertThat(figure(cut, "areaLeft", Quantity.Area.class).grid() + figure(cut, "areaRight", Quantity.Area.class).grid())
                .isCloseTo(net, within(1e-9 * net));
        assertThat(cut.made()).as("the line on both sides of the pond").hasSize(2);
        for (Given unfit : List.of(row("50 0", "60 0", "60 10"), row("-5 5", "5 5", "5 15", "-5 15"),
                drawn(new double[] {0, 0, 0}, "5 5", "6 5", "6 6"), row("26 21", "27 21", "27 22"))) {
            assertThatThrownBy(() -> ask(Tool.AREA).points("ring", "0 0", "40 0", "40 30", "0 30")
                    .put("holes", new Given.Lines(List.of(shed, unfit))).inGrid())
                    .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem())
                    .isIn(Problem.HOLE_UNFIT, Problem.HOLES_CROSS));
        }
    }

    /** A slope of 3 in 4 makes of each square metre 1.25; half of it level. */
    @Test
    void anAreaAlongSlopingGround() {
        Asked slope = ask(Tool.AREA).points("ring", "0 0 0", "40 0 30", "40 30 30", "0 30 0")
                .points("surface", "20 15 15", "10 5 7.5", "200 200 90");
        assertThat(figure(slope.inGrid(), "areaSloped", Quantity.Area.class).grid()).isCloseTo(1500, within(1e-6));
        assertThat(figure(slope.onGround(), "areaSloped", Quantity.Area.class).grid())
                .isCloseTo(30 / GRID_PER_GROUND * Math.hypot(40 / GRID_PER_GROUND, 30), within(1e-6));
        Asked bent = ask(Tool.AREA).points("ring", "0 0 0", "20 0 15", "40 0 15", "40 30 15", "20 30 15", "0 30 0")
                .points("surface", "20 15 15");
        assertThat(figure(bent.inGrid(), "areaSloped", Quantity.Area.class).grid()).isCloseTo(600 + 750, within(1e-6));
        ask(Tool.AREA).points("ring", "0 0", "40 0", "40 30", "0 30").points("surface", "0 0 1", "40 0 1", "40 30 1")
                .refused(Problem.SURFACE_SHORT);
        ask(Tool.AREA).points("ring", "0 0", "40 0", "40 30", "0 30").points("surface", "0 0 1").refused(Problem.SURFACE_SHORT);
        ask(Tool.AREA).points("ring", "0 0 1", "40 30 2", "40 0 3", "0 20 4").points("surface", "20 15 2").refused(Problem.RING_CROSSES);
    }

    /** What a figure measures is written where it is measured. */
    @Test
    void dimensionsStandWhereTheyAreMeasured() {
        Worked chain = ask(Tool.CHAIN).points("points", "0 0", "30 0", "30 40").inGrid();
        assertThat(chain.dimensions()).hasSize(2);
        lies(new Position(chain.dimensions().get(1).at(), Optional.empty()), 30, 20);
        assertThat(chain.dimensions().get(1).along().orElseThrow().degrees()).isCloseTo(0, within(1e-9));
        Worked area = ask(Tool.AREA).points("ring", "0 0", "40 0", "40 40", "35 40", "35 5", "0 5").inGrid();
        assertThat(area.lines().get(0).path().vertices()
                .enclose(area.dimensions().get(0).at().northing(), area.dimensions().get(0).at().easting())).isTrue();
        Worked angle = ask(Tool.ANGLE).at("from", "0 10").at("at", "0 0").at("to", "10 0").inGrid();
        lies(new Position(angle.dimensions().get(0).at(), Optional.empty()), 3 * Math.sqrt(0.5), 3 * Math.sqrt(0.5));
    }

    /** Three legs of a square and one that is 5 m long by mistake. */
    @Test
    void theLegThatMayBeWrongIsDrawn() {
        Worked deed = ask(Tool.DEED).at("begin", "0 0")
                .put("legs", new Given.Legs(DeedText.parse("0 20\n90 25\n180 20\n270 20", LengthUnit.METRE, AngleUnit.DEGREES))).inGrid();
        List<Worked.Line> doubtful = deed.lines().stream().filter(l -> l.role() == Worked.Role.DOUBTFUL).toList();
        assertThat(doubtful).isNotEmpty();
        lies(doubtful.get(0).path().vertices().position(0), 0, 20);
    }
}
