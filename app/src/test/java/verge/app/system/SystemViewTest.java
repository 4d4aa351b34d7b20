package verge.app.system;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.AreaOfUse;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.SystemText;

/** A system described: what can be told, where it can be told. */
class SystemViewTest {
    private static SystemView view(String text, Geographic near) {
        CoordinateSystem.Projected system = (CoordinateSystem.Projected) SystemText.read(text);
        return SystemView.of(system, SystemText.projection(system), Optional.ofNullable(near), false);
    }

    @Test
    void scaleAndConvergenceAreToldAtThePlaceOrNotAtAll() {
        assertThat(view("+proj=utm +zone=32 +ellps=GRS80", null).scale()).as("nothing says where it is meant for").isEmpty();
        SystemView there = view("+proj=utm +zone=32 +ellps=GRS80", Geographic.ofDegrees(56.95, 11.45));
        assertThat(there.scale()).startsWith("0.99987");
        assertThat(there.convergence()).startsWith("2°03");
        assertThat(there.place()).isEqualTo("there: 56.95° N, 11.45° E");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"+units=m | metre", "+units=ft | international foot", "+units=us-ft | US survey foot",
            "+to_meter=0.9 | 0.900000000 m"})
    void unitsByName(String unit, String name) {
        assertThat(view("+proj=utm +zone=32 +ellps=GRS80 " + unit, null).unit()).isEqualTo(name);
    }

    @Test
    void axesAndWhatSatellitesNeed() {
        assertThat(view("+proj=tmerc +lon_0=19 +ellps=WGS84 +axis=wsu", null).axes()).isEqualTo("W, S");
        assertThat(view("+proj=tmerc +lon_0=19 +ellps=WGS84", null).satellites()).startsWith("not without a grid or parameters");
        assertThat(view("+proj=tmerc +lon_0=19 +datum=WGS84", null).satellites()).isEqualTo("as they come");
        assertThat(view("+proj=tmerc +lon_0=19 +ellps=bessel +towgs84=598,74,418", null).satellites()).isEqualTo("by published parameters");
    }

    /** The map begins at 180° W, 90° N; an area over the date line lies on both edges of it. */
    @Test
    void boxesOnTheMap() {
        assertThat(SystemView.Box.of(new AreaOfUse("", 6, 36, 12, 84))).containsExactly(new SystemView.Box(186, 6, 6, 48));
        assertThat(SystemView.Box.of(new AreaOfUse("", 176, -20, -178, -12)))
                .containsExactly(new SystemView.Box(356, 102, 4, 8), new SystemView.Box(0, 102, 2, 8));
        assertThat(SystemView.Box.of(new AreaOfUse("", 11.4, 56.9, 11.5, 57))).as("a dot can still be seen")
                .containsExactly(new SystemView.Box(191.4, 33, 1, 1));
    }
}
