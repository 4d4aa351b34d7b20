package verge.core.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.Pointing;
import verge.core.units.Angle;
import verge.core.units.Length;

class MeanSightTest {
    private static Pointing pointing(double hzDegrees, double hzSeconds, double vDegrees, double vSeconds, double metres) {
        return new Pointing(Angle.ofDegrees(hzDegrees).plus(Angle.ofArcSeconds(hzSeconds)).wholeCircle(),
                Angle.ofDegrees(vDegrees).plus(Angle.ofArcSeconds(vSeconds)),
                metres > 0 ? Optional.of(new Length(metres)) : Optional.empty(), "");
    }

    /** Directions about zero and the half turn: means must not land opposite. */
    @ParameterizedTest
    @ValueSource(doubles = {0, 359.9999, 180, 179.9999, 90})
    void bothFacesMeetInTheMiddle(double degrees) {
        MeanSight mean = MeanSight.of(List.of(pointing(degrees, 6, 88, 4, 50.002), pointing(degrees + 180, -2, 272, 6, 50.004)),
                InstrumentErrors.NONE);
        assertThat(mean.direction().minus(Angle.ofDegrees(degrees)).halfCircle().arcSeconds()).isCloseTo(2, within(1e-4));
        assertThat(mean.zenith().arcSeconds()).isCloseTo(88 * 3600 - 1, within(1e-4));
        assertThat(mean.slope().orElseThrow().metres()).isCloseTo(50.003, within(1e-12));
        MeanSight.FaceDifference faces = mean.faces().orElseThrow();
        assertThat(faces.direction().arcSeconds()).isCloseTo(8, within(1e-4));
        assertThat(faces.zenith().arcSeconds()).isCloseTo(10, within(1e-4));
        assertThat(faces.distance().orElseThrow().metres()).isCloseTo(-0.002, within(1e-12));
    }

    /** Three in one face and one in the other: each face counts as one, so that the axes' errors still drop out. */
    @Test
    void facesAreWeighedAlike() {
        MeanSight mean = MeanSight.of(List.of(pointing(10, 12, 90, 0, 0), pointing(10, 12, 90, 0, 0), pointing(10, 12, 90, 0, 0),
                pointing(190, -12, 270, 0, 60)), InstrumentErrors.NONE);
        assertThat(mean.direction().minus(Angle.ofDegrees(10)).arcSeconds()).isCloseTo(0, within(1e-6));
        assertThat(mean.pointings()).isEqualTo(4);
        assertThat(mean.distances()).isEqualTo(1);
        assertThat(mean.shot()).isPresent();
    }

    @Test
    void oneFaceIsFreedOfWhatIsKnownOfTheAxes() {
        InstrumentErrors errors = new InstrumentErrors(Angle.ofArcSeconds(9), Angle.ZERO, Angle.ofArcSeconds(-4));
        MeanSight mean = MeanSight.of(List.of(pointing(10, 9, 90, -4, 0)), errors);
        assertThat(mean.direction().minus(Angle.ofDegrees(10)).arcSeconds()).isCloseTo(0, within(1e-6));
        assertThat(mean.zenith().arcSeconds()).isCloseTo(90 * 3600, within(1e-6));
        assertThat(mean.faces()).isEmpty();
        assertThat(mean.shot()).isEmpty();
        assertThatIllegalArgumentException().isThrownBy(() -> MeanSight.of(List.of(), errors));
    }

    @ParameterizedTest
    @CsvSource({"4, 1, 0, 2, 1, 0", "1, 4, 0, 2, 1, 90", "2.5, 2.5, 1.5, 2, 1, 45", "2.5, 2.5, -1.5, 2, 1, 135", "1, 1, 0, 1, 1, 0"})
    void anErrorEllipseHasItsAxesWhereTheVariancesAreLargestAndLeast(double north, double east, double both, double longer, double shorter,
            double azimuth) {
        ErrorEllipse e = ErrorEllipse.of(north, east, both);
        assertThat(e.longer().metres()).isCloseTo(longer, within(1e-12));
        assertThat(e.shorter().metres()).isCloseTo(shorter, within(1e-12));
        assertThat(e.azimuth().degrees()).isCloseTo(azimuth, within(1e-9));
    }
}
