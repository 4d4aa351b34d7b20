package verge.core.floor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.geodesy.Elevation;
import verge.core.plan.Vertices;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

class FloorsTest {
    private static final Floors TOWER = floors("landing 2", 14.85, "landing 1", 12.2, "gallery", 30.1);

    private static Floors floors(Object... namesAndLevels) {
        return new Floors(Stream.iterate(0, i -> i < namesAndLevels.length, i -> i + 2)
                .map(i -> new Floor((String) namesAndLevels[i], new Elevation((double) namesAndLevels[i + 1]))).toList());
    }

    /** Heights in hundredths of the table: a slab reaches 0.30 m down from its surface. */
    @ParameterizedTest
    @CsvSource({"11.89, none", "11.90, landing 1", "12.20, landing 1", "14.54, landing 1", "14.55, landing 2", "29.79, landing 2",
            "29.80, gallery", "400, gallery"})
    void aHeightBelongsToTheFloorItIsReachedFrom(double elevation, String floor) {
        assertThat(TOWER.at(new Elevation(elevation)).map(s -> s.floor().name()).orElse("none")).isEqualTo(floor);
    }

    @ParameterizedTest
    @CsvSource({"13, 13, true", "13, 16, true", "11, 13, true", "11, 31, true", "14.55, 16, false", "3, 11.8, false", "0, 0, true",
            "0, 1, false"})
    void aLineBelongsWhereItsHeightsReach(double one, double other, boolean belongs) {
        Vertices line = new Vertices.Builder().add(0, 0, one).add(1, 0, other).add(2, 0).build();
        assertThat(TOWER.named("landing 1").orElseThrow().holds(line)).isEqualTo(belongs);
    }

    @Test
    void whatHasNoHeightBelongsEverywhere() {
        TOWER.storeys().forEach(s -> {
            assertThat(s.holds(Optional.empty())).isTrue();
            assertThat(s.holds(new Vertices.Builder().add(0, 0).add(1, 1).build())).isTrue();
        });
    }

    /** No height belongs to two floors, none above the lowest to none. */
    @Test
    void floorsPartAllHeights() {
        for (int centimetres = -1000; centimetres < 4000; centimetres++) {
            Elevation elevation = new Elevation(centimetres / 100.0);
            long holding = TOWER.storeys().stream().filter(s -> s.holds(Optional.of(elevation))).count();
            assertThat(holding).as("%s", elevation).isEqualTo(centimetres >= 1190 ? 1 : 0);
        }
    }

    @Test
    void floorsThatCannotBeToldApartAreRefused() {
        assertThatThrownBy(() -> floors("loft", 4.2, "Loft", 7.4))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.FLOOR_NAMED_TWICE));
        assertThatThrownBy(() -> floors("loft", 4.2, "eaves", 5.1)).isInstanceOfSatisfying(SurveyException.class, e -> {
            assertThat(e.problem()).isEqualTo(Problem.FLOORS_TOO_NEAR);
            assertThat(e.arguments()).containsExactly("loft", "eaves");
        });
    }

    @ParameterizedTest
    @ValueSource(strings = {"", " ", "loft ", "=loft", "a name that is longer than the list", "loft\n"})
    void aNameThatCannotBeReadIsRefused(String name) {
        assertThatThrownBy(() -> new Floor(name, new Elevation(0)))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.FLOOR_NAME_UNFIT));
    }

    @Test
    void aFloorThatIsNoLongerThereIsNotWorkedOn() {
        WorkFloor work = WorkFloor.ANYWHERE.with(TOWER).on(Optional.of("gallery"));
        assertThat(work.here().orElseThrow().to()).isEmpty();
        assertThat(work.with(new Floors(List.of())).here()).isEmpty();
        assertThat(work.on(Optional.empty()).here()).isEmpty();
    }
}
