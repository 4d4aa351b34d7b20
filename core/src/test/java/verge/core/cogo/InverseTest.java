package verge.core.cogo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.GridInverse;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Position;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

class InverseTest {
    private static final double NORTH = 6_314_490;
    private static final double EAST = 649_010;

    /** Pythagorean triples and axes: figures that need no computer. */
    @ParameterizedTest
    @CsvSource({"3, 4, 5, 53.13010235415598", "-3, 4, 5, 126.86989764584402", "-3, -4, 5, 233.13010235415598",
            "3, -4, 5, 306.86989764584402",
        "10, 0, 10, 0", "0, 10, 10, 90", "-10, 0, 10, 180", "0, -10, 10, 270", "5, 12, 13, 67.38013505195957"})
    void azimuthAndDistanceInEveryQuadrant(double north, double east, double distance, double degrees) {
        GridInverse.Result r = GridInverse.between(new GridPoint(NORTH, EAST), new GridPoint(NORTH + north, EAST + east));
        assertThat(r.distance().metres()).isCloseTo(distance, within(1e-9));
        assertThat(r.azimuth().sin()).isCloseTo(Math.sin(Math.toRadians(degrees)), within(1e-9));
        assertThat(r.azimuth().cos()).isCloseTo(Math.cos(Math.toRadians(degrees)), within(1e-9));
        assertThat(r.azimuth().radians()).isBetween(0.0, 2 * Math.PI);
    }

    @Test
    void onePlaceHasNoDirection() {
        assertThatThrownBy(() -> GridInverse.between(new GridPoint(NORTH, EAST), new GridPoint(NORTH, EAST)))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.COINCIDENT_POINTS));
    }

    @Test
    void groundIsGridOverScaleAndSlopeIsOnTheGround() {
        SiteInverse.Result r = SiteInverse.between(Position.of(NORTH, EAST, 10), Position.of(NORTH + 299.9616, EAST + 399.9488, 10 + 500),
                new FlatSite(0.999872), GroundUse.GRID);
        assertThat(r.grid().metres()).isCloseTo(499.936, within(1e-9));
        assertThat(r.ground().metres()).isCloseTo(500, within(1e-9));
        SiteInverse.InSpace space = r.inSpace().orElseThrow();
        assertThat(space.slope().metres()).isCloseTo(500 * Math.sqrt(2), within(1e-9));
        assertThat(space.grade()).isCloseTo(1, within(1e-9));
        assertThat(space.rise().metres()).isEqualTo(500);
    }

    @Test
    void aMissingElevationIsNotZero() {
        assertThat(SiteInverse.between(Position.of(NORTH, EAST, 10), Position.ofPlan(NORTH + 1, EAST), new FlatSite(1), GroundUse.GRID)
                .inSpace()).isEmpty();
    }
}
