package verge.core.units;

import static org.assertj.core.api.Assertions.assertThat;
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

/** Figures as they are typed and shown. */
class TextTest {
    private static final double FOOT = 0.3048;
    private static final double SURVEY_FOOT = 1200.0 / 3937.0;

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "1.600 | METRE | 1.6", "1,6 | METRE | 1.6", "+1.6 m | US_SURVEY_FOOT | 1.6", "-12 mm | METRE | -0.012",
                "\u221212.0mm | METRE | -0.012",
        "35 cm | METRE | 0.35", "12.5 ft | METRE | 3.81", ".5 | METRE | 0.5", "5. | METRE | 5", "  7  | METRE | 7",
        "12'6 1/2\" | METRE | 3.8227", "12'6\" | INTERNATIONAL_FOOT | 3.81", "6 1/2\" | METRE | 0.1651", "-1'6\" | METRE | -0.4572",
        "12\u203206\u2033 | METRE | 3.81", "1' | METRE | 0.3048", "3/4\" | METRE | 0.01905", "100 in | METRE | 2.54",
        "12' 6-1/2\" | METRE | 3.8227", "12ft 6in | METRE | 3.81", "12 ft 6 1/2 in | METRE | 3.8227", "12.5' | METRE | 3.81",
        "-12'-6\" | METRE | -3.81", "12 feet | METRE | 3.6576",
        "7 inches | METRE | 0.1778", "12'6'' | METRE | 3.81", "1-1/2 in | METRE | 0.0381"})
    void readsLengthsAsSurveyorsTypeThem(String typed, LengthUnit unit, double metres) {
        assertThat(LengthText.parse(typed, unit).metres()).isCloseTo(metres, within(1e-12));
    }

    @Test
    void footMeansTheJobsFoot() {
        assertThat(LengthText.parse("1000 ft", LengthUnit.US_SURVEY_FOOT).metres()).isEqualTo(1000 * SURVEY_FOOT);
        assertThat(LengthText.parse("1000 ft", LengthUnit.METRE).metres()).isEqualTo(1000 * FOOT);
        assertThat(LengthText.parse("1000 ftUS", LengthUnit.METRE).metres()).isEqualTo(1000 * SURVEY_FOOT);
        assertThat(LengthText.parse("1'0\"", LengthUnit.US_SURVEY_FOOT).metres()).isEqualTo(SURVEY_FOOT);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", " ", "abc", "1.2.3", "1,234.5", "1e5", "NaN", "Infinity", "12 furlongs", "'", "\"", "1/0\"", "12.5'6\"",
            "12'13\"", "1e3 m", "12ft6m", "--5", "1 2", "0x10"})
    void whatIsNoLengthIsRefusedWithWhatWasTyped(String typed) {
        assertThatThrownBy(() -> LengthText.parse(typed, LengthUnit.METRE)).isInstanceOfSatisfying(SurveyException.class,
                e -> assertThat(e.arguments()).containsExactly(typed));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "45 30 15 | DEGREES | 45.504166666666667", "45\u00b030'15\" | DEGREES | 45.504166666666667",
                "45\u00b030\u203215.5\u2033 | DEGREES | 45.50430555555556",
        "45-30-15 | DEGREES | 45.504166666666667", "45 30 | DEGREES | 45.5", "-0 30 00 | DEGREES | -0.5", "45.5042 | DEGREES | 45.5042",
        "50 | GON | 45", "50,5 g | DEGREES | 45.45", "100 gon | DEGREES | 90", "45\u00b0 | GON | 45",
        "N 45 30 15 E | DEGREES | 45.504166666666667", "S 10 00 00 E | DEGREES | 170", "s 10 w | DEGREES | 190",
        "N 45.5 W | DEGREES | 314.5",
        "N 0 00 00 W | DEGREES | 0", "S 90 E | DEGREES | 90",
        "S 100 gon W | DEGREES | 270", "N 1600 mil E | DEGREES | 90", "45d30m15s | DEGREES | 45.504166666666667",
        "45\u00b030'15'' | DEGREES | 45.504166666666667", "45D30'15\" | GON | 45.504166666666667",
        "45 30.25 | DEGREES | 45.504166666666667", "45.3015 dms | DEGREES | 45.504166666666667",
        "-45.30155 packed | GON | -45.50430555555556", "45.3015 | DEGREES | 45.3015", "N45d30m15sE | DEGREES | 45.504166666666667"})
    void readsAnglesAndBearings(String typed, AngleUnit unit, double degrees) {
        assertThat(AngleText.parse(typed, unit).degrees()).isCloseTo(degrees, within(1e-11));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "45 60 00", "45 00 60", "N 91 E", "N -5 E", "E 45 N", "north", "45 30 15 10", "N 45", "45.6015 dms",
            "45.3 dms", "45 30.5 15", "N 90 00 01 E", "N 100.0001 gon E", "45x30"})
    void whatIsNoAngleIsRefused(String typed) {
        assertThatThrownBy(() -> AngleText.parse(typed, AngleUnit.DEGREES))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.NOT_AN_ANGLE));
    }

    @ParameterizedTest
    @CsvSource({"29.999999999, 0, 30°00′00″", "359.99999999, 0, 0°00′00″", "359.99999, 1, 0°00′00.0″", "-0.00000001, 0, 0°00′00″",
        "0, 0, 0°00′00″", "59.9999999, 2, 60°00′00.00″", "12.582222222, 1, 12°34′56.0″", "-90, 0, 270°00′00″"})
    void roundsASexagesimalOnceAndCarries(double degrees, int decimals, String shown) {
        assertThat(AngleText.direction(Angle.ofDegrees(degrees), AngleUnit.DEGREES, decimals)).isEqualTo(shown);
    }

    @ParameterizedTest
    @CsvSource({"0, N 0°00′00″ E", "90, N 90°00′00″ E", "180, S 0°00′00″ E", "180.5, S 0°30′00″ W", "270, N 90°00′00″ W",
            "359.5, N 0°30′00″ W",
        "135.25, S 44°45′00″ E"})
    void tellsQuadrantBearingsOnTheRightSide(double degrees, String shown) {
        assertThat(AngleText.quadrant(Angle.ofDegrees(degrees), AngleUnit.DEGREES, 0)).isEqualTo(shown);
    }

    @Test
    void gonsWrapLikeDegrees() {
        assertThat(AngleText.direction(Angle.ofGons(399.99999), AngleUnit.GON, 4)).isEqualTo("0.0000 gon");
        assertThat(AngleText.direction(Angle.ofGons(123.45678), AngleUnit.GON, 4)).isEqualTo("123.4568 gon");
        assertThat(AngleText.signed(Angle.ofDegrees(-1.5), AngleUnit.DEGREES, 0)).isEqualTo("\u22121°30′00″");
    }

    @ParameterizedTest
    @EnumSource(LengthUnit.class)
    void whatIsPrintedReadsBackToThePrintedFigure(LengthUnit unit) {
        Random random = new Random(7);
        Figures figures = Figures.of(unit, AngleUnit.DEGREES, DirectionStyle.AZIMUTH, 4);
        for (int i = 0; i < 500; i++) {
            String shown = figures.length(new Length((random.nextDouble() - 0.5) * 1.3e7));
            assertThat(figures.length(LengthText.parse(shown, unit))).isEqualTo(shown);
            String direction = AngleText.direction(new Angle(random.nextDouble() * 7 - 0.4), AngleUnit.DEGREES, 1);
            assertThat(AngleText.direction(AngleText.parse(direction, AngleUnit.DEGREES), AngleUnit.DEGREES, 1)).isEqualTo(direction);
        }
    }

    /** Whatever a page shows can be typed back, in every unit and style. */
    @ParameterizedTest
    @EnumSource(AngleUnit.class)
    void whatIsShownOfAnglesReadsBack(AngleUnit unit) {
        Random random = new Random(9);
        for (int i = 0; i < 2000; i++) {
            Angle angle = i % 4 == 0 ? new Angle(i / 4 % 8 * Math.PI / 2) : new Angle(random.nextDouble() * 7 - 0.4);
            String bearing = AngleText.quadrant(angle, unit, unit.usualDecimals());
            assertThat(AngleText.quadrant(AngleText.parse(bearing, unit), unit, unit.usualDecimals())).isEqualTo(bearing);
            String signed = AngleText.signed(new Angle(angle.radians() - 3), unit, unit.usualDecimals());
            assertThat(AngleText.signed(AngleText.parse(signed, unit), unit, unit.usualDecimals())).isEqualTo(signed);
        }
    }

    @ParameterizedTest
    @CsvSource({"-0.0004, 3, 0.000", "0.0005, 3, 0.001", "-0.0005, 3, \u22120.001", "2.675, 2, 2.68", "1e7, 3, 10000000.000"})
    void showsNoNegativeZeroAndRoundsHalvesOutwards(double value, int decimals, String shown) {
        assertThat(Decimals.show(value, decimals)).isEqualTo(shown);
    }

    @Test
    void figuresFollowTheJob() {
        Figures feet = Figures.of(LengthUnit.US_SURVEY_FOOT, AngleUnit.DEGREES, DirectionStyle.QUADRANT, 2);
        assertThat(feet.length(new Length(1200.0 / 3937.0 * 100))).isEqualTo("100.00 ftUS");
        assertThat(feet.direction(Angle.ofDegrees(100))).isEqualTo("S 80°00′00″ E");
        assertThat(feet.small(new Length(0.0123))).isEqualTo("0.040 ftUS");
        assertThat(Figures.metric().small(new Length(-0.012))).isEqualTo("\u221212.0 mm");
        assertThat(Figures.metric().difference(new Length(0.0321))).isEqualTo("+0.032 m");
        assertThat(Figures.metric().difference(new Length(-0.0001))).isEqualTo("0.000 m");
        assertThat(Figures.metric().grade(-0.0849)).isEqualTo("\u22128.49 %");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"12.40+3.15 | 15.55", "12,40 + 3,15 | 15.55", "2*1.5 m - 500 mm | 2.5",
            "100/3 | 33.333333333333336", "10 - 2 - 3 | 5", "1 ft + 1 m | 1.3048", "12' 6-1/2\" | 3.8227", "2 * 12' 6-1/2\" + 1 | 8.6454",
        "-3 + 5 | 2", "1.5 \u2212 2 | -0.5", "3 \u00d7 2 | 6", "6 1/2\" | 0.1651"})
    void sumsAreReckonedAsTheyAreTyped(String typed, double metres) {
        assertThat(Sums.length(typed.replace("\\u2212", "\u2212"), LengthUnit.METRE).metres()).isCloseTo(metres, within(1e-12));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"90 - 12 30 | 77.5", "45-30-15 | 45.504166666666667", "N 45 E + 180 | 225", "2 * 30 15 | 60.5",
            "359 59 59 + 0 00 02 | 360.000277777777778"})
    void sumsOfAnglesToo(String typed, double degrees) {
        assertThat(Sums.angle(typed, AngleUnit.DEGREES).degrees()).isCloseTo(degrees, within(1e-9));
    }

    @ParameterizedTest
    @ValueSource(strings = {"+", "1+", "+ +", "1++2", "a+1", "1/0", "1*", "2*3*",
            "1+2+3+4+5+6+7+8+9+1+2+3+4+5+6+7+8+9+1+2+3+4+5+6+7+8+9+1+2+3+4+5+6+7+8+9+1+2+3+4+5+6", "x+x+x+x+x+x+x+x+x+x+x+x+x+x+x+x+x+x"})
    void whatIsNoSumIsRefusedAsItStands(String typed) {
        assertThatThrownBy(() -> Sums.length(typed, LengthUnit.METRE)).isInstanceOf(SurveyException.class);
    }
}
