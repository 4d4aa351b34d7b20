package verge.formats.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Random;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** What an archive's checksum contradicts is not read, however little of an entry is looked at. */
class ArchiveTest {
    private static final String KML = "<kml><Placemark><Point><coordinates>11.45,56.95,7</coordinates></Point></Placemark></kml>"
            + " ".repeat(5_000);

    @TempDir
    Path folder;

    private static byte[] packed(boolean stored) throws IOException {
        byte[] text = KML.getBytes(StandardCharsets.UTF_8);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            ZipEntry entry = new ZipEntry("doc.kml");
            if (stored) {
                CRC32 sum = new CRC32();
                sum.update(text);
                entry.setMethod(ZipEntry.STORED);
                entry.setSize(text.length);
                entry.setCrc(sum.getValue());
            }
            zip.putNextEntry(entry);
            zip.write(text);
        }
        return bytes.toByteArray();
    }

    /** Every byte of the entry in turn, and of the sums that stand beside it; a figure of a coordinate among them. */
    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void aChangedByteIsDamage(boolean stored) throws IOException {
        byte[] sound = packed(stored);
        Random chance = new Random(3);
        int read = 0;
        for (int i = 0; i < 300; i++) {
            byte[] changed = sound.clone();
            int at = stored && i == 0 ? new String(sound, StandardCharsets.ISO_8859_1).indexOf("56.95") + 1 : 40
                    + chance.nextInt(Math.min(sound.length, 400) - 80);
            changed[at] ^= 1;
            Path file = Files.write(folder.resolve("site.kmz"), changed);
            try (Archive archive = Archive.open(file, Watch.none("site.kmz"))) {
                String name = archive.first(".kml").orElse("");
                String text = name.isEmpty() ? KML : new String(archive.bytes(name).readAllBytes(), StandardCharsets.UTF_8);
                assertThat(text).as("byte %s", at).isEqualTo(KML);
                read++;
            } catch (SurveyException damaged) {
                assertThat(damaged.problem()).isEqualTo(Problem.FILE_DAMAGED);
            }
        }
        assertThat(read).isLessThan(150);
        Path file = Files.write(folder.resolve("sound.kmz"), sound);
        try (Archive archive = Archive.open(file, Watch.none("sound.kmz"))) {
            assertThat(archive.bytes("doc.kml").readAllBytes()).hasSize(KML.length());
        }
        Path cut = Files.write(folder.resolve("cut.kmz"), Arrays.copyOf(sound, sound.length / 2));
        assertThatThrownBy(() -> Archive.open(cut, Watch.none("cut.kmz"))).isInstanceOf(SurveyException.class);
    }
}
