package verge.core.cogo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static verge.core.cogo.Asked.E0;
import static verge.core.cogo.Asked.N0;
import static verge.core.cogo.Asked.ask;
import static verge.core.cogo.Asked.figure;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Geoid;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Heights;
import verge.core.geodesy.Position;
import verge.core.geodesy.ProjectedPlane;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.SystemText;
import verge.core.units.AngleUnit;
import verge.core.units.LengthUnit;

/**
 * Far from the central meridian the scale of a line of kilometres is not that of its begin: what was told comes back to a hundredth of a
 * millimetre. Lengths along lines are held against the sum of what each metre of them is on the ground.
 */
class ScalesTest {
    private static final ProjectedPlane PLANE =
            new ProjectedPlane(SystemText.projection(
            (CoordinateSystem.Projected) SystemText.read("+proj=utm +zone=32 +ellps=GRS80 +units=m")),
            new Heights(Optional.of(Geoid.constant(40)), Optional.empty(), Optional.empty()));
    private static final Scales SCALES = new Scales(PLANE, GroundUse.GROUND_DISTANCES, true);
    private static final Optional<Elevation> LEVEL = Optional.of(new Elevation(10));

    private static Given.Spot spot(double north, double east) {
        return new Given.Spot(new Position(new GridPoint(N0 + north, E0 + 150_000 + east), LEVEL));
    }

    private static final Given.Points BENT = new Given.Points(List.of(spot(0, 0), spot(500, 2_500), spot(-1_000, 4_000)));

    /** Simpson's rule over short steps of the scale at each place. */
    private static double onGround(Position from, GridPoint to) {
        int steps = 400;
        double north = to.northing() - from.plan().northing();
        double east = to.easting() - from.plan().easting();
        double sum = 0;
        for (int i = 0; i <= steps; i++) {
            GridPoint at = from.plan().plus(north * i / steps, east * i / steps);
            sum += (i == 0 || i == steps ? 1 : i % 2 == 1 ? 4 : 2) / PLANE.gridPerGround(at.plus(-north / steps, -east / steps),
                    at.plus(north / steps, east / steps), LEVEL);
        }
        return sum / steps / 3 * Math.hypot(north, east);
    }

    private static double told(Position place) {
        Position begin = ((Given.Spot) BENT.each().get(0)).position();
        Position bend = ((Given.Spot) BENT.each().get(1)).position();
        boolean first = place.plan().easting() <= bend.plan().easting();
        return first ? onGround(begin, place.plan()) : onGround(begin, bend.plan()) + onGround(bend, place.plan());
    }

    @Test
    void groundDistancesHaveTheScaleOfTheirLine() {
        Position a = Position.of(N0, E0 + 150_000, 10);
        Position b = Position.of(N0 + 4_000, E0 + 153_000, 400);
        GridPoint p = new GridPoint(N0 - 1_500, E0 + 154_000);
        Asked asked = ask(Tool.DISTANCES).amount("distanceA", SCALES.told(a.plan(), p, a.elevation()).ground().metres())
                .amount("distanceB", SCALES.told(b.plan(), p, b.elevation()).ground().metres());
        asked.put("a", new Given.Spot(a));
        asked.put("b", new Given.Spot(b));
        assertThat(asked.work(SCALES).points()).anySatisfy(made -> assertThat(made.position().plan().distanceMetres(p)).isLessThan(1e-5));
    }

    @ParameterizedTest
    @CsvSource({"0, 0", "1200, 0", "1200.5, -800", "2549, 0.2", "4000, 250", "-300, 10", "9000, -10"})
    void whatIsLaidOffAlongALineIsReadOffAgain(double along, double right) {
        Worked made = ask(Tool.OFFSET).put("line", BENT).amount("along", along).amount("right", right).work(SCALES);
        Position foot = made.points().get(1).position();
        Position point = made.points().get(0).position();
        if (along >= 0 && along < 4_500) {
            assertThat(told(foot)).isCloseTo(along, within(1e-5));
        }
        assertThat(onGround(foot, point.plan())).isCloseTo(Math.abs(right), within(1e-5));
        Worked read = ask(Tool.BESIDE).put("line", BENT).put("points", new Given.Points(List.of(new Given.Spot(point)))).work(SCALES);
        assertThat(figure(read, "station", Quantity.Distance.class).ground().metres()).isCloseTo(along, within(1e-5));
        assertThat(figure(read, "offset", Quantity.Aside.class).off().metres()).isCloseTo(Math.abs(right), within(1e-5));
    }

    @Test
    void pointsAlongALineAreAsFarApartOnTheGroundAsIsSaid() {
        Worked along = ask(Tool.ALONG).put("line", BENT).amount("interval", 700).work(SCALES);
        assertThat(along.points()).hasSize(7);
        for (int i = 0; i < 7; i++) {
            assertThat(told(along.points().get(i).position())).as("station " + i).isCloseTo(700.0 * i, within(1e-5));
        }
        double whole = told(((Given.Spot) BENT.each().get(2)).position());
        assertThat(figure(along, "length", Quantity.Plain.class).length().metres()).isCloseTo(whole, within(1e-5));
        assertThat(figure(along, "rest", Quantity.Plain.class).length().metres()).isCloseTo(whole - 4_200, within(1e-5));
    }

    @Test
    void differencesOfCoordinatesAndLegsOfADeedHaveTheScaleOfTheirOwnLine() {
        Position from = ((Given.Spot) BENT.each().get(0)).position();
        Position made = ask(Tool.RECTANGULAR).at("from", "0 0").put("from", BENT.each().get(0)).amount("north", 3_000).amount("east", 4_000)
                .work(SCALES).points().get(0).position();
        assertThat(onGround(from, made.plan())).isCloseTo(5_000, within(1e-5));
        Worked deed = ask(Tool.DEED).put("begin", BENT.each().get(0))
                .put("legs", new Given.Legs(DeedText.parse("90 2000\n0 1500\n270 2000", LengthUnit.METRE, AngleUnit.DEGREES))).work(SCALES);
        Position at = from;
        for (Worked.Made corner : deed.points()) {
            assertThat(onGround(new Position(at.plan(), LEVEL), corner.position().plan()))
                    .isCloseTo(corner.of().equals("2") ? 1_500 : 2_000, within(1e-5));
            at = corner.position();
        }
        assertThat(figure(deed, "length", Quantity.Plain.class).length().metres()).isCloseTo(5_500, within(1e-9));
    }

    /** A strip of a kilometre, held against the sum of its narrow parts. */
    @Test
    void theScaleOfAnAreaIsThatOfItsMiddle() {
        Worked area = ask(Tool.AREA).put("ring", new Given.Points(List.of(spot(0, 0), spot(0, 1_000), spot(100, 1_000), spot(100, 0))))
                .work(SCALES);
        double sum = 0;
        for (int i = 0; i < 100; i++) {
            GridPoint at = spot(50, 10 * i + 5).position().plan();
            sum += 10 * 100 / Math.pow(PLANE.gridPerGround(at, at, LEVEL), 2);
        }
        assertThat(figure(area, "area", Quantity.Area.class).ground()).isCloseTo(sum, within(1e-8 * sum));
        assertThat(figure(area, "perimeter", Quantity.Distance.class).ground().metres()).isCloseTo(
                onGround(spot(0, 0).position(), spot(0, 1_000).position().plan())
                + onGround(spot(100, 0).position(), spot(100, 1_000).position().plan())
                        + onGround(spot(0, 0).position(), spot(100, 0).position().plan())
                        + onGround(spot(0, 1_000).position(), spot(100, 1_000).position().plan()), within(1e-5));
    }
}
