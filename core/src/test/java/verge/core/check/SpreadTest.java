package verge.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.drawing.Drawing;
import verge.core.drawing.Feature;
import verge.core.drawing.Layer;
import verge.core.plan.Vertices;

class SpreadTest {
    private static Feature.Spot spot(double north, double east, double height) {
        return new Feature.Spot(0, "", "", new Vertices.Builder().add(north, east, height).build());
    }

    private static Spread spread(List<Feature> features) {
        return Spread.of(new Drawing(List.of(Layer.of("A")), features));
    }

    @Test
    void nothingIsNowhere() {
        assertThat(spread(List.of()).isEmpty()).isTrue();
        assertThat(spread(List.of()).most().isEmpty()).isTrue();
        assertThat(spread(List.of(new Feature.Words(0, "far", 1, new Vertices.Builder().add(9e6, 9e6).build()))).isEmpty())
                .as("words lie where there is room").isTrue();
    }

    @Test
    void aFewPointsAllCount() {
        Spread three = spread(List.of(spot(0, 0, 1), spot(10, 5, 2), spot(100_000, 5, 3)));
        assertThat(three.most().north()).isEqualTo(100_000);
        assertThat(three.strays()).isZero();
        assertThat(three.middleHeight()).isEqualTo(2);
    }

    /** However many there are, one in a hundred at the origin does not stretch the box, and is counted. */
    @ParameterizedTest
    @ValueSource(ints = {100, 1_000, 60_000})
    void straysDoNotStretchTheBox(int count) {
        Random chance = new Random(count);
        List<Feature> features = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            features.add(i % 100 == 0 ? spot(0, 0, 0)
                    : spot(6_314_000 + 500 * chance.nextDouble(), 649_000 + 500 * chance.nextDouble(), 4));
        }
        Spread spread = spread(features);
        assertThat(spread.most().south()).isGreaterThan(6_313_000);
        assertThat(spread.strays()).isBetween(count / 200, count / 50);
        assertThat(spread.strayDistance()).isBetween(6.3e6, 6.4e6);
        assertThat(spread.zeros()).isEqualTo((count + 99) / 100);
        assertThat(spread.middleHeight()).isEqualTo(4);
        assertThat(spread.vertices()).isEqualTo(count);
    }

    @Test
    void heightsAreCountedApartFromZeros() {
        Spread spread = spread(List.of(spot(0, 0, 0), spot(0, 1, Double.NaN), spot(0, 2, 7), spot(0, 3, -2)));
        assertThat(List.of(spread.heights(), spread.zeros(), spread.vertices())).containsExactly(3, 1, 4);
        assertThat(spread(List.of(spot(0, 0, 0))).middleHeight()).isNaN();
    }
}
