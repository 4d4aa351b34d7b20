package verge.instruments.rawlog;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import verge.core.satellite.GpsTime;
import verge.core.satellite.ObservationEpoch;
import verge.core.satellite.SatelliteId;
import verge.core.satellite.SatelliteSystem;
import verge.instruments.rtcm.RtcmFrames;
import verge.instruments.rtcm.RtcmMessage;
import verge.instruments.rtcm.RtcmMessages;

/** What of a raw file is kept, and what is told of the rest. */
class RawLogReaderTest {
    /** A first signal, a second one that is not kept (L2C, number 16), a half cycle not found yet. */
    @Test
    void signalsThatAreNotKeptAreTold() throws IOException {
        SatelliteId satellite = new SatelliteId(SatelliteSystem.GPS, 7);
        List<RtcmMessage.Cell> cells = List.of(new RtcmMessage.Cell(satellite, 2, 22e6, 22e6, 0, 5, true, 45),
                new RtcmMessage.Cell(satellite, 16, 22e6, 22e6, 0, 5, false, 40));
        byte[] file = RtcmFrames.frame(RtcmMessages.write(new RtcmMessage.Observations(1077, 417, 129_618_200L, false, cells)));
        List<ObservationEpoch> epochs = new ArrayList<>();
        List<String> others = new ArrayList<>();
        RawLogReader.read(new ByteArrayInputStream(file), GpsTime.ofUtc(Instant.parse("2026-06-01T12:00:00Z")), new RawLogReader.Told() {
            @Override
            public void epoch(ObservationEpoch epoch) {
                epochs.add(epoch);
            }

            @Override
            public void other(SatelliteId of, int signal) {
                others.add(of + " " + signal);
            }
        });
        assertThat(epochs).singleElement()
                .satisfies(e -> assertThat(e.observed()).singleElement().matches(ObservationEpoch.Observed::half));
        assertThat(others).containsExactly("G07 16");
    }
}
