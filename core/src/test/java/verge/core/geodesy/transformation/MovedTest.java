package verge.core.geodesy.transformation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.adjustment.VarianceTest;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.problem.SurveyException;
import verge.core.rates.Rates;

/**
 * Moves with more freedom than a similarity: what is left over and how far each mark is controlled, by what linear algebra says of them.
 */
class MovedTest {
    private static final double[][] MARKS = {{0, 0, 3}, {40, 2, 5}, {38, 51, 4}, {-3, 47, 9}, {20, 25, 2}, {55, 20, 7}};

    private static FitSettings settings(OptionalDouble scale) {
        return new FitSettings(scale, OptionalInt.empty(), FitSettings.Heights.SHIFT, false, 0.01, 0.01);
    }

    private static Position at(double north, double east, double up) {
        return new Position(new GridPoint(6_314_500 + north, 649_000 + east), Optional.of(new Elevation(up)));
    }

    /** Turned a third of a right angle about the vertical, east stretched and sheared, with an error of so much at one mark. */
    private static List<Pair> pairs(int wrong, double error) {
        return IntStream.range(0, MARKS.length).mapToObj(i -> {
            double[] m = MARKS[i];
            Position found = at(0.866 * m[0] - 0.5 * 1.001 * m[1] + (i == wrong ? error : 0),
                    0.5 * m[0] + 0.866 * 1.001 * m[1] + 0.002 * m[0], m[2] + 12);
            return new Pair(new Mark("M" + i, new Position(new GridPoint(m[0], m[1]), Optional.of(new Elevation(m[2])))),
                    new Mark("S" + i, found));
        }).toList();
    }

    /** What is told of a carried point holds, near the marks and 50 m aside of marks that lie within a breadth of 2 m over 100. */
    @ParameterizedTest
    @CsvSource({"similar, 2", "similar, 60", "affine, 2", "affine, 60", "space, 2", "space, 60"})
    void whatIsToldOfCarriedPointsHolds(String kind, double breadth) {
        Random chance = new Random(41);
        FitSettings settings = new FitSettings(OptionalDouble.empty(), OptionalInt.empty(), FitSettings.Heights.TILT, false, 0.01, 0.01);
        for (double[] aside : new double[][] {{50, 50, 5}, {50, breadth / 2, 5}}) {
            Mark carried = new Mark("C", at(aside[0], aside[1], aside[2]));
            double plan = 0;
            double height = 0;
            int rounds = 300;
            for (int round = 0; round < rounds; round++) {
                List<Pair> pairs = new ArrayList<>();
                for (int i = 0; i < 6; i++) {
                    Position mark = at(20 * i, (i % 2 == 0 ? 0 : breadth) + i % 3, 3 + i % 3);
                    pairs.add(new Pair(new Mark("M", mark),
                            new Mark("S", new Position(mark.plan().plus(0.01 * chance.nextGaussian(), 0.01 * chance.nextGaussian()),
                            Optional.of(new Elevation(mark.elevation().orElseThrow().metres() + 0.01 * chance.nextGaussian()))))));
                }
                Moved moved = kind.equals("affine") ? Moved.Affinely.of(pairs, settings) : kind.equals("space")
                        ? Moved.InSpace.of(pairs, settings) : similar(Fit.of(pairs, settings));
                Position there = moved.place(carried);
                Known known = moved.known(carried).orElseThrow();
                plan += Math.pow(there.plan().distanceMetres(carried.position().plan()) / known.plan(), 2) / rounds;
                height += Math.pow((there.elevation().orElseThrow().metres() - aside[2]) / known.height().orElseThrow(), 2) / rounds;
            }
            Rates.tell(String.format(Locale.ROOT,
                    "%s, marks %s m broad, a point %.0f m aside: its error is %.2f of the told \u03c3 in plan, %.2f in height", kind,
                    breadth, aside[1], Math.sqrt(plan), Math.sqrt(height)));
            // both directions over the worse
            assertThat(Math.sqrt(plan)).as("%s m aside, in its worse direction", aside[1]).isBetween(0.8, 1.5);
            assertThat(Math.sqrt(height)).as("%s m aside", aside[1]).isBetween(0.8, 1.2);
        }
    }

    private static Moved similar(Fitted fitted) {
        return new Moved.Similar(fitted.similarity(), fitted.lift(), Optional.of(fitted));
    }

    /** A corner of a square of four is a quarter of the mean, of the slope north and of the slope east: so a quarter of its error shows. */
    @Test
    void cornersOfASquareAreControlledByAQuarter() {
        List<Pair> square = IntStream.range(0, 4).mapToObj(i -> {
            Position corner = at(i / 2 * 10, i % 2 * 10, 0);
            return new Pair(new Mark("", corner), new Mark("", corner));
        }).toList();
        Moved.Affinely moved = Moved.Affinely.of(square, settings(OptionalDouble.of(1)));
        assertThat(moved.residuals()).allSatisfy(r -> assertThat(r.controlled()).isCloseTo(0.25, within(1e-9)));
        assertThat(moved.tests().get(0).degreesOfFreedom()).isEqualTo(2);
        assertThat(moved.tests().get(1).degreesOfFreedom()).isEqualTo(3);
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 3, 5})
    void anErrorShowsByHowFarItsMarkIsControlled(int wrong) {
        Moved.Affinely sound = Moved.Affinely.of(pairs(-1, 0), settings(OptionalDouble.empty()));
        assertThat(sound.residuals()).allSatisfy(r -> assertThat(r.plan()).isLessThan(1e-7));
        Moved.Affinely off = Moved.Affinely.of(pairs(wrong, 0.4), settings(OptionalDouble.empty()));
        Fitted.Residual worst = off.residuals().get(wrong);
        assertThat(worst.north()).isCloseTo(0.4 * worst.controlled(), within(1e-6));
        assertThat(worst.standardised()).isCloseTo(0.4 * Math.sqrt(worst.controlled()) / 0.01, within(1e-3));
        assertThat(off.residuals().stream().mapToDouble(Fitted.Residual::controlled).sum() * 2)
                .isCloseTo(2.0 * MARKS.length - 6, within(1e-9));
    }

    /** In space all that is controlled adds up to the redundancy, with the scale held and solved; what has no height has no place there. */
    @Test
    void inSpaceAllThatIsControlledAddsUp() {
        for (OptionalDouble scale : List.of(OptionalDouble.empty(), OptionalDouble.of(1))) {
            Moved.InSpace moved = Moved.InSpace.of(pairs(2, 0.05), settings(scale));
            VarianceTest test = moved.tests().get(0);
            assertThat(test.degreesOfFreedom()).isEqualTo(3 * MARKS.length - (scale.isPresent() ? 6 : 7));
            assertThat(moved.residuals().stream().mapToDouble(r -> 2 * r.controlled() + r.controlledHeight()).sum())
                    .isCloseTo(test.degreesOfFreedom(), within(1e-6));
            assertThat(moved.residuals().stream()
                    .mapToDouble(r -> r.north() * r.north() + r.east() * r.east() + r.height().orElseThrow() * r.height().orElseThrow())
                    .sum() / 1e-4)
                    .isCloseTo(test.factor() * test.degreesOfFreedom(), within(1e-6 * test.factor() * test.degreesOfFreedom()));
            assertThatThrownBy(() -> moved.place(new Mark("M9", new Position(new GridPoint(1, 2), Optional.empty()))))
                    .isInstanceOf(SurveyException.class);
        }
    }

    private static Moved moved(String kind, List<Pair> pairs) {
        FitSettings settings = new FitSettings(OptionalDouble.empty(), OptionalInt.empty(), FitSettings.Heights.TILT, false, 0.01, 0.01);
        return switch (kind) {
            case "affine" -> Moved.Affinely.of(pairs, settings);
            case "space" -> Moved.InSpace.of(pairs, settings);
            default -> {
                Fitted fitted = Fit.adjusted(pairs, settings);
                yield new Moved.Similar(fitted.similarity(), fitted.lift(), Optional.of(fitted));
            }
        };
    }

    private static Pair weighing(Pair pair, double times) {
        OptionalDouble sigma = OptionalDouble.of(0.01 / Math.sqrt(times));
        return new Pair(pair.computed(), pair.found(), true, true, sigma, sigma);
    }

    /** A mark that is known twice as well weighs as much as four of the same. */
    @ParameterizedTest
    @CsvSource({"similar, 2", "similar, 4", "affine, 2", "affine, 4", "space, 2", "space, 4"})
    void aMarkKnownBetterWeighsAsManyOfIt(String kind, int times) {
        List<Pair> pairs = pairs(1, 0.07);
        List<Pair> weighed = new ArrayList<>(pairs);
        weighed.set(1, weighing(pairs.get(1), times));
        List<Pair> repeated = new ArrayList<>(pairs);
        IntStream.range(1, times).forEach(i -> repeated.add(pairs.get(1)));
        Moved one = moved(kind, weighed);
        Moved many = moved(kind, repeated);
        Moved plain = moved(kind, pairs);
        for (double[] place : new double[][] {{0, 0, 3}, {200, -90, 5}}) {
            Mark carried = new Mark("C", at(place[0] - 6_314_500, place[1] - 649_000, place[2]));
            double[] figures = figures(one.place(carried));
            assertThat(figures).containsExactly(figures(many.place(carried)), within(1e-7));
            assertThat(Math.hypot(figures[0] - figures(plain.place(carried))[0], figures[1] - figures(plain.place(carried))[1]))
                    .isGreaterThan(0.001);
            // what the marks contradict each other by is shared by more, so that only the parts before it are alike
            double worse = Math.sqrt(Math.max(1, one.tests().get(0).factor()) / Math.max(1, many.tests().get(0).factor()));
            assertThat(one.known(carried).orElseThrow().plan()).isCloseTo(many.known(carried).orElseThrow().plan() * worse, within(1e-6));
        }
    }

    private static double[] figures(Position p) {
        return new double[] {p.plan().northing(), p.plan().easting(), p.elevation().orElseThrow().metres()};
    }

    /**
     * 0.15 m off is a blunder of a mark that is known to a centimetre and nothing of one known to a decimetre; where all is sound, marks of
     * different worth are accused no more often than alike ones.
     */
    @Test
    void whoIsKnownWorseMayBeFartherOff() {
        FitSettings settings = settings(OptionalDouble.of(1));
        List<Pair> off = new ArrayList<>(IntStream.range(0, MARKS.length).mapToObj(i -> sound(i, i == 2 ? 0.15 : 0)).toList());
        assertThat(Fit.of(off, settings).strangers()).containsExactly(2);
        off.set(2, weighing(off.get(2), 0.01));
        assertThat(Fit.of(off, settings).odd()).isEqualTo(Fitted.Odd.NONE);
        Random chance = new Random(8);
        int accused = 0;
        int fits = 1_000;
        for (int round = 0; round < fits; round++) {
            List<Pair> mixed = IntStream.range(0, MARKS.length).mapToObj(i -> {
                double times = i % 2 == 0 ? 1 : 0.04;
                Pair pair = sound(i, 0);
                Position p = pair.found().position();
                double sigma = 0.01 / Math.sqrt(times);
                Position scattered = new Position(p.plan().plus(sigma * chance.nextGaussian(), sigma * chance.nextGaussian()),
                        Optional.of(new Elevation(p.elevation().orElseThrow().metres() + sigma * chance.nextGaussian())));
                return weighing(new Pair(pair.computed(), new Mark("S", scattered)), times);
            }).toList();
            Fitted.Odd odd = Fit.of(mixed, settings).odd();
            accused += odd.inPlan().isEmpty() && odd.inHeight().isEmpty() ? 0 : 1;
        }
        Rates.tell("fits of sound marks of different worth with one accused", accused, fits);
        assertThat(accused).isLessThanOrEqualTo(fits / 20);
    }

    private static Pair sound(int i, double error) {
        double[] m = MARKS[i];
        return new Pair(new Mark("M" + i, new Position(new GridPoint(m[0], m[1]), Optional.of(new Elevation(m[2])))),
                new Mark("S" + i, at(m[0] + error, m[1], m[2] + 12)));
    }
}
