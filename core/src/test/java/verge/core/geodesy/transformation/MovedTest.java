package verge.core.geodesy.transformation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.adjustment.VarianceTest;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.problem.SurveyException;

/** Moves with more freedom than a similarity: what is left over and how far each mark is controlled, by what linear algebra says of them. */
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
            Position found = at(0.866 * m[0] - 0.5 * 1.001 * m[1] + (i == wrong ? error : 0), 0.5 * m[0] + 0.866 * 1.001 * m[1] + 0.002 * m[0], m[2] + 12);
            return new Pair(new Mark("M" + i, new Position(new GridPoint(m[0], m[1]), Optional.of(new Elevation(m[2])))), new Mark("S" + i, found));
        }).toList();
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
        assertThat(off.residuals().stream().mapToDouble(Fitted.Residual::controlled).sum() * 2).isCloseTo(2.0 * MARKS.length - 6, within(1e-9));
    }

    /** In space all that is controlled adds up to the redundancy, with the scale held and solved; what has no height has no place there. */
    @Test
    void inSpaceAllThatIsControlledAddsUp() {
        for (OptionalDouble scale : List.of(OptionalDouble.empty(), OptionalDouble.of(1))) {
            Moved.InSpace moved = Moved.InSpace.of(pairs(2, 0.05), settings(scale));
            VarianceTest test = moved.tests().get(0);
            assertThat(test.degreesOfFreedom()).isEqualTo(3 * MARKS.length - (scale.isPresent() ? 6 : 7));
            assertThat(moved.residuals().stream().mapToDouble(r -> 2 * r.controlled() + r.controlledHeight()).sum()).isCloseTo(test.degreesOfFreedom(), within(1e-6));
            assertThat(moved.residuals().stream().mapToDouble(r -> r.north() * r.north() + r.east() * r.east() + r.height().orElseThrow() * r.height().orElseThrow()).sum() / 1e-4)
                    .isCloseTo(test.factor() * test.degreesOfFreedom(), within(1e-6 * test.factor() * test.degreesOfFreedom()));
            assertThatThrownBy(() -> moved.place(new Mark("M9", new Position(new GridPoint(1, 2), Optional.empty())))).isInstanceOf(SurveyException.class);
        }
    }
}
