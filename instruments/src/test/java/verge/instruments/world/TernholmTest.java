package verge.instruments.world;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import verge.core.geodesy.GridPoint;

/** The world is one model: whatever stands on it stands on its surface, and the same chance makes the same scene. */
class TernholmTest {

    @Test
    void theDomeRisesToItsSummitAndFallsTowardsTheShore() {
        double summit = Ternholm.surface(Ternholm.YARD.plus(120, 90)).metres();
        assertThat(summit).isCloseTo(18, within(0.2));
        assertThat(Ternholm.outlines().stream().filter(o -> o.name().equals("shore")).flatMap(o -> o.points().stream()))
                .isNotEmpty().allSatisfy(p -> assertThat(Ternholm.surface(p).metres()).isLessThan(8));   // a cliff in the north
    }

    @Test
    void marksStandOnTheGroundAndOnlyT5WasPushed() {
        assertThat(Ternholm.marks()).extracting(Mark::name).startsWith("T1", "T2", "T3", "T4", "T5", "T6", "BM-Sill", "U1")
                .endsWith("U6", Ternholm.GALLERY, Ternholm.LAMP_ROOM);
        assertThat(Ternholm.marks().subList(0, 7))
                .allSatisfy(m -> assertThat(m.truth().elevation()).contains(Ternholm.surface(m.truth().plan())));
        GridPoint before = Ternholm.YARD.plus(61.547, 14.902);
        assertThat(Ternholm.mark("t5").orElseThrow().truth().plan().distanceMetres(before))
                .isCloseTo(Ternholm.T5_SHIFT_METRES, within(1e-6));
        assertThat(Ternholm.mark("T7")).isEmpty();
    }

    @Test
    void theSameSeedAndTheSameDeedsGiveTheSameScene() {
        assertThat(morning(7)).isEqualTo(morning(7)).isNotEqualTo(morning(8));
        Scene scene = morning(7);
        assertThat(scene.upsets()).isEqualTo(2);
        assertThat(scene.pole().heightMetres()).isEqualTo(2.15);
        Scene.Tripod tripod = scene.tripod().orElseThrow();
        assertThat(tripod.tapeMetres()).isCloseTo(tripod.heightMetres(), within(0.004));
        assertThat(Math.hypot(tripod.offNorth(), tripod.offEast())).isLessThan(0.005);
    }

    private static Scene morning(long seed) {
        Random chance = new Random(seed);
        return Scene.atDawn().stand(Ternholm.mark("T2").orElseThrow(), chance).pole(Ternholm.YARD, chance).extended(2.15, chance);
    }
}
