package verge.app.ground;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.CombinedFactor;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.GroundFactor;
import verge.core.settings.JobSettings;
import verge.core.units.Figures;

/** Which way a factor goes is said, not left to a figure above or below one. */
class FactorViewTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"1.0001476 | Ground is longer by 147.6 mm a kilometre: multiply grid by 1.000\u202f147\u202f60.",
        "0.9998 | Ground is shorter by 200.0 mm a kilometre: multiply grid by 0.999\u202f800\u202f00.",
                "1.000000001 | Ground and grid are the same."})
    void directionInWords(double factor, String words) {
        assertThat(FactorView.direction(factor)).isEqualTo(words);
    }

    @Test
    void partsStandApartAndTheUncertaintyIsTold() {
        CombinedFactor parts = new CombinedFactor(0.99987229, 0.99999301);
        GroundFactor f = new GroundFactor(parts.groundPerGrid(), new GridPoint(1, 2), GroundFactor.Taken.POSITION, Optional.of(parts),
                OptionalDouble.of(1.5e-6), "no fix");
        FactorView view = FactorView.of(f, true, JobSettings.flat(Figures.metric(), 1));
        assertThat(view.pointScale()).isEqualTo("0.999\u202f872\u202f29");
        assertThat(view.elevationFactor()).isEqualTo("0.999\u202f993\u202f01");
        assertThat(view.combined()).isEqualTo("0.999\u202f865\u202f30");
        assertThat(view.sigma()).isEqualTo("1.50 mm a kilometre");
        assertThat(view.reference()).isEqualTo("N 1.000  E 2.000");
        assertThat(view.poor()).isTrue();
        assertThat(view.taken()).isEqualTo("from a position");
    }

    @ParameterizedTest
    @CsvSource({"TYPED, typed", "POINT, from one point", "POINTS, mean of points", "LINE_ENDS, 'along a line, mean of its ends'",
        "LINE_SIMPSON, 'along a line, ends and middle (Simpson)'"})
    void aTypedFactorHasNoParts(GroundFactor.Taken taken, String words) {
        FactorView view = FactorView.of(new GroundFactor(1.0001, new GridPoint(1, 2), taken, Optional.empty(), OptionalDouble.empty(), ""),
                false,
                JobSettings.flat(Figures.metric(), 1));
        assertThat(view.taken()).isEqualTo(words);
        assertThat(view.pointScale()).isEmpty();
        assertThat(view.sigma()).isEmpty();
    }
}
