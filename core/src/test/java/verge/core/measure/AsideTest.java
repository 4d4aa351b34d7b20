package verge.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.Position;
import verge.core.setup.Occupation;
import verge.core.units.Length;

/** Beside the prism as one sees it from the instrument, in the grid. */
class AsideTest {
    private static final double GRID = 0.9996;
    private static final Occupation HERE = new Occupation(Position.of(6_314_490, 649_010, 5), new Length(1.5), 1, null, new FlatSite(GRID));

    /** The prism stands in each of four directions and aslant; the point by hand. */
    @ParameterizedTest
    @CsvSource({"40, 0, 0.3, 0, 40, 0.3", "40, 0, -0.3, 0, 40, -0.3", "0, 40, 0.3, 0, -0.3, 40", "-40, 0, 0.3, 0, -40, -0.3",
            "0, -40, 0.3, 0, 0.3, -40", "40, 0, 0, 0.5, 40.5, 0", "0, 40, 0, -0.5, 0, 39.5", "30, 40, 0.5, 1, 30.2, 41.1"})
    void rightIsRightAndFartherIsFarther(double north, double east, double right, double farther, double thereNorth, double thereEast) {
        Position foot = Position.of(6_314_490 + GRID * north, 649_010 + GRID * east, 6);
        Position there = new Aside(new Length(right), new Length(farther), new Length(-0.2)).from(HERE, foot);
        assertThat(there.plan().northing() - 6_314_490).isCloseTo(GRID * thereNorth, within(1e-8));
        assertThat(there.plan().easting() - 649_010).isCloseTo(GRID * thereEast, within(1e-8));
        assertThat(there.elevation().orElseThrow().metres()).isCloseTo(5.8, within(1e-12));
    }

    @Test
    void overTheStationItselfThereIsNoSightAndNoHeightStaysNone() {
        Aside aside = new Aside(new Length(1), new Length(1), new Length(1));
        assertThat(aside.from(HERE, HERE.station()).plan()).isEqualTo(HERE.station().plan());
        assertThat(aside.from(HERE, Position.ofPlan(6_314_500, 649_010)).elevation()).isEqualTo(Optional.empty());
    }
}
