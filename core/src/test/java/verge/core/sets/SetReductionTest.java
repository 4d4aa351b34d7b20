package verge.core.sets;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import verge.core.coding.PointName;
import verge.core.reading.Pointing;
import verge.core.units.Angle;
import verge.core.units.Length;

/** Two sets on three marks, worked by hand; figures in seconds past whole degrees. */
class SetReductionTest {
    private static final List<PointName> MARKS = List.of(new PointName("A"), new PointName("B"), new PointName("C"));
    private static final int[] DEGREES = {10, 100, 250};

    /** Seconds of both faces' directions and zenith angles (from 90°), millimetres over 50 m. */
    private static SetReduction.SetShot shot(int set, int mark, int face, double seconds, double zenithSeconds, double millimetres,
            int circle) {
        Angle hz = Angle.ofDegrees(DEGREES[mark] + circle + (face == 2 ? 180 : 0)).plus(Angle.ofArcSeconds(seconds)).wholeCircle();
        Angle z = Angle.ofDegrees(face == 1 ? 90 : 270).plus(Angle.ofArcSeconds(face == 1 ? zenithSeconds : -zenithSeconds));
        return new SetReduction.SetShot(set, MARKS.get(mark), new Pointing(hz, z, Optional.of(new Length(50 + millimetres / 1000)), ""));
    }

    private static List<SetReduction.SetShot> book() {
        return new ArrayList<>(List.of(
                // means: A 2″, B 13″, C 24″; turned to A: 0, 11, 22. The second set's circle was turned by 300°: B and C pass through zero.
                shot(1, 0, 1, 0, 4, 0, 0), shot(1, 1, 1, 11, 6, 1, 0), shot(1, 2, 1, 23, 2, 0, 0),
                shot(1, 0, 2, 4, 8, 0, 0), shot(1, 1, 2, 15, 10, 3, 0), shot(1, 2, 2, 25, 6, 2, 0),
                // means: A 30″, B 44″, C 52″; turned: 0, 14, 22
                shot(2, 0, 1, 28, 5, 0, 300), shot(2, 1, 1, 42, 8, 2, 300), shot(2, 2, 1, 51, 4, 1, 300),
                shot(2, 0, 2, 32, 9, 2, 300), shot(2, 1, 2, 46, 12, 2, 300), shot(2, 2, 2, 53, 8, 3, 300)));
    }

    @Test
    void meansAndSigmasAreThoseOfTheTextbook() {
        SetReduction.Result r = SetReduction.reduce(book(), MARKS);
        assertThat(r.means()).extracting(m ->
                Math.round(m.direction().minus(Angle.ofDegrees(DEGREES[MARKS.indexOf(m.mark())] - 10)).arcSeconds() * 100) / 100.0)
                .containsExactly(0.0, 12.5, 22.0);
        // d = mean − set: 0, 1.5, 0 and 0, −1.5, 0; v = d − mean(d): −0.5, 1, −0.5 and the same negative; Σv² = 3; s = √(3 / (1·2))
        assertThat(r.sigmaDirection().orElseThrow().arcSeconds()).isCloseTo(Math.sqrt(1.5), within(0.01));
        assertThat(r.residuals().stream().filter(v -> v.set() == 1).mapToDouble(v -> v.direction().arcSeconds()).toArray())
                .containsExactly(new double[] {0.5, -1, 0.5}, within(0.01));
        // zenith means 6, 8, 4 in the first set and 7, 10, 6 in the second: Σv² = 0.5 + 2 + 2; s = √(4.5 / 3)
        assertThat(r.sigmaZenith().orElseThrow().arcSeconds()).isCloseTo(Math.sqrt(1.5), within(0.01));
        assertThat(r.means().get(1).zenith().arcSeconds()).isCloseTo(90 * 3600 + 9, within(0.01));
        assertThat(r.means().get(2).slope().orElseThrow().metres()).isCloseTo(50.0015, within(1e-9));
        // distances: 0, 2, 1 and 1, 2, 2: Σv² = 0.5 + 0 + 0.5; s = √(1/3)
        assertThat(r.sigmaDistance().orElseThrow().metres() * 1000).isCloseTo(Math.sqrt(1 / 3.0), within(0.001));
        assertThat(r.residuals().get(0).faces().direction().arcSeconds()).as("twice the collimation").isCloseTo(-4, within(0.01));
        assertThat(r.zero().degrees()).isCloseTo(340 + 16 / 3600.0, within(1e-5));
    }

    @Test
    void aMarkWithoutItsSecondFaceDoesNotCountYet() {
        List<SetReduction.SetShot> book = book();
        SetReduction.SetShot gone = book.remove(9);
        SetReduction.Result r = SetReduction.reduce(book, MARKS);
        assertThat(r.unfinished()).hasSize(1).allMatch(s -> s.mark().equals(gone.mark()));
        assertThat(r.means().get(0).sets()).isEqualTo(1);
        // Set 2 says of B and C only that they are 8″ apart, where the first set has 11″: with u and v for what changes of B and C, the
        // least of
        // u² + v² − (u + v)²/3 + (v − u + 3)²/2 is at u = 0.75, v = −0.75
        assertThat(r.means().get(1).direction().minus(Angle.ofDegrees(90)).arcSeconds()).isCloseTo(11.75, within(0.01));
        assertThat(r.means().get(2).direction().minus(Angle.ofDegrees(DEGREES[2] - 10)).arcSeconds()).isCloseTo(21.25, within(0.01));
    }

    @Test
    void oneSetHasMeansAndNoSigma() {
        SetReduction.Result r = SetReduction.reduce(book().subList(0, 6), MARKS);
        assertThat(r.means()).hasSize(3);
        assertThat(r.sigmaDirection()).isEmpty();
        assertThat(SetReduction.reduce(List.of(), MARKS).means()).isEmpty();
    }
}
