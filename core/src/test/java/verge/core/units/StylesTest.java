package verge.core.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Everything a job may choose of how its figures look. */
class StylesTest {
    private static final double FOOT = 0.3048;

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "12.541666666666666 | 16 | 12\u20326 1/2\u2033", "11.9999 | 16 | 12\u20320\u2033", "-0.0001 | 64 | 0\u20320\u2033",
                "-1.5 | 8 | \u22121\u20326\u2033",
        "0.0013020833 | 64 | 0\u20320 1/64\u2033", "5.99869 | 64 | 5\u203211 63/64\u2033", "5.9999 | 64 | 6\u20320\u2033",
        "7.03 | 4 | 7\u20320 1/4\u2033",
        "7.04 | 1 | 7\u20320\u2033"})
    void showsFeetAndInchesAndCarriesTheTwelfthInch(double feet, int parts, String shown) {
        assertThat(new LengthStyle(LengthUnit.INTERNATIONAL_FOOT, 3, parts).bare(new Length(feet * FOOT))).isEqualTo(shown);
    }

    @Test
    void feetAndInchesReadBackToWhatIsPrintedInEitherFoot() {
        Random random = new Random(11);
        for (LengthUnit unit : new LengthUnit[] {LengthUnit.INTERNATIONAL_FOOT, LengthUnit.US_SURVEY_FOOT}) {
            LengthStyle style = new LengthStyle(unit, 3, 64);
            for (int i = 0; i < 300; i++) {
                String shown = style.length(new Length((random.nextDouble() - 0.5) * 4000));
                assertThat(style.length(LengthText.parse(shown, LengthUnit.METRE))).isEqualTo(shown);
            }
        }
        assertThat(new LengthStyle(LengthUnit.US_SURVEY_FOOT, 3, 2).length(Length.of(1.5, LengthUnit.US_SURVEY_FOOT)))
                .isEqualTo("1\u20326\u2033 US");
        assertThat(new LengthStyle(LengthUnit.US_SURVEY_FOOT, 3, 2).difference(Length.of(1.5, LengthUnit.US_SURVEY_FOOT)))
                .isEqualTo("+1\u20326\u2033 US");
    }

    @ParameterizedTest
    @ValueSource(ints = {-1, 3, 128})
    void partsOfAnInchArePowersOfTwo(int parts) {
        assertThatIllegalArgumentException().isThrownBy(() -> new LengthStyle(LengthUnit.INTERNATIONAL_FOOT, 3, parts));
        assertThatIllegalArgumentException().isThrownBy(() -> new LengthStyle(LengthUnit.METRE, 3, 16));
    }

    @ParameterizedTest
    @CsvSource({"DECIMAL_DEGREES, 5, 359.9999999, 0.00000°", "DECIMAL_DEGREES, 4, 12.58222, 12.5822°", "MIL, 2, 90, 1600.00 mil",
            "MIL, 1, 359.999999, 0.0 mil",
        "GON, 4, 45, 50.0000 gon", "DEGREES, 0, 45.5, 45°30′00″"})
    void directionsInEveryUnitWrapAtTheTurn(AngleUnit unit, int decimals, double degrees, String shown) {
        assertThat(new AngleStyle(unit, DirectionStyle.AZIMUTH, decimals).direction(Angle.ofDegrees(degrees))).isEqualTo(shown);
    }

    @ParameterizedTest
    @EnumSource(AngleUnit.class)
    void anglesReadBackInTheirUnit(AngleUnit unit) {
        AngleStyle style = new AngleStyle(unit, DirectionStyle.QUADRANT, unit.usualDecimals());
        Random random = new Random(3);
        for (int i = 0; i < 300; i++) {
            String shown = style.direction(new Angle(random.nextDouble() * 6.28));
            assertThat(style.direction(AngleText.parse(shown, unit))).isEqualTo(shown);
        }
    }

    @ParameterizedTest
    @CsvSource({"PERCENT, 0.0512, +5.12 %", "PER_MILLE, -0.0512, −51.20 ‰", "RISE_TO_RUN, 0.05, +1 : 20.00", "RUN_TO_RISE, -0.5, −2.00 : 1",
            "RUN_TO_RISE, 0, level",
        "ANGLE, 1, 45°00′00″"})
    void tellsGrades(GradeStyle style, double riseOverRun, String shown) {
        assertThat(style.figure(riseOverRun, 2, new AngleStyle(AngleUnit.DEGREES, DirectionStyle.AZIMUTH, 0))).isEqualTo(shown);
    }

    @ParameterizedTest
    @CsvSource({"THOUSANDS, 2350, 0, 2+350", "HUNDREDS, 2350, 2, 23+50.00", "PLAIN, 2350, 1, 2350.0", "THOUSANDS, 999.9999, 3, 1+000.000",
            "HUNDREDS, 99.996, 2, 1+00.00",
        "THOUSANDS, -12.5, 1, −0+012.5", "HUNDREDS, -0.001, 2, 0+00.00", "THOUSANDS, 0, 0, 0+000"})
    void writesStationsAlongALine(StationingStyle style, double amount, int decimals, String shown) {
        assertThat(style.show(amount, decimals)).isEqualTo(shown);
    }

    @Test
    void stationingFitsItsUnit() {
        assertThat(StationingStyle.THOUSANDS.fits(LengthUnit.METRE)).isTrue();
        assertThat(StationingStyle.HUNDREDS.fits(LengthUnit.METRE)).isFalse();
        assertThat(StationingStyle.usual(LengthUnit.US_SURVEY_FOOT)).isEqualTo(StationingStyle.HUNDREDS);
        assertThat(Figures.metric().station(new Length(420))).isEqualTo("0+420.000");
    }

    /** Exact definitions: NIST SP 811 and the acre of 43 560 square feet. */
    @ParameterizedTest
    @CsvSource({"METRE, HECTARE, 10000", "INTERNATIONAL_FOOT, ACRE, 4046.8564224", "US_SURVEY_FOOT, ACRE, 4046.872609874252",
            "METRE, ACRE, 4046.8564224",
        "US_SURVEY_FOOT, SQUARE, 0.09290341161327482"})
    void areas(LengthUnit unit, Sizes.Area area, double squareMetres) {
        assertThat(new Sizes(area, 3, Sizes.Volume.CUBIC, 1).squareMetresPerUnit(unit))
                .isCloseTo(squareMetres, within(1e-11 * squareMetres));
    }

    @ParameterizedTest
    @CsvSource({"INTERNATIONAL_FOOT, CUBIC_YARD, 0.764554857984", "INTERNATIONAL_FOOT, ACRE_FOOT, 1233.48183754752", "METRE, CUBIC, 1"})
    void volumes(LengthUnit unit, Sizes.Volume volume, double cubicMetres) {
        assertThat(new Sizes(Sizes.Area.SQUARE, 1, volume, 1).cubicMetresPerUnit(unit)).isCloseTo(cubicMetres, within(1e-12 * cubicMetres));
    }

    @Test
    void sizesFollowTheUnitOfLength() {
        assertThat(Figures.surveyFeet().area(4046.872609874252)).isEqualTo("1.000 acUS");
        assertThat(Figures.surveyFeet().volume(27 * Math.pow(1200.0 / 3937, 3))).isEqualTo("1.0 ydUS\u00b3");
        assertThat(Figures.metric().area(1234.56)).isEqualTo("1234.6 m\u00b2");
    }

    @Test
    void airInItsUnits() {
        Air us = new Air(TemperatureUnit.FAHRENHEIT, PressureUnit.INCH_OF_MERCURY);
        assertThat(us.temperature(20)).isEqualTo("68.0 \u00b0F");
        assertThat(us.pressure(1013.25)).isEqualTo("29.92 inHg");
        assertThat(PressureUnit.MILLIMETRE_OF_MERCURY.toHectopascals(760)).isCloseTo(1013.25014435, within(1e-8));   // NIST SP 811
        assertThat(TemperatureUnit.FAHRENHEIT.toCelsius(-40)).isEqualTo(-40);
        assertThat(us.temperatureTyped(-0.001)).isEqualTo("32.0");
    }

    @ParameterizedTest
    @CsvSource({"56 57 04.5 N, 56.95125", "N 56°57′04.5″, 56.95125", "-33.918, -33.918", "'33,918 S', -33.918", "90, 90", "0 S, 0"})
    void readsLatitudes(String typed, double degrees) {
        assertThat(LatLonText.latitude(typed).degrees()).isCloseTo(degrees, within(1e-12));
    }

    @ParameterizedTest
    @ValueSource(strings = {"56 57 E", "-33 S", "91", "north", "N", "56 60 00"})
    void refusesWhatIsNoLatitude(String typed) {
        assertThatThrownBy(() -> LatLonText.latitude(typed))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem())
                .isEqualTo(typed.matches("\\d+(\\.\\d+)?") ? Problem.OUT_OF_RANGE : Problem.NOT_AN_ANGLE));
    }

    @Test
    void longitudesReachTheDateLineAndNoFurther() {
        assertThat(LatLonText.longitude("180 W").degrees()).isEqualTo(-180);
        assertThatThrownBy(() -> LatLonText.longitude("180.1")).isInstanceOfSatisfying(SurveyException.class,
                e -> assertThat(e.problem()).isEqualTo(Problem.OUT_OF_RANGE));
        LatLonStyle style = new LatLonStyle(LatLonStyle.Form.DECIMAL, 6);
        assertThat(style.longitude(Angle.ofDegrees(-11.45))).isEqualTo("11.450000° W");
        assertThat(LatLonStyle.sexagesimal().latitude(Angle.ofDegrees(59.99999999999))).isEqualTo("60°00′00.00000″ N");
    }
}
