package verge.core.stakeout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.points.AsStaked;
import verge.core.units.Angle;
import verge.core.units.Length;

class GuidanceTest {
    private static final Position DESIGN = Position.of(6_314_400, 649_000, 1.850);

    /** The pole stands 3 south and 4 west of the design; told along each axis. */
    @ParameterizedTest
    @CsvSource({"0, 3, 4", "90, 4, -3", "180, -3, -4", "270, -4, 3", "360, 3, 4"})
    void forwardAndRightAreTheFacersOwn(double facing, double forward, double right) {
        Guidance g = Guidance.towards(DESIGN, Position.of(6_314_397, 648_996, 1.850), new Facing.Along(Angle.ofDegrees(facing)),
                Tolerance.USUAL);
        assertThat(g.forward().metres()).isCloseTo(forward, within(1e-9));
        assertThat(g.right().metres()).isCloseTo(right, within(1e-9));
        assertThat(g.distance().metres()).isCloseTo(5, within(1e-9));
    }

    @Test
    void facingThePointItselfLeavesOnlyForward() {
        Random random = new Random(3);
        for (int i = 0; i < 100; i++) {
            Position here = Position.of(6_314_400 + random.nextGaussian() * 30, 649_000 + random.nextGaussian() * 30, 2);
            Guidance g = Guidance.towards(DESIGN, here, new Facing.Towards(DESIGN.plan()), Tolerance.USUAL);
            assertThat(g.forward().metres()).isCloseTo(g.distance().metres(), within(1e-8));
            assertThat(g.right().metres()).isCloseTo(0, within(1e-8));
        }
    }

    @Test
    void groundAboveDesignIsCut() {
        assertThat(at(0, 0, 2.095).cut().orElseThrow().metres()).isCloseTo(0.245, within(1e-12));
        assertThat(at(0, 0, 1.750).cut().orElseThrow().metres()).isCloseTo(-0.100, within(1e-12));
    }

    @ParameterizedTest
    @CsvSource({"0.010, 1.860, true, true", "0.026, 1.860, false, true", "0.010, 1.871, true, false", "0.010, 1.829, true, false",
            "0.5, 3, false, false"})
    void doneMeansEveryLimitInForce(double off, double height, boolean plan, boolean level) {
        Guidance g = at(off, 0, height);
        assertThat(g.planWithin()).isEqualTo(plan);
        assertThat(g.heightWithin()).isEqualTo(level);
        assertThat(g.done()).isEqualTo(plan && level);
    }

    @Test
    void aDesignWithoutHeightAsksForNoneButAPoleWithoutHeightCannotMeetOne() {
        Position flat = Position.ofPlan(6_314_400, 649_000);
        Facing north = new Facing.Along(Angle.ZERO);
        assertThat(Guidance.towards(flat, DESIGN, north, Tolerance.USUAL).done()).isTrue();
        assertThat(Guidance.towards(DESIGN, flat, north, Tolerance.USUAL).done()).isFalse();
    }

    @Test
    void standingOnThePointThereIsNothingToGo() {
        Guidance g = Guidance.towards(DESIGN, DESIGN, new Facing.Towards(DESIGN.plan()), Tolerance.USUAL);
        assertThat(g.distance().metres()).isZero();
        assertThat(g.azimuth()).isEmpty();
        assertThat(g.faced()).isFalse();
        assertThat(g.done()).isTrue();
    }

    @Test
    void theStakesDifferenceIsStakedMinusDesign() {
        AsStaked off = AsStaked.of(DESIGN, Position.of(6_314_400.004, 648_999.994, 1.861));
        assertThat(off.north().metres()).isCloseTo(0.004, within(1e-9));
        assertThat(off.east().metres()).isCloseTo(-0.006, within(1e-9));
        assertThat(off.up().orElseThrow().metres()).isCloseTo(0.011, within(1e-12));
        assertThat(AsStaked.of(DESIGN, Position.ofPlan(6_314_400, 649_000)).up()).isEmpty();
    }

    private static Guidance at(double north, double east, double height) {
        GridPoint plan = DESIGN.plan().plus(north, east);
        return Guidance.towards(DESIGN, Position.of(plan.northing(), plan.easting(), height), new Facing.Along(Angle.ZERO),
                new Tolerance(new Length(0.025), new Length(0.020)));
    }
}
