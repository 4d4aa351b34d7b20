package verge.formats.rinex;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.EarthCentred;
import verge.core.satellite.GpsTime;
import verge.core.satellite.ObservationEpoch;
import verge.core.satellite.SatelliteId;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.Signal;

/** What RINEX 3.05 says of lost and halved cycles, and of names that ASCII does not have. */
class RinexObservationWriterTest {
    private static final GpsTime FIRST = GpsTime.ofUtc(Instant.parse("2026-06-01T07:15:00Z"));

    /** Bit 0: lost since the epoch before; bit 1: a half cycle is not found yet. */
    @ParameterizedTest
    @CsvSource({"false, false, ' '", "true, false, 1", "false, true, 2", "true, true, 3"})
    void theIndicatorOfLostLockHasItsBits(boolean slipped, boolean half, String indicator) throws IOException {
        StringBuilder out = new StringBuilder();
        new RinexObservationWriter(out)
                .epoch(new ObservationEpoch(FIRST,
                List.of(new ObservationEpoch.Observed(new SatelliteId(SatelliteSystem.GPS, 7), Signal.GPS_L1, 22e6, 115e6, -700, 45,
                slipped, half))));
        String row = out.toString().lines().toList().get(1);
        assertThat(row.substring(3 + 16 + 14, 3 + 16 + 15)).isEqualTo(indicator);
        assertThat(row.substring(3 + 14, 3 + 15)).as("of the range").isEqualTo(" ");
    }

    @ParameterizedTest
    @CsvSource({"Fårø 7, Faaroe 7", "Lücke Straße, Luecke Strasse", "Ágúst, Agust", "灯台, ??", "Skärvholm–2, Skaervholm-2"})
    void namesAreSpelledByARule(String name, String written) throws IOException {
        StringBuilder out = new StringBuilder();
        new RinexObservationWriter(out)
                .header(new RinexObservationWriter.Header(name, "", "", "", List.of("", "", ""), List.of("", ""), new EarthCentred(0, 0, 0),
                1.5, 1, FIRST, Map.of(), Instant.EPOCH, List.of()));
        assertThat(out.toString().lines().filter(l -> l.endsWith("MARKER NAME"))).singleElement().asString().startsWith(written + " ");
    }
}
