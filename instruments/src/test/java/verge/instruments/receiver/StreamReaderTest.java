package verge.instruments.receiver;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.satellite.SatelliteId;
import verge.core.satellite.SatelliteSystem;
import verge.instruments.rtcm.RtcmFrames;
import verge.instruments.rtcm.RtcmMessage;
import verge.instruments.rtcm.RtcmMessages;

/** What is counted of a stream of corrections while it goes past. */
class StreamReaderTest {
    private static byte[] frame(int type, long millis) {
        RtcmMessage.Cell cell = new RtcmMessage.Cell(new SatelliteId(type < 1080 ? SatelliteSystem.GPS : SatelliteSystem.GALILEO, 7), 2,
                22e6, 22e6, 0, 5, false, 45);
        return RtcmFrames.frame(RtcmMessages.write(new RtcmMessage.Observations(type, 417, millis, false, List.of(cell))));
    }

    /** Each line: types and moments in milliseconds of the week, one of them damaged if it is marked, and what is counted. */
    @ParameterizedTest
    @CsvSource({"1077 1000 1077 2000 1077 3000, 3, 0, 0", "1077 2000 1077 1000 1077 3000, 3, 0, 1",
            "1077 2000 1097 1000 1077 3000, 3, 0, 0", "1077 604799000 1077 0, 2, 0, 0", "1077 0 1077 604799000, 2, 0, 1",
        "1077 1000 1077 x2000 1077 3000, 2, 1, 0", "1077 1000 1077 1000, 2, 0, 0"})
    void whatIsDamagedOrRunsBackIsCounted(String sent, long whole, long damaged, long backward) {
        ByteArrayOutputStream stream = new ByteArrayOutputStream();
        String[] parts = sent.split(" ");
        for (int i = 0; i < parts.length; i += 2) {
            byte[] frame = frame(Integer.parseInt(parts[i]), Long.parseLong(parts[i + 1].replace("x", "")));
            frame[10] ^= (byte) (parts[i + 1].startsWith("x") ? 0x10 : 0);
            stream.writeBytes(frame);
        }
        StreamReader reader = new StreamReader("GALLERY");
        reader.take(stream.toByteArray(), stream.size());
        assertThat(reader.told().count()).isEqualTo(whole);
        assertThat(reader.told().damaged()).isEqualTo(damaged);
        assertThat(reader.told().backward()).isEqualTo(backward);
    }
}
