package verge.core.cogo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.cogo.Deed.Mistake;
import verge.core.geodesy.GridPoint;
import verge.core.problem.SurveyException;
import verge.core.rates.Rates;
import verge.core.units.Angle;
import verge.core.units.AngleUnit;
import verge.core.units.Length;
import verge.core.units.LengthUnit;

/** Deeds as they are typed, against figures worked by hand, at real coordinates. */
class DeedTest {
    private static final GridPoint BEGIN = new GridPoint(6_314_490, 649_010);

    private static Deed deed(String text) {
        return DeedText.parse(text, LengthUnit.METRE, AngleUnit.DEGREES);
    }

    /** A field of 80 by 60 with one corner rounded by 20: 4800 less the corner's (4 − π) 100. */
    private static final String FIELD = """
            N 0 00 00 E  60.00
            90, 60
            curve right R 20 delta 90
            S 0 E 40.00

            270 00 00; 80.00
            """;

    @Test
    void aFigureWithACurveClosesAndHasItsArea() {
        Deed.Laid laid = deed(FIELD).lay(BEGIN, (from, azimuth, metres) -> metres);
        assertThat(laid.misclosure()).isLessThan(1e-8);
        assertThat(laid.path().length()).isCloseTo(60 + 60 + 40 + 80 + 10 * Math.PI, within(1e-8));
        assertThat(laid.closed().orElseThrow().area().orElseThrow()).isCloseTo(4800 - 400 + 100 * Math.PI, within(1e-6));
        assertThat(laid.path().vertices().plan(3).distanceMetres(BEGIN.plus(40, 80))).isLessThan(1e-8);
    }

    @ParameterizedTest
    @ValueSource(strings = {"curve right radius 20 arc 31.415926536", "arc right R=20 chord=28.284271247", "curve right R 20, T 20",
            "Curve right R 20 L 31.415926536 bearing S 45 E",
        "curve right R 20 D 90 radial S 0 E", "curve right C 28.284271247 R 20"})
    void aCurveIsTheSameHoweverItIsGiven(String curve) {
        Deed.Laid laid = deed("N 0 E 60\n90 60\n" + curve + "\nS 0 E 40\n270 80").lay(BEGIN, (from, azimuth, metres) -> metres);
        assertThat(laid.misclosure()).isLessThan(1e-7);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"N 45 30 15 E 120.50 | 45.504166667 | 120.5", "S 45-30-15 W, 120,50 | 225.504166667 | 120.5",
            "S 89°30' E 100 ft | 90.5 | 30.48",
        "312.25 12'6\" | 312.25 | 3.81", "N 10 W 5 m | 350 | 5", "0 00 30 7.25 | 0.008333333 | 7.25"})
    void bearingsAndLengthsAreReadAsTheyAreWritten(String line, double degrees, double metres) {
        Deed.Straight leg = (Deed.Straight) deed(line).legs().get(0);
        assertThat(leg.azimuth().degrees()).isCloseTo(degrees, within(1e-9));
        assertThat(leg.length().metres()).isCloseTo(metres, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"N 0 E 60; N 95 E 10 | 2", "N 0 E 60; ; east 10 | 3", "curve left R 20 delta 90 | 1",
            "N 0 E 5; curve left R 20 | 2", "N 0 E 5; curve left R 20 chord 41 | 2",
        "N 0 E 5; curve left R 20 D 30 L 10 | 2", "N 0 E 0 | 1", "N 0 E -5 | 1", "120.50 | 1", "N 0 E 5; curve left about R 20 D 30 | 2",
                "N 0 E 5; curve left R 20 D 30 bearing N 5 E radial N 5 E | 2"})
    void aLineThatCannotBeReadIsTold(String text, int line) {
        assertThatThrownBy(() -> deed(text.replace("; ", "\n")))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.arguments().get(0)).isEqualTo(line));
        assertThatThrownBy(() -> deed(" \n ")).isInstanceOf(SurveyException.class);
    }

    /**
     * Deeds of three to twelve sound legs, rounded to a minute and a centimetre or to a second and a millimetre: five in a hundred at most
     * have one suspected.
     */
    @ParameterizedTest
    @CsvSource({"60, 0.01", "1, 0.001", "600, 0.1", "1, 0.1"})
    void soundLegsAreNotSuspected(double seconds, double step) {
        Random chance = new Random(17);
        for (int corners : new int[] {3, 4, 5, 8, 12}) {
            int accused = 0;
            for (int round = 0; round < 1_000; round++) {
                double[] north = new double[corners + 1];
                double[] east = new double[corners + 1];
                for (int i = 0; i < corners; i++) {
                    double angle = 2 * Math.PI * (i + 0.7 * chance.nextDouble()) / corners;
                    north[i] = (30 + 170 * chance.nextDouble()) * Math.cos(angle);
                    east[i] = (30 + 170 * chance.nextDouble()) * Math.sin(angle);
                }
                north[corners] = north[0];
                east[corners] = east[0];
                List<Deed.Leg> legs = new ArrayList<>();
                for (int i = 0; i < corners; i++) {
                    double azimuth = Math.toDegrees(Math.atan2(east[i + 1] - east[i], north[i + 1] - north[i]));
                    double length = Math.hypot(east[i + 1] - east[i], north[i + 1] - north[i]);
                    legs.add(new Deed.Straight(Angle.ofDegrees(Math.rint(azimuth * 3600 / seconds) * seconds / 3600),
                            new Length(Math.max(step, Math.rint(length / step) * step))));
                }
                Deed deed = new Deed(legs);
                accused += deed.suspects(deed.lay(BEGIN, (from, azimuth, metres) -> metres), 1).isEmpty() ? 0 : 1;
            }
            Rates.tell("sound deed of " + corners + " legs, rounded to " + seconds + "\u2033 and " + step + " m: a leg suspected", accused,
                    1_000);
            assertThat(accused).as("of 1000 deeds of %s legs", corners).isLessThanOrEqualTo(66);
        }
    }

    /** Each straight leg that no curve goes on from is spoilt in turn: it is named first, with the figure it had. */
    @Test
    void theWrongLegIsNamedWithTheFigureThatClosesIt() {
        String[] legs = {"N 12 30 E 84.20", "S 71 10 E 132.75", "S 8 05 W 61.40", "S 85 20 W 47.15", ""};
        Deed.Laid open = deed(String.join("\n", List.of(legs).subList(0, 4))).lay(BEGIN, (from, azimuth, metres) -> metres);
        double back = Math.toDegrees(Math.atan2(-open.misclosureEast(), -open.misclosureNorth()));
        legs[4] = "%.9f %.6f".formatted((back + 360) % 360, open.misclosure());
        for (int i = 0; i < 5; i++) {
            Deed good = deed(String.join("\n", legs));
            Deed.Straight was = (Deed.Straight) good.legs().get(i);
            String[] longer = legs.clone();
            longer[i] = "%.9f %.6f".formatted(was.azimuth().degrees(), was.length().metres() + 10);
            Deed wrong = deed(String.join("\n", longer));
            Deed.Suspect length = wrong.suspects(wrong.lay(BEGIN, (from, azimuth, metres) -> 0.9996 * metres), 0.9996).get(0);
            assertThat(length.leg()).isEqualTo(i);
            assertThat(length.mistake()).isEqualTo(Mistake.LENGTH);
            assertThat(length.otherwise()).isCloseTo(was.length().metres(), within(1e-4));
            String[] turned = legs.clone();
            turned[i] = "%.9f %.6f".formatted((was.azimuth().degrees() + 20) % 360, was.length().metres());
            Deed bent = deed(String.join("\n", turned));
            Deed.Suspect bearing = bent.suspects(bent.lay(BEGIN, (from, azimuth, metres) -> metres), 1).get(0);
            assertThat(bearing.leg()).isEqualTo(i);
            assertThat(bearing.mistake()).isEqualTo(Mistake.BEARING);
            assertThat(Math.toDegrees(bearing.otherwise())).isCloseTo(was.azimuth().degrees(), within(1e-4));
        }
    }
}
