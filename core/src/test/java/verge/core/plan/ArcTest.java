package verge.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.GridPoint;

class ArcTest {
    /** A quarter, a half and three quarters of a circle between (0, 0) and (0, 10) east: radius 10/√2, 5, 10/√2. */
    @ParameterizedTest
    @CsvSource({"0.41421356237309503, 7.0710678118654755, 1.5707963267948966, 5", "1, 5, 3.141592653589793, 0",
            "2.414213562373095, 7.0710678118654755, 4.71238898038469, -5",
        "-0.41421356237309503, 7.0710678118654755, -1.5707963267948966, -5"})
    void bulgesAreCircles(double bulge, double radius, double sweep, double centreNorth) {
        Arc arc = Arc.ofBulge(new GridPoint(0, 0), new GridPoint(0, 10), bulge).orElseThrow();
        assertThat(arc.radius()).isCloseTo(radius, within(1e-12));
        assertThat(arc.sweep()).isCloseTo(sweep, within(1e-12));
        assertThat(arc.centreNorth()).isCloseTo(centreNorth, within(1e-12));
        assertThat(arc.centreEast()).isCloseTo(5, within(1e-12));
    }

    /** Positive turns left: going east, the arc lies to the south, and its middle is the chord's middle less the sagitta. */
    @Test
    void positiveTurnsLeft() {
        Arc arc = Arc.ofBulge(new GridPoint(0, 0), new GridPoint(0, 10), 0.5).orElseThrow();
        Vertices.Builder middle = new Vertices.Builder();
        arc.add(middle, 0.5, 3);
        assertThat(middle.build().north(0)).isCloseTo(-2.5, within(1e-12));
        assertThat(middle.build().height(0)).hasValue(3);
    }

    @Test
    void straightAndEmptyPiecesHaveNone() {
        assertThat(Arc.ofBulge(new GridPoint(0, 0), new GridPoint(0, 10), 0)).isEmpty();
        assertThat(Arc.ofBulge(new GridPoint(3, 3), new GridPoint(3, 3), 1)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"0.001, 100", "10, 8", "0.5, 10"})
    void finerChordsAreMore(double sagitta, int least) {
        Arc circle = new Arc(0, 0, 10, 0, 2 * Math.PI);
        assertThat(circle.chords(sagitta, 4096)).isBetween(least - 3, least * 3);
        assertThat(circle.chords(1e-12, 500)).isEqualTo(500);
    }
}
