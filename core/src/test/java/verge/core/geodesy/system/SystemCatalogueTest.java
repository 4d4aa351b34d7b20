package verge.core.geodesy.system;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.Geographic;

/** Finding systems of made-up places by whatever one remembers of them. */
class SystemCatalogueTest {
    private static final SystemCatalogue CATALOGUE = SystemCatalogue.of(Stream.of(
            "EPSG:70001\tplane\tSlough 1983 / Lambert North (ftUS)\tAlder grid; SPCS Slough N\tSlough - north of 45°N. Älvkarleö.\t45.00 "
            + "-42.00 46.00 -40.00\tUS survey foot\tLambert Conic Conformal (2SP)\t",
            "EPSG:70002\tplane\tSlough 1927 / Lambert North\t\tSlough - north.\t45.00 -42.00 46.00 -40.00\tUS survey foot\tLambert Conic "
            + "Conformal (2SP)\tdeprecated",
            "EPSG:70003\tplane\tWorld / Wide Lambert\t\tWorld.\t-90.00 -180.00 90.00 180.00\tmetre\tLambert Conic Conformal (1SP)\t",
            "EPSG:70004\tplane\tAtoll / Grid\t\tAtoll - on both sides of the date line.\t-20.00 176.00 -12.00 -178.00\tmetre\tTransverse "
            + "Mercator\t",
            "EPSG:70005\tlat-lon\tSlough 1983\t\tSlough.\t44.00 -43.00 46.00 -40.00\tdegree\t\t",
            "EPSG:70006\tplane\tOld / Map Grid\t\tSlough.\t45.00 -42.00 46.00 -40.00\tmetre\tNew Zealand Map Grid\t"));

    private static List<String> codes(String typed) {
        return CATALOGUE.search(typed, Optional.empty(), 10).rows().stream().map(r -> r.code().substring(5)).toList();
    }

    @ParameterizedTest
    @CsvSource({"70004, 70004", "EPSG:70004, 70004", "alder, 70001", "slough n lam, 70001 70002", "alvkarleo, 70001",
            "lambert slough, 70001 70002",
        "date line, 70004", "nothing of it, ''", "' ', ''", "spcs, 70001"})
    void byCodeNameOldNameAndPlace(String typed, String expected) {
        assertThat(String.join(" ", codes(typed))).isEqualTo(expected);
    }

    @Test
    void theUsableComeFirst() {
        assertThat(codes("slough")).containsExactly("70001", "70006", "70005", "70002");
        assertThat(codes("lambert")).as("short names first").containsExactly("70003", "70001", "70002");
        assertThat(CATALOGUE.find("EPSG:70006")).hasValueSatisfying(r -> assertThat(r.reachable()).isFalse());
        assertThat(CATALOGUE.search("slough", Optional.empty(), 2).total()).isEqualTo(4);
    }

    @Test
    void nearAPositionAlsoOverTheDateLine() {
        assertThat(CATALOGUE.search("", Optional.of(Geographic.ofDegrees(-15, -179)), 10).rows()).extracting(SystemCatalogue.Row::code)
                .containsExactly("EPSG:70004", "EPSG:70003");
        assertThat(CATALOGUE.search("lambert", Optional.of(Geographic.ofDegrees(-15, 0)), 10).rows()).extracting(SystemCatalogue.Row::code)
                .containsExactly("EPSG:70003");
    }
}
