package verge.formats.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.LengthUnit;
import verge.formats.DrawingFiles;
import verge.formats.codebook.CodebookReader;
import verge.formats.csv.PointCsvProbe;
import verge.formats.csv.PointCsvReader;
import verge.formats.text.TextEncoding;

/**
 * A thousand files a format, broken at random: each is read, or refused in words, within five seconds. The memory that is enough is set
 * for the whole module.
 */
class MutatedFilesTest {
    private static final int FILES = 1000;
    private static final Duration LONGEST = Duration.ofSeconds(5);
    private static final Set<Problem> IN_WORDS = EnumSet.of(Problem.FILE_KIND_UNKNOWN, Problem.FILE_BINARY_DRAWING,
            Problem.FILE_CLOSED_DRAWING, Problem.FILE_DAMAGED, Problem.FILE_NOT_ITS_ENCODING,
            Problem.FILE_HAS_ENTITIES, Problem.FILE_ARCHIVE_UNSAFE, Problem.FILE_TOO_MUCH, Problem.FILE_NOTHING_READ);
    private static final String CODES =
            "{\"codebook\": 1, \"title\": \"Yard\", \"codes\": [{\"code\": \"KRB\", \"meaning\": \"kerb\", \"marker\": \"DOT\", "
            + "\"joins\": true, \"attributes\": [\"stone\"]}]}";
    private static final String POINTS =
            "Name;Northing;Easting;Elevation;Code\nP01;6314401,500;648966,800;1,850;PILE\n\"P02\";6314401,500;648970,200;;PILE\n";

    @TempDir
    private Path directory;

    @ParameterizedTest
    @ValueSource(strings = {"yard-r12.dxf", "yard-2018.dxf", "yard.geojson", "shore.kml", "shore.kmz", "yard.gpkg", "lamps.zip", "pit.shp",
            "causeway.xml", "codes.json",
        "codes.csv", "points.csv"})
    void isReadOrRefusedInWords(String sample) throws IOException {
        byte[] whole = sample.equals("codes.json") ? bytes(CODES) : sample.equals("codes.csv")
                ? bytes("code;meaning;marker\nKRB;kerb;DOT\nDRN;drain;ring\n")
                : sample.equals("points.csv") ? bytes(POINTS) : Files.readAllBytes(Path.of("src/test/resources/samples", sample));
        Random chance = new Random(sample.hashCode());
        for (int i = 0; i < FILES; i++) {
            Path broken = Files.write(directory.resolve(i + "-" + sample), mutated(whole, chance));
            long start = System.nanoTime();
            try {
                read(sample, broken);
            } catch (SurveyException refused) {
                assertThat(refused.problem()).as("%s %d: %s", sample, i, refused.arguments()).isIn(IN_WORDS);
            } catch (RuntimeException unforeseen) {
                throw new AssertionError(sample + " " + i + " ended in an exception", unforeseen);
            }
            assertThat(Duration.ofNanos(System.nanoTime() - start)).as("%s %d", sample, i).isLessThan(LONGEST);
            Files.delete(broken);
        }
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static void read(String sample, Path broken) throws IOException {
        if (sample.startsWith("codes")) {
            CodebookReader.read(broken, Watch.none(sample));
        } else if (sample.startsWith("points")) {
            TextEncoding encoding = TextEncoding.of(broken);
            PointCsvReader.read(broken, encoding, PointCsvProbe.propose(broken, encoding, LengthUnit.METRE).layout());
        } else {
            DrawingFiles.read(broken, Watch.none(sample));
        }
    }

    /** Some bytes changed, a stretch cut out, doubled or filled with one byte, or a figure made huge or no number. */
    private static byte[] mutated(byte[] whole, Random chance) {
        byte[] bytes = whole.clone();
        for (int changes = 1 + chance.nextInt(4); changes > 0 && bytes.length > 8; changes--) {
            int at = chance.nextInt(bytes.length);
            int length = Math.min(bytes.length - at, 1 + chance.nextInt(Math.max(1, bytes.length / 8)));
            bytes = switch (chance.nextInt(7)) {
                case 0 -> Arrays.copyOf(bytes, at + 1);
                case 1 -> joined(Arrays.copyOf(bytes, at), Arrays.copyOfRange(bytes, at + length, bytes.length));
                case 2 -> joined(Arrays.copyOf(bytes, at + length), Arrays.copyOfRange(bytes, at, bytes.length));
                case 3 -> filled(bytes, at, Math.min(length, 6), (byte) chance.nextInt(256));
                case 4 -> joined(Arrays.copyOf(bytes, at), bytes(chance.nextBoolean() ? "NaN" : "1e300"),
                        Arrays.copyOfRange(bytes, at, bytes.length));
                default -> filled(bytes, at, 1, (byte) chance.nextInt(256));
            };
        }
        return bytes;
    }

    private static byte[] filled(byte[] bytes, int at, int length, byte with) {
        byte[] changed = bytes.clone();
        Arrays.fill(changed, at, at + length, with);
        return changed;
    }

    private static byte[] joined(byte[]... parts) {
        byte[] all = new byte[Arrays.stream(parts).mapToInt(p -> p.length).sum()];
        int at = 0;
        for (byte[] part : parts) {
            System.arraycopy(part, 0, all, at, part.length);
            at += part.length;
        }
        return all;
    }
}
