package verge.core.geodesy.transformation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.Similarity;
import verge.core.geodesy.transformation.FitSettings.Heights;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.rates.Rates;
import verge.core.units.Angle;

/** Fits at real coordinates, against numpy, against figures worked by hand, and against the spread of many simulated sites. */
class FitTest {
    private static final FitSettings SOLVED = new FitSettings(OptionalDouble.empty(), OptionalInt.empty(), Heights.LEAVE, false, 0.01,
            0.01);
    private static final FitSettings HELD = new FitSettings(OptionalDouble.of(1), OptionalInt.empty(), Heights.LEAVE, false, 0.01, 0.01);

    private static double[][] rows(String text) {
        return Arrays.stream(text.split(",")).map(row -> Arrays.stream(row.split(" ")).mapToDouble(Double::parseDouble).toArray())
                .toArray(double[][]::new);
    }

    private static Mark mark(double... place) {
        return new Mark("", new Position(new GridPoint(place[0], place[1]),
                place.length > 2 ? Optional.of(new Elevation(place[2])) : Optional.empty()));
    }

    private static Pair pair(String computed, String found) {
        return new Pair(mark(rows(computed)[0]), mark(rows(found)[0]));
    }

    private static void off(Position found, Position fitted, double[] left) {
        assertThat(found.plan().northing() - fitted.plan().northing()).isCloseTo(left[0], within(1e-5));
        assertThat(found.plan().easting() - fitted.plan().easting()).isCloseTo(left[1], within(1e-5));
    }

    @ParameterizedTest
    @CsvFileSource(resources = "/fixtures/mark_fits.csv", delimiter = ';', maxCharsPerColumn = 100_000)
    void fitsAreThoseOfAnIndependentSolver(String kind, String figures, String left, String computed, String found) {
        double[] f = rows(figures)[0];
        double[][] c = rows(computed);
        double[][] at = rows(found);
        List<Pair> pairs = IntStream.range(0, c.length).mapToObj(i -> new Pair(mark(c[i]), mark(at[i]))).toList();
        double[][] over = rows(left);
        switch (kind) {
            case "similarity", "held" -> {
                Fitted fitted = Fit.of(pairs, kind.equals("held") ? HELD : SOLVED);
                assertThat(new Angle(fitted.similarity().rotation().radians() - Math.toRadians(f[0])).halfCircle().radians())
                        .isCloseTo(0, within(1e-9));
                assertThat(fitted.similarity().scale()).isCloseTo(f[1], within(1e-9));
                for (int i = 0; i < pairs.size(); i++) {
                    off(pairs.get(i).found().position(), fitted.place(pairs.get(i).computed().position()), over[i]);
                    assertThat(fitted.residuals().get(i).north()).isCloseTo(over[i][0], within(1e-5));
                }
            }
            case "tilt" -> {
                Fitted fitted = Fit.of(pairs, new FitSettings(OptionalDouble.of(1), OptionalInt.empty(), Heights.TILT, false, 0.01, 0.01));
                assertThat(new double[] {fitted.lift().shift(), fitted.lift().perNorth(), fitted.lift().perEast()})
                        .containsExactly(f, within(1e-8));
                IntStream.range(0, pairs.size())
                        .forEach(i -> assertThat(fitted.residuals().get(i).height().orElseThrow()).isCloseTo(over[i][2], within(1e-6)));
            }
            case "affine" -> {
                Affine affine = Affine.of(pairs, SOLVED);
                assertThat(affine.matrix()).containsExactly(f, within(1e-9));
                IntStream.range(0, pairs.size())
                        .forEach(i -> off(pairs.get(i).found().position(),
                        new Position(affine.place(pairs.get(i).computed().position().plan()), Optional.empty()), over[i]));
            }
            default -> {
                SevenParameters seven = SevenParameters.of(pairs, SOLVED);
                assertThat(seven.scale()).isCloseTo(f[0], within(1e-9));
                assertThat(Arrays.stream(seven.rotation()).flatMapToDouble(Arrays::stream).toArray())
                        .containsExactly(Arrays.copyOfRange(f, 1, 10), within(1e-9));
                for (int i = 0; i < pairs.size(); i++) {
                    off(pairs.get(i).found().position(), seven.place(pairs.get(i).computed().position()), over[i]);
                    assertThat(pairs.get(i).found().position().elevation().orElseThrow()
                            .metres() - seven.place(pairs.get(i).computed().position()).elevation().orElseThrow().metres())
                            .isCloseTo(over[i][2], within(1e-5));
                }
            }
        }
    }

    /** Turned a quarter to the right about (100, 100), which comes to (1000, 2000); doubled; with east and west exchanged. */
    @ParameterizedTest
    @CsvSource({"false, 1, 1000, 2010", "false, 2, 1000, 2020", "true, 1, 1000, 2010"})
    void aMoveByValues(boolean mirrored, double scale, double north, double east) {
        Similarity move = new Similarity(new GridPoint(100, 100), new GridPoint(1_000, 2_000), Angle.ofDegrees(90), scale, mirrored);
        assertThat(move.place(new GridPoint(110, 100)).distanceMetres(new GridPoint(north, east))).isLessThan(1e-9);
        assertThat(move.place(new GridPoint(100, 110)).distanceMetres(new GridPoint(1_000 + (mirrored ? 1 : -1) * 10 * scale, 2_000)))
                .isLessThan(1e-9);
        assertThat(move.about(new GridPoint(3, 7)).place(new GridPoint(50, 60)).distanceMetres(move.place(new GridPoint(50, 60))))
                .isLessThan(1e-9);
        assertThat(move.reversed().place(move.place(new GridPoint(50, 60))).distanceMetres(new GridPoint(50, 60))).isLessThan(1e-9);
    }

    /** The one is held, the other gives the direction and is 3 mm too near; the third tells by how much it is off. */
    @Test
    void twoPointsHoldOneAndTakeTheDirectionOfTheOther() {
        List<Pair> pairs = List.of(pair("5000 2000 1", "100 100 4"), pair("5000 2010 1", "100 109.997 4"), pair("5010 2000", "110 100"));
        FitSettings held = new FitSettings(OptionalDouble.of(1), OptionalInt.of(0), Heights.SHIFT, false, 0.01, 0.01);
        Fitted fitted = Fit.of(pairs, held);
        assertThat(fitted.place(pairs.get(0).computed().position())).isEqualTo(pairs.get(0).found().position());
        assertThat(fitted.residuals().get(1).east()).isCloseTo(-0.003, within(1e-9));
        assertThat(fitted.residuals().get(1).north()).isCloseTo(0, within(1e-9));
        assertThat(fitted.place(pairs.get(2).computed().position()).elevation()).as("a missing height stays missing").isEmpty();
        assertThat(fitted.lift().shift()).isCloseTo(3, within(1e-9));
        Fitted other = Fit.of(pairs, new FitSettings(OptionalDouble.empty(), OptionalInt.of(1), Heights.LEAVE, false, 0.01, 0.01));
        assertThat(other.similarity().scale()).isCloseTo(0.9997, within(1e-9));
        assertThat(other.residuals().get(1).plan()).isLessThan(1e-9);
    }

    /**
     * A mark that is off by so little that two others near each other would still agree with it is found by what is left over; where all
     * are worse than was said, none is blamed.
     */
    @ParameterizedTest
    @CsvSource({"0.071, -0.048, 1, 5", "0, 0, 1, -1", "0, 0, 4, -1", "0.012, 0.009, 1, -1"})
    void aMarkSlightlyOffIsNamedAsWell(double north, double east, double worse, int stranger) {
        double[][] marks = {{13.483, -37.025}, {-15.569, -9.481}, {-23.954, 36.167}, {40.864, -4.554}, {9.071, 4.8}, {12.611, 44.927}};
        double[][] errors = {{0.006, -0.008}, {-0.009, 0.004}, {0.002, 0.011}, {-0.005, -0.006}, {0.008, 0.003}, {-0.002, -0.004}};
        List<Pair> pairs = IntStream.range(0, marks.length).mapToObj(i -> pair(marks[i][0] + " " + marks[i][1],
                (marks[i][0] + worse * errors[i][0] + (i == 5 ? north : 0)) + " "
                + (marks[i][1] + worse * errors[i][1] + (i == 5 ? east : 0)))).toList();
        Fitted fitted = Fit.of(pairs, new FitSettings(OptionalDouble.empty(), OptionalInt.empty(), Heights.LEAVE, false, 0.01, 0.01));
        assertThat(fitted.strangers()).isEqualTo(stranger < 0 ? List.of() : List.of(stranger));
    }

    /**
     * The stone that was moved is named, though least squares spreads its error over all; what nothing controls has no standardised
     * residual.
     */
    @Test
    void theMarkThatDoesNotBelongIsNamed() {
        List<Pair> pairs = List.of(pair("0 0", "100 200"), pair("0 30", "100.004 230.003"), pair("20 0", "120.2 200.15"),
                pair("20 30", "120.003 229.996"), pair("8 11", "107.996 211.002"));
        Fitted fitted = Fit.of(pairs, HELD);
        assertThat(fitted.strangers()).containsExactly(2);
        assertThat(fitted.plan().passes()).isFalse();
        int worst = IntStream.range(0, 5).boxed().max(Comparator.comparingDouble(i -> fitted.residuals().get(i).standardised()))
                .orElseThrow();
        assertThat(worst).isEqualTo(2);
        List<Pair> without = new ArrayList<>(pairs);
        without.set(2, new Pair(pairs.get(2).computed(), pairs.get(2).found(), false, false));
        Fitted sound = Fit.of(without, HELD);
        assertThat(sound.strangers()).isEmpty();
        assertThat(sound.plan().passes()).isTrue();
        assertThat(sound.residuals().get(2).plan()).isCloseTo(0.25, within(0.01));
        assertThat(sound.residuals().get(2).standardised()).isZero();
        assertThat(Fit.of(pairs.subList(0, 2), SOLVED).residuals()).allSatisfy(r -> assertThat(r.standardised()).isZero());
    }

    /**
     * One of three to eight marks is wrong in plan or in height by four to fifty times what marks are known to: who is named is it, or one
     * of those who cannot be told apart is. With five marks and more it is mostly named.
     */
    @ParameterizedTest
    @CsvSource({"3, true, true", "3, false, true", "4, true, true", "4, false, true", "5, false, true", "8, false, true", "3, true, false",
            "4, true, false", "5, false, false", "8, false, false"})
    void aWrongMarkIsNamedOrSaidToBeOneOfSeveral(int count, boolean held, boolean inPlan) {
        Random chance = new Random(29);
        FitSettings settings = new FitSettings(held ? OptionalDouble.of(1) : OptionalDouble.empty(), OptionalInt.empty(), Heights.SHIFT,
                false, 0.01, 0.01);
        int rounds = 300;
        int right = 0;
        int wrongly = 0;
        int open = 0;
        for (int round = 0; round < rounds; round++) {
            int wrong = chance.nextInt(count);
            double azimuth = 2 * Math.PI * chance.nextDouble();
            double off = 0.01 * (6 + 44 * chance.nextDouble());
            List<Pair> pairs = new ArrayList<>();
            for (int i = 0; i < count; i++) {
                double n = 80 * chance.nextDouble();
                double e = 80 * chance.nextDouble();
                double plan = i == wrong && inPlan ? off : 0;
                pairs.add(pair(n + " " + e + " 5", (n + 0.01 * chance.nextGaussian() + plan * Math.cos(azimuth)) + " "
                        + (e + 0.01 * chance.nextGaussian() + plan * Math.sin(azimuth)) + " "
                        + (7 + 0.01 * chance.nextGaussian() + (i == wrong && !inPlan ? off : 0))));
            }
            Fitted.Odd odd = Fit.of(pairs, settings).odd();
            List<Integer> named = inPlan ? odd.inPlan() : odd.inHeight();
            right += named.equals(List.of(wrong)) ? 1 : 0;
            wrongly += named.stream().anyMatch(i -> i != wrong) ? 1 : 0;
            open += (inPlan ? odd.undecidedInPlan() : odd.undecidedInHeight()).contains(wrong) ? 1 : 0;
            assertThat(inPlan ? odd.inHeight() : odd.inPlan()).as("the other part, round %s", round).hasSizeLessThanOrEqualTo(1);
        }
        String what = count + " marks, scale " + (held ? "held" : "solved") + ", one wrong in " + (inPlan ? "plan" : "height") + ": ";
        Rates.tell(what + "it is named", right, rounds);
        Rates.tell(what + "it is said to be one of several", open, rounds);
        Rates.tell(what + "another is named", wrongly, rounds);
        assertThat(wrongly).as("right %s, open %s", right, open).isLessThanOrEqualTo(rounds / 100);
        assertThat(right + open).isGreaterThan(rounds * 7 / 10);
        // three, with the scale solved, never tell
        assertThat(right).isGreaterThan(count >= 5 || !inPlan ? rounds / 2 : count == 3 && !held ? -1 : 0);
    }

    /** Of many sites made with 8 mm, what is told of σ and of where to search holds as often as it says. */
    @Test
    void whatIsToldOfHowWellItIsKnownHolds() {
        Random chance = new Random(5);
        FitSettings settings = new FitSettings(OptionalDouble.empty(), OptionalInt.empty(), Heights.LEAVE, false, 0.008, 0.008);
        int within = 0;
        double squaresOfTurn = 0;
        double squaresAway = 0;
        int sites = 4_000;
        GridPoint away = new GridPoint(90, -40);
        Fitted last = null;
        for (int site = 0; site < sites; site++) {
            List<Pair> pairs = new ArrayList<>();
            for (double[] at : new double[][] {{0, 0}, {0, 40}, {30, 10}, {25, 45}, {12, 22}}) {
                pairs.add(new Pair(mark(at), mark(1_000 + at[0] + 0.008 * chance.nextGaussian(),
                        500 + at[1] + 0.008 * chance.nextGaussian())));
            }
            last = Fit.of(pairs, settings);
            squaresOfTurn += Math.pow(last.similarity().rotation().halfCircle().radians(), 2);
            GridPoint true1 = new GridPoint(1_090, 460);
            GridPoint fitted = last.similarity().place(away);
            squaresAway += Math.pow(fitted.northing() - true1.northing(), 2) + Math.pow(fitted.easting() - true1.easting(), 2);
            GridPoint found = true1.plus(0.008 * chance.nextGaussian(), 0.008 * chance.nextGaussian());
            within += found.distanceMetres(fitted) <= 2.4477 * Math.hypot(last.sigma(away), 0.008) ? 1 : 0;
        }
        assertThat(Math.sqrt(squaresOfTurn / sites)).isCloseTo(last.sigmaRotation(), within(0.04 * last.sigmaRotation()));
        assertThat(Math.sqrt(squaresAway / sites / 2)).isCloseTo(last.sigma(away), within(0.04 * last.sigma(away)));
        Rates.tell("a mark found within the place told for 95 %", within, sites);
        assertThat((double) within / sites).isCloseTo(0.95, within(0.012));
        assertThat(last.searchRadius(away)).isGreaterThanOrEqualTo(2.4477 * last.sigma(away));
    }

    @Test
    void whatCannotBeFittedIsSaid() {
        refused(Problem.FIT_TOO_FEW, HELD, pair("0 0", "1 1"));
        refused(Problem.FIT_ONE_SPOT, HELD, pair("0 0", "1 1"), pair("0 0", "5 5"));
        refused(Problem.FIT_CONTRADICTORY, SOLVED, pair("0 0", "0 0"), pair("10 10", "10 10"), pair("0 10", "10 0"), pair("10 0", "0 10"));
        refused(Problem.FIT_ONE_SPOT, SOLVED, pair("0 0", "1 1"), pair("0 9", "1 1"));
        FitSettings tilt = new FitSettings(OptionalDouble.of(1), OptionalInt.empty(), Heights.TILT, false, 0.01, 0.01);
        refused(Problem.FIT_IN_A_LINE, tilt, pair("0 0 1", "0 0 1"), pair("0 10 1", "0 10 1"), pair("0 20 1", "0 20 1"));
        refused(Problem.FIT_TOO_FEW_HEIGHTS, tilt, pair("0 0 1", "0 0 1"), pair("0 10", "0 10 1"), pair("10 20 1", "10 20 1"));
        refused(Problem.FIT_TOO_FEW, new FitSettings(OptionalDouble.of(1), OptionalInt.of(7), Heights.LEAVE, false, 0.01, 0.01),
                pair("0 0", "1 1"), pair("0 5", "1 6"));
        assertThatThrownBy(() -> Affine.of(List.of(pair("0 0", "0 0"), pair("0 5", "0 5"), pair("0 9", "0 9")), SOLVED))
                .isInstanceOf(SurveyException.class);
        assertThatThrownBy(() -> SevenParameters.of(List.of(pair("0 0 0", "0 0 0"), pair("1 1 1", "1 1 1"), pair("2 2 2", "2 2 2")),
                SOLVED)).isInstanceOf(SurveyException.class);
    }

    private static void refused(Problem problem, FitSettings settings, Pair... pairs) {
        assertThatThrownBy(() -> Fit.of(List.of(pairs), settings))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(problem));
    }
}
