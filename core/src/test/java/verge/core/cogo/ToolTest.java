package verge.core.cogo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static verge.core.cogo.Asked.E0;
import static verge.core.cogo.Asked.GRID_PER_GROUND;
import static verge.core.cogo.Asked.N0;
import static verge.core.cogo.Asked.ask;
import static verge.core.cogo.Asked.figure;
import static verge.core.cogo.Asked.lies;
import static verge.core.cogo.Asked.place;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.coding.PointName;
import verge.core.cogo.Worked.Caution;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.GridInverse;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Position;
import verge.core.plan.Arc;
import verge.core.points.PointSeen;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Length;

/**
 * Computations as they are asked for, each held against its inverse or figures worked by hand, in the grid and with ground distances, at
 * real coordinates.
 */
class ToolTest {
    private static GridPoint scattered(Random chance, double reach) {
        return new GridPoint(N0 + reach * (chance.nextDouble() - 0.5), E0 + reach * (chance.nextDouble() - 0.5));
    }

    /** Any two of direction and distance from two points lead back to the point they were taken to, given in the grid and on the ground. */
    @Test
    void everyIntersectionLeadsBackToItsPoint() {
        Random chance = new Random(4);
        for (int round = 0; round < 300; round++) {
            GridPoint a = scattered(chance, 2_000);
            GridPoint b = scattered(chance, 2_000);
            GridPoint p = scattered(chance, 2_000);
            GridInverse.Result fromA = GridInverse.between(a, p);
            GridInverse.Result fromB = GridInverse.between(b, p);
            double flat = Math.abs(Math.sin(fromA.azimuth().radians() - fromB.azimuth().radians()));
            if (flat < 0.05) {
                continue;
            }
            boolean ground = round % 2 == 0;
            double told = ground ? 1 / GRID_PER_GROUND : 1;
            List<Asked> all = List.of(
                    ask(Tool.DIRECTIONS).amount("directionA", fromA.azimuth().radians()).amount("directionB", fromB.azimuth().radians()),
                    ask(Tool.DIRECTION_DISTANCE).amount("directionA", fromA.azimuth().radians())
                    .amount("distanceB", fromB.distance().metres() * told),
                    ask(Tool.DISTANCES).amount("distanceA", fromA.distance().metres() * told)
                    .amount("distanceB", fromB.distance().metres() * told));
            for (Asked asked : all) {
                asked.put("a", new Given.Spot(new Position(a, Optional.empty())));
                asked.put("b", new Given.Spot(new Position(b, Optional.empty())));
                Worked worked = ground ? asked.onGround() : asked.inGrid();
                assertThat(worked.points()).as(asked + " " + round)
                        .anySatisfy(made -> assertThat(made.position().plan().distanceMetres(p)).isLessThan(1e-5));
                assertThat(worked.points()).hasSizeLessThanOrEqualTo(2);
            }
            Asked polar = ask(Tool.POLAR).amount("direction", fromA.azimuth().radians())
                    .amount("distance", fromA.distance().metres() * told);
            polar.put("from", new Given.Spot(new Position(a, Optional.of(new Elevation(5)))));
            assertThat((ground ? polar.onGround() : polar.inGrid()).points().get(0).position().plan().distanceMetres(p)).isLessThan(1e-6);
        }
    }

    @Test
    void bothSolutionsAreToldAndWhatMissesSaysByHowMuch() {
        Worked both = ask(Tool.DISTANCES).at("a", "0 0").at("b", "8 0").amount("distanceA", 5).amount("distanceB", 5).inGrid();
        assertThat(both.eitherOr()).isTrue();
        assertThat(both.points()).extracting(Worked.Made::label).containsExactlyInAnyOrder("left", "right");
        both.points().forEach(p -> lies(p.position(), 4, p.label().equals("left") ? 3 : -3));
        Worked line = ask(Tool.LINE_CIRCLE).at("a", "-10 0").at("b", "0 0").at("centre", "5 3").amount("radius", 5).inGrid();
        line.points().forEach(p -> lies(p.position(), p.label().equals("nearer") ? 1 : 9, 0));
        assertThatThrownBy(() -> ask(Tool.DISTANCES).at("a", "0 0").at("b", "20 0").amount("distanceA", 5).amount("distanceB", 5).inGrid())
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(((Length) e.arguments().get(0)).metres())
                .isCloseTo(10, within(1e-9)));
        assertThatThrownBy(() -> ask(Tool.DISTANCES).at("a", "0 0").at("b", "2 0").amount("distanceA", 5).amount("distanceB", 1).inGrid())
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(((Length) e.arguments().get(0)).metres())
                .isCloseTo(2, within(1e-9)));
        assertThatThrownBy(() -> ask(Tool.LINE_CIRCLE).at("a", "-10 0").at("b", "0 0").at("centre", "5 7").amount("radius", 5).inGrid())
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(((Length) e.arguments().get(0)).metres())
                .isCloseTo(2, within(1e-9)));
        assertThat(ask(Tool.DISTANCES).at("a", "0 0").at("b", "10 0").amount("distanceA", 5).amount("distanceB", 5).inGrid().points())
                .as("circles that touch").hasSize(1);
        ask(Tool.DIRECTIONS).at("a", "0 0").at("b", "10 0").degrees("directionA", 20).degrees("directionB", 20)
                .refused(Problem.LINES_PARALLEL);
        ask(Tool.DIRECTIONS).at("a", "0 0").at("b", "10 0").degrees("directionA", 20).degrees("directionB", 200)
                .refused(Problem.LINES_PARALLEL);
        ask(Tool.FOUR_POINTS).at("a", "0 0").at("b", "0 0").at("c", "5 0").at("d", "5 5").refused(Problem.COINCIDENT_POINTS);
        ask(Tool.DISTANCES).at("a", "0 0").at("b", "8 0").amount("distanceA", 0).amount("distanceB", 5).refused(Problem.LENGTH_NOUGHT);
        ask(Tool.DISTANCES).at("a", "0 0").amount("distanceA", 3).amount("distanceB", 5).refused(Problem.COMPUTE_LACKS);
        assertThat(ask(Tool.DIRECTIONS).at("a", "0 0").at("b", "10 0").degrees("directionA", 225).degrees("directionB", 135).inGrid()
                .remarks()).extracting(Worked.Remark::caution)
                .containsExactly(Caution.BEHIND, Caution.BEHIND);
    }

    /** Near 0 and 360, straight on and straight back. */
    @ParameterizedTest
    @CsvSource({"0 10, 10 0, 90, 270, deflectionLeft, 90", "0 -10, 0 10, 180, 180, deflectionRight, 0",
            "0 10, 0 10, 0, 0, deflectionLeft, 180", "0.000001 -10, 0 -10, 0.00000573, 359.99999427, deflectionLeft, 179.99999427",
        "-10 0, -10 -0.000001, 359.99999427, 0.00000573, deflectionRight, 179.99999427"})
    void anAngleHasTwoSensesAndASide(String from, String to, double right, double left, String side, double deflection) {
        Worked worked = ask(Tool.ANGLE).at("from", from).at("at", "0 0").at("to", to).inGrid();
        assertThat(figure(worked, "angleRight", Quantity.Turn.class).angle().degrees()).isCloseTo(right, within(1e-7));
        assertThat(figure(worked, "angleLeft", Quantity.Turn.class).angle().degrees()).isCloseTo(left, within(1e-7));
        assertThat(figure(worked, side, Quantity.Turn.class).angle().degrees()).isCloseTo(deflection, within(1e-7));
    }

    @Test
    void aChainAddsUpInTheGridOnTheGroundAndAlongTheSlope() {
        Worked chain = ask(Tool.CHAIN).points("points", "0 0 10", "300 400 10", "300 500 35").onGround();
        List<Quantity.Distance> sofar = chain.figures().stream().filter(f -> f.label().equals("sofar"))
                .map(f -> (Quantity.Distance) f.quantity()).toList();
        assertThat(sofar.get(1).grid().metres()).isCloseTo(600, within(1e-9));
        assertThat(sofar.get(1).ground().metres()).isCloseTo(600 / GRID_PER_GROUND, within(1e-9));
        assertThat(figure(chain, "slope", Quantity.Plain.class).length().metres())
                .isCloseTo(500 / GRID_PER_GROUND + Math.hypot(100 / GRID_PER_GROUND, 25), within(1e-9));
        assertThat(ask(Tool.CHAIN).points("points", "0 0 10", "300 400", "300 500 35").inGrid().remarks())
                .extracting(Worked.Remark::caution).containsExactly(Caution.NO_HEIGHT);
        ask(Tool.CHAIN).points("points", "0 0", "0 0").refused(Problem.COINCIDENT_POINTS);
    }

    /** A bow tie: its halves cancel in the one reading, and both count in the other. */
    @Test
    void aCrossingOutlineIsSaidWithItsPlacesAndItsAreaBothWays() {
        Worked tie = ask(Tool.AREA).points("ring", "0 0", "10 10", "10 0", "0 8").amount("depth", 0.5).inGrid();
        assertThat(tie.points()).hasSize(1);
        assertThat(figure(tie, "areaOfLoops", Quantity.Area.class).grid())
                .isCloseTo(5.0 * 10 * 10 / 18 * 1 + 8 * (80.0 / 18) / 2, within(1e-6));
        assertThat(figure(tie, "areaWithSigns", Quantity.Area.class).grid()).isCloseTo(10, within(1e-6));
        assertThat(tie.remarks()).extracting(Worked.Remark::caution).containsExactly(Caution.CROSSES_ITSELF);
        ask(Tool.DIVIDE).points("ring", "0 0", "10 10", "10 0", "0 8").amount("area", 3).degrees("direction", 0)
                .refused(Problem.RING_CROSSES);
        ask(Tool.AREA).points("ring", "0 0", "10 10", "20 20").refused(Problem.RING_FLAT);
        Worked square = ask(Tool.AREA).points("ring", "0 0", "10 0", "10 10", "0 10").amount("depth", 0.25).onGround();
        assertThat(figure(square, "area", Quantity.Area.class).ground()).isCloseTo(100 / GRID_PER_GROUND / GRID_PER_GROUND, within(1e-7));
        assertThat(figure(square, "content", Quantity.Content.class).cubicMetres())
                .isCloseTo(25 / GRID_PER_GROUND / GRID_PER_GROUND, within(1e-7));
    }

    @Test
    void offsetsAndPointsAlongComeBackWhenTheyAreReadOff() {
        Worked offset = ask(Tool.OFFSET).points("line", "0 0 10", "30 0 13", "30 40 13").amount("along", 40).amount("right", -2).onGround();
        Position made = offset.points().get(0).position();
        Asked back = ask(Tool.BESIDE).points("line", "0 0 10", "30 0 13", "30 40 13");
        back.put("points", new Given.Points(List.of(new Given.Spot(made))));
        Worked read = back.onGround();
        assertThat(figure(read, "station", Quantity.Distance.class).ground().metres()).isCloseTo(40, within(1e-8));
        assertThat(figure(read, "offset", Quantity.Aside.class).off().metres()).isCloseTo(2, within(1e-8));
        assertThat(figure(read, "offset", Quantity.Aside.class).right()).contains(false);
        Worked along = ask(Tool.ALONG).points("line", "0 0 10", "30 0 13", "30 40 13").amount("interval", 15).inGrid();
        assertThat(along.points()).hasSize(5);
        lies(along.points().get(3).position(), 30, 15);
        assertThat(along.points().get(1).position().elevation().orElseThrow().metres()).isCloseTo(11.5, within(1e-12));
        assertThat(figure(along, "rest", Quantity.Plain.class).length().metres()).isCloseTo(10, within(1e-9));
        assertThat(ask(Tool.ALONG).points("line", "0 0", "30 0").amount("count", 3).inGrid().points()).hasSize(4);
        ask(Tool.ALONG).points("line", "0 0", "30 0").refused(Problem.INTERVAL_OR_COUNT);
        ask(Tool.ALONG).points("line", "0 0", "30 0").amount("interval", 0).refused(Problem.INTERVAL_OR_COUNT);
        ask(Tool.ALONG).points("line", "0 0", "30 0").amount("interval", 0.001).refused(Problem.POINTS_TOO_MANY);
        assertThat(ask(Tool.BESIDE).points("line", "0 0", "30 0").points("points", "-5 1").inGrid().remarks())
                .extracting(Worked.Remark::caution).containsExactly(Caution.BEYOND_THE_LINE);
    }

    /** Both legs touch the arc where it begins and ends: the radius is square to them there. */
    @ParameterizedTest
    @ValueSource(strings = {"40 20", "0 40", "-30 30", "-40 1", "20 -40"})
    void aFilletTouchesBothLines(String after) {
        Worked worked = ask(Tool.FILLET).at("before", "40 0 4").at("corner", "0 0 0").at("after", after).amount("radius", 0.3).inGrid();
        List<GridPoint> at = worked.points().stream().map(p -> p.position().plan()).toList();
        GridPoint corner = place("0 0").plan();
        List<GridPoint> legs = List.of(place("40 0").plan(), place(after).plan());
        for (int i = 0; i < 2; i++) {
            assertThat(at.get(2).distanceMetres(at.get(i))).isCloseTo(0.3, within(1e-8));
            double leg = GridInverse.between(corner, legs.get(i)).azimuth().radians();
            assertThat(Math.cos(GridInverse.between(at.get(i), at.get(2)).azimuth().radians() - leg)).isCloseTo(0, within(1e-7));
        }
        var arc = worked.made().get(0).path();
        assertThat(Arc.ofBulge(at.get(0), at.get(1), arc.bulge(0)).orElseThrow())
                .satisfies(a -> assertThat(new GridPoint(a.centreNorth(), a.centreEast()).distanceMetres(at.get(2))).isLessThan(1e-6));
        assertThat(Math.abs(arc.bulge(0))).isLessThan(1);
        ask(Tool.FILLET).at("before", "40 0").at("corner", "0 0").at("after", after).amount("radius", 5_000)
                .refused(Problem.FILLET_TOO_LARGE);
    }

    @Test
    void aPlaneTellsHeightsAndAMeanWhatEachIsOffIt() {
        Worked plane = ask(Tool.BEST_PLANE).points("points", "0 0 10", "100 0 12", "0 100 11").points("at", "50 50 12").inGrid();
        assertThat(figure(plane, "planeHeight", Quantity.Height.class).above().metres()).isCloseTo(11.5, within(1e-9));
        assertThat(figure(plane, "abovePlane", Quantity.Difference.class).length().metres()).isCloseTo(0.5, within(1e-9));
        ask(Tool.BEST_PLANE).points("points", "0 0 10", "100 0", "0 100 11").refused(Problem.POINT_WITHOUT_HEIGHT);
        ask(Tool.BEST_CIRCLE).points("points", "0 0", "10 0", "20 0").refused(Problem.NO_FIT);
        Worked mean = ask(Tool.MEAN).points("points", "0 0 1", "0.02 0 1.01", "0.01 0.03 1.03").inGrid();
        lies(mean.points().get(0).position(), 0.01, 0.01);
        assertThat(mean.points().get(0).position().elevation().orElseThrow().metres()).isCloseTo(3.04 / 3, within(1e-12));
    }

    @Test
    void figuresThatMakeNothingAreRefused() {
        ask(Tool.CURVE).amount("CHORD", 80).amount("ARC", 80).refused(Problem.NO_CURVE);
        ask(Tool.CURVE).amount("ARC", 79.9).amount("CHORD", 80).refused(Problem.NO_CURVE);
        Asked halves = ask(Tool.DIVIDE).points("ring", "0 0", "40 0", "40 30", "0 30").degrees("direction", 0);
        halves.amount("parts", 2.5).refused(Problem.PARTS_UNFIT);
        assertThat(halves.amount("parts", 3).inGrid().points()).hasSize(4);
        ask(Tool.ALONG).points("line", "0 0", "40 0").amount("count", 2.5).refused(Problem.INTERVAL_OR_COUNT);
        ask(Tool.PARALLEL).points("line", "0 0", "0 10", "0 0").amount("right", 2).inGrid();
        ask(Tool.PARALLEL).points("line", "0 0", "0 0").amount("right", 2).refused(Problem.COINCIDENT_POINTS);
        ask(Tool.PARALLEL).points("line", "0 0", "20 0", "20 -1", "0 -1").amount("right", 2).refused(Problem.NO_PARALLEL);
    }

    @Test
    void anAreaIsCutOffOnEitherSideInEitherScale() {
        Asked cut = ask(Tool.DIVIDE).points("ring", "0 0", "40 0", "40 30", "0 30").amount("area", 300).degrees("direction", 0)
                .word("side", "right");
        Worked inGrid = cut.inGrid();
        assertThat(inGrid.points()).extracting(p -> Math.round(1e6 * (p.position().plan().easting() - E0)) / 1e6)
                .containsExactly(30.0, 30.0);
        assertThat(figure(inGrid, "areaRight", Quantity.Area.class).grid()).isCloseTo(300, within(1e-7));
        assertThat(figure(cut.word("areaScale", "ground").onGround(), "areaRight", Quantity.Area.class).ground())
                .isCloseTo(300, within(1e-7));
        assertThat(ask(Tool.DIVIDE).points("ring", "0 0", "40 0", "40 30", "0 30").amount("parts", 4).degrees("direction", 90).inGrid()
                .points()).hasSize(6);
        Worked slid = ask(Tool.DIVIDE).points("ring", "0 0", "40 0", "40 30", "0 30").amount("position", 0.25).degrees("direction", 0)
                .inGrid();
        assertThat(figure(slid, "areaLeft", Quantity.Area.class).grid()).isCloseTo(300, within(1e-7));
        assertThat(slid.curve().orElseThrow().at()).isCloseTo(0.25, within(1e-9));
        assertThat(inGrid.curve().orElseThrow().at()).isCloseTo(0.75, within(1e-9));
        assertThat(inGrid.curve().orElseThrow().samples()).first().isEqualTo(1.0);
        ask(Tool.DIVIDE).points("ring", "0 0", "40 0", "40 30", "0 30").amount("area", 1300).degrees("direction", 0)
                .refused(Problem.AREA_IMPOSSIBLE);
        ask(Tool.DIVIDE).points("ring", "0 0", "40 0", "40 30", "0 30").amount("area", 300).refused(Problem.DIVIDE_HOW);
        ask(Tool.DIVIDE).points("ring", "0 0", "40 0", "40 30", "0 30").amount("parts", 1).degrees("direction", 0)
                .refused(Problem.PARTS_UNFIT);
        assertThat(ask(Tool.DIVIDE).points("ring", "0 0", "40 0", "40 30", "0 30").amount("area", 300).at("through", "0 0").inGrid()
                .eitherOr()).isTrue();
    }

    @Test
    void aWeightedMeanAndWeightsThatDoNotFit() {
        Asked mean = ask(Tool.MEAN).points("points", "0 0 1", "4 0 5", "0 8");
        mean.put("weights", new Given.Numbers(List.of(1.0, 3.0, 0.0)));
        lies(mean.inGrid().points().get(0).position(), 3, 0);
        assertThat(mean.inGrid().points().get(0).position().elevation().orElseThrow().metres()).isCloseTo(4, within(1e-12));
        for (List<Double> unfit : List.of(List.of(1.0, 1.0), List.of(0.0, 0.0, 0.0), List.of(1.0, -1.0, 1.0))) {
            mean.put("weights", new Given.Numbers(unfit));
            mean.refused(Problem.WEIGHTS_UNFIT);
        }
    }

    /** A line that the needle showed at N 3 W and that runs at 2 degrees now: it pointed 5 degrees east of where the grid has north. */
    @Test
    void anOldBearingIsTurnedByWhatTheNeedleWasOff() {
        Worked worked = ask(Tool.MAGNETIC).degrees("bearing", 358).degrees("then", 357).degrees("now", 2).inGrid();
        assertThat(figure(worked, "declination", Quantity.Turn.class).angle().degrees()).isCloseTo(5, within(1e-9));
        assertThat(figure(worked, "direction", Quantity.Direction.class).azimuth().degrees()).isCloseTo(3, within(1e-9));
        assertThat(figure(ask(Tool.MAGNETIC).degrees("bearing", 1).degrees("declination", -4).inGrid(), "direction",
                Quantity.Direction.class).azimuth().degrees()).isCloseTo(357, within(1e-9));
        ask(Tool.MAGNETIC).degrees("bearing", 1).refused(Problem.DECLINATION_HOW);
        ask(Tool.MAGNETIC).degrees("bearing", 1).degrees("declination", 2).degrees("then", 2).degrees("now", 3)
                .refused(Problem.DECLINATION_HOW);
        ask(Tool.SUN).at("at", "0 0").amount("time", 0).refused(Problem.NO_PLACE_ON_EARTH);
    }

    /**
     * The example of Reda and Andreas, NREL/TP-560-34302: 17 October 2003, 12:30:30 at UTC−7, azimuth 194.34024°, zenith 50.11162° with a
     * refraction of 0.01627°.
     */
    @Test
    void theSunStandsWhereThePublishedExampleHasIt() {
        SunPosition sun = SunPosition.of(Instant.parse("2003-10-17T19:30:30Z"), Geographic.ofDegrees(39.742476, -105.1786), 1830.14);
        assertThat(sun.azimuth().degrees()).isCloseTo(194.34024, within(2e-4));
        assertThat(sun.altitude().degrees()).isCloseTo(90 - 50.11162 - 0.01627, within(2e-4));
    }

    /** A distance taken between two points and laid off from the first in their direction comes to the second, in whichever scale. */
    @Test
    void valuesTakenFromPointsAreThoseOfTheScaleTheyAreGivenIn() {
        Map<PointName, Position> points = Map.of(new PointName("P1"), place("0 0 10"), new PointName("P2"), place("300 400 12"));
        PointSeen from = PointSeen.named(new PointName("P1"));
        PointSeen to = PointSeen.named(new PointName("P2"));
        Map<String, Given> given = Map.of("from", new Given.Point(from), "direction", new Given.Between(from, to), "distance",
                new Given.Between(from, to), "rise", new Given.Between(from, to));
        for (Scales scales : List.of(Scales.plain(), new Scales(new FlatSite(GRID_PER_GROUND), GroundUse.GROUND_DISTANCES, true))) {
            Worked worked = Tool.POLAR.work(
                    new Givens(given, new Givens.Sources(seen -> Optional.ofNullable(points.get(seen.name())), id -> List.of(),
                    Optional.empty(), 1e-3), scales));
            assertThat(worked.points().get(0).position().plan().distanceMetres(points.get(to.name()).plan())).isLessThan(1e-8);
            assertThat(worked.points().get(0).position().elevation()).isEqualTo(points.get(to.name()).elevation());
        }
    }

    /** Nothing that lacks something, and nothing odd, ends otherwise than in words. */
    @Test
    void oddInputIsRefusedInWords() {
        List<Given> odd = List.of(new Given.Spot(place("0 0")), new Given.Amount(0), new Given.Amount(-1), new Given.Amount(1e9),
                new Given.Amount(1e300), new Given.Word("left"), new Given.Points(List.of()), new Given.Numbers(List.of(1.0)),
                new Given.Points(IntStream.range(0, 5).mapToObj(i -> (Given) new Given.Spot(place("0 0"))).toList()),
                new Given.Points(Stream.of("0 0", "1e7 0", "0 1e7").map(p -> (Given) new Given.Spot(place(p))).toList()));
        Random chance = new Random(8);
        for (Tool tool : Tool.values()) {
            for (int round = 0; round < 200; round++) {
                Map<String, Given> given = new HashMap<>();
                for (Slot slot : tool.slots()) {
                    List<Given> fits = round % 4 == 0 ? odd : odd.stream().filter(g -> switch (slot.kind()) {
                        case POINT -> g instanceof Given.Spot;
                        case POINTS, LINE -> g instanceof Given.Points;
                        case WORD, DEED, NUMBERS -> false;
                        default -> g instanceof Given.Amount;
                    }).toList();
                    if (!fits.isEmpty() && chance.nextInt(4) > 0) {
                        given.put(slot.id(), fits.get(chance.nextInt(fits.size())));
                    }
                }
                try {
                    Worked worked = tool.work(new Givens(given, Givens.Sources.NONE, Scales.plain()));
                    assertThat(worked.points()).allSatisfy(p -> assertThat(p.position().plan().northing()).isFinite());
                } catch (SurveyException words) {
                    assertThat(words.problem()).isNotNull();
                }
            }
        }
        assertThat(Tool.named("POLAR")).contains(Tool.POLAR);
    }
}
