package verge.formats.csv;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.RandomAccessFile;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.journal.Origin;
import verge.core.journal.StoredPoint;
import verge.core.units.LengthUnit;
import verge.core.units.PlanAxes;
import verge.formats.csv.PointCsvWriter.Field;
import verge.formats.text.TextEncoding;

class PointCsvTest {
    private static final String CONTROL = "Name,Northing,Easting,Elevation,Code\nT1,6314528.412,648988.623,8.230,CTL\nT2,6314458.795,649001.336,,CTL\n";

    @TempDir
    private Path directory;

    @Test
    void aPlainFileIsProposedAndRead() throws IOException {
        Path file = file(CONTROL);
        PointCsvProbe.Proposal proposal = propose(file);
        assertThat(proposal.layout()).isEqualTo(new PointCsvLayout(',', DecimalMark.POINT, true,
                Map.of(Column.NAME, 0, Column.NORTHING, 1, Column.EASTING, 2, Column.ELEVATION, 3, Column.CODE, 4), LengthUnit.METRE));
        PointCsvReader.Result result = read(file);
        assertThat(result.sound()).isTrue();
        assertThat(result.points()).extracting(p -> p.name().text(), p -> p.position().plan().easting(), p -> p.position().elevation().isPresent())
                .containsExactly(tuple("T1", 648988.623, true), tuple("T2", 649001.336, false));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "Point;N;E;Elev|P1;1,5;2,5;3 | ; | COMMA | true", "P1\t1.5\t2.5\t3|P2\t1\t2\t3 | TAB | POINT | false",
        "P1 1.5 2.5 3|P2 1 2 3 | BLANK | POINT | false", "easting,northing,name|2.5,1.5,\"P1\" | , | POINT | true"}, ignoreLeadingAndTrailingWhitespace = false)
    void otherSeparatorsOrdersAndMarksAreProposed(String heading, String row, String separator, String mark, String header) throws IOException {
        Path file = file(heading.replace("\\t", "\t") + "\n" + row.replace("\\t", "\t") + "\n");
        PointCsvLayout layout = propose(file).layout();
        String named = separator.strip();
        assertThat(layout.separator()).isEqualTo(named.equals("TAB") ? '\t' : named.equals("BLANK") ? ' ' : named.charAt(0));
        assertThat(layout.decimalMark()).isEqualTo(DecimalMark.valueOf(mark.strip()));
        assertThat(layout.header()).isEqualTo(Boolean.parseBoolean(header.strip()));
        Position first = read(file).points().get(0).position();
        assertThat(first.plan().northing()).isEqualTo(1.5);
        assertThat(first.plan().easting()).isEqualTo(2.5);
    }

    /** Every fault with its line, its column and what stands there. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "T3,abc,2,3 | NOT_A_NUMBER | 3 | 2", "T3,1,2e5,3 | NOT_A_NUMBER | 3 | 3", "T3,NaN,2,3 | NOT_A_NUMBER | 3 | 2", "T3,1.2.3,2,3 | NOT_A_NUMBER | 3 | 2",
        "T3,\"1,5\",2,3 | DECIMAL_COMMA | 3 | 2", "T3,999999999999,2,3 | NUMBER_TOO_LARGE | 3 | 2", "T3,1 | CELL_MISSING | 3 | 3",
        "T3,,2,3 | CELL_EMPTY | 3 | 2", ",1,2,3 | CELL_EMPTY | 3 | 1", "=T3,1,2,3 | NAME_UNFIT | 3 | 1", "T1,1,2,3 | NAME_TWICE | 3 | 1",
        "T3,1,2,3,K K | CODE_UNFIT | 3 | 5", "\"T3,1,2,3 | QUOTE_OPEN | 3 | 0", "T3,1,2,high | NOT_A_NUMBER | 3 | 4",
        "T3,1,5,2,5,3,0 | CELL_EXTRA | 3 | 6"})
    void aFaultNamesItsPlace(String row, Fault.Kind kind, long line, int column) throws IOException {
        PointCsvReader.Result result = read(file("Name,N,E,H,Code\nT1,1,2,3,A\n" + row + "\n"));
        assertThat(result.faults()).first().satisfies(f -> {
            assertThat(f.kind()).isEqualTo(kind);
            assertThat(f.line()).isEqualTo(line);
            assertThat(f.column()).isEqualTo(column);
        });
        assertThat(result.sound()).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {"\r\n", "\r", "\n"})
    void anyLineEndCountsOnce(String end) throws IOException {
        PointCsvReader.Result result = read(file(("Name,N,E\nT1,1,2\n\n# a remark\nT2,x,2\n").replace("\n", end)));
        assertThat(result.faults()).extracting(Fault::line).containsExactly(5L);
    }

    @ParameterizedTest
    @CsvSource({"UTF-8, false", "UTF-16, false", "UTF-16LE, false", "UTF-16BE, false", "ISO-8859-1, true"})
    void encodingsAreRecognised(String charset, boolean assumed) throws IOException {
        Path file = directory.resolve("points.csv");
        Files.write(file, ("Name,N,E\nHäuschen,1,2\n" + "T1,3,4\n".repeat(1)).getBytes(Charset.forName(charset)));
        TextEncoding encoding = TextEncoding.of(file);
        assertThat(encoding.assumed()).isEqualTo(assumed);
        assertThat(read(file).points()).extracting(p -> p.name().text()).containsExactly("Häuschen", "T1");
        if (assumed) {
            assertThat(encoding.line()).isEqualTo(2);
            assertThat(encoding.column()).isEqualTo(2);
        }
    }

    @Test
    void aMarkedUtf8FileLosesOnlyItsMark() throws IOException {
        assertThat(read(file("\uFEFF" + CONTROL)).points()).extracting(p -> p.name().text()).containsExactly("T1", "T2");
    }

    @Test
    void unitsAreTheLayouts() throws IOException {
        Path file = file("AS1,412350.21,1873402.77,14.62\nAS2,1,2,3\n");
        PointCsvLayout layout = PointCsvProbe.propose(file, TextEncoding.of(file), LengthUnit.US_SURVEY_FOOT).layout();
        PointCsvReader.Result result = PointCsvReader.read(file, TextEncoding.of(file), layout);
        assertThat(result.points().get(0).position().plan().northing()).isCloseTo(412350.21 * 1200 / 3937, within(1e-9));
    }

    @Test
    void nothingOfAnEmptyTableIsRead() throws IOException {
        assertThat(read(file("Name,N,E\n")).faults()).extracting(Fault::kind).containsExactly(Fault.Kind.NO_POINTS);
    }

    @Test
    void aHugeFileWithoutLineEndsStopsAtTheFirstLine() throws IOException {
        Path file = directory.resolve("zeroes.csv");
        try (RandomAccessFile sparse = new RandomAccessFile(file.toFile(), "rw")) {
            sparse.setLength(200L << 20);
        }
        PointCsvLayout layout = new PointCsvLayout(',', DecimalMark.POINT, false, Map.of(Column.NAME, 0, Column.NORTHING, 1, Column.EASTING, 2), LengthUnit.METRE);
        assertThat(PointCsvReader.read(file, TextEncoding.of(file), layout).faults())
                .extracting(Fault::kind, Fault::line).containsExactly(tuple(Fault.Kind.LINE_TOO_LONG, 1L));
    }

    @Test
    void aCloudOfPointsIsNotTakenForControl() throws IOException {
        Path file = directory.resolve("cloud.csv");
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file))) {
            for (int i = 0; i <= PointCsvReader.MOST_POINTS + 5; i++) {
                out.write(("C" + i + ",1,2,3\n").getBytes(StandardCharsets.US_ASCII));
            }
        }
        PointCsvReader.Result result = read(file);
        assertThat(result.faults()).extracting(Fault::kind, Fault::line).containsExactly(tuple(Fault.Kind.TOO_MANY_POINTS, PointCsvReader.MOST_POINTS + 1L));
    }

    @Test
    void manyFaultsAreCountedAndTheFirstKept() throws IOException {
        PointCsvReader.Result result = read(file("Name,N,E\n" + "T,x,y\n".repeat(1000)));
        assertThat(result.faultCount()).isEqualTo(2999);
        assertThat(result.faults()).hasSize(PointCsvReader.MOST_FAULTS_KEPT);
    }

    /** Whatever bytes come, the reader says something and never throws anything but what reading a file may throw. */
    @Test
    void mutilatedFilesNeverBreakTheReader() throws IOException {
        Random random = new Random(17);
        byte[] sound = CONTROL.repeat(3).getBytes(StandardCharsets.UTF_8);
        for (int run = 0; run < 1000; run++) {
            byte[] bytes = sound.clone();
            for (int i = 0; i <= random.nextInt(12); i++) {
                bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
            }
            Path file = directory.resolve("mutilated.csv");
            Files.write(file, Arrays.copyOf(bytes, 1 + random.nextInt(bytes.length)));
            PointCsvProbe.Proposal proposal = propose(file);
            boolean complete = proposal.layout().columns().keySet().containsAll(List.of(Column.NAME, Column.NORTHING, Column.EASTING));
            PointCsvReader.Result result = PointCsvReader.read(file, TextEncoding.of(file), proposal.layout());
            assertThat(result.sound()).isEqualTo(result.faults().isEmpty());
            assertThat(complete || result.points().isEmpty()).isTrue();
        }
    }

    @Test
    void whatIsWrittenReadsBackToThePrintedFigure() throws IOException {
        List<StoredPoint> points = List.of(stored("101", Position.of(6314458.7954, 649001.3361, -0.0004)), stored("102", Position.ofPlan(1, 2)));
        for (DecimalMark mark : DecimalMark.values()) {
            StringBuilder out = new StringBuilder();
            PointCsvWriter.write(out, PointCsvWriter.Content.of(points), new PointCsvWriter.Layout(
                    List.of(Field.NAME, Field.EASTING, Field.NORTHING, Field.ELEVATION, Field.CODE, Field.SIGMA_PLAN), ';', mark, LengthUnit.METRE, 3));
            PointCsvReader.Result back = read(file(out.toString()));
            assertThat(back.points()).extracting(p -> p.name().text(), p -> p.position().plan().northing(), p -> p.position().elevation().map(e -> e.metres()))
                    .containsExactly(tuple("101", 6314458.795, Optional.of(0.0)), tuple("102", 1.0, Optional.empty()));
        }
    }

    @Test
    void theHeadingsSayTheUnitAndFeetAreWrittenAsFeet() throws IOException {
        StringBuilder out = new StringBuilder();
        PointCsvWriter.write(out, PointCsvWriter.Content.of(List.of(stored("101", Position.of(1200.0 / 3937, 0, 0)))), new PointCsvWriter.Layout(
                List.of(Field.NAME, Field.NORTHING, Field.ORIGIN), ',', DecimalMark.POINT, LengthUnit.US_SURVEY_FOOT, 2));
        assertThat(out).hasToString("Name,Northing [ftUS],Origin\r\n101,1.00,measured\r\n");
        assertThatIllegalArgumentException().isThrownBy(() -> new PointCsvWriter.Layout(List.of(Field.NAME), ',', DecimalMark.COMMA, LengthUnit.METRE, 3));
    }

    @Test
    void whatCountsSouthAndWestIsNamedAndSignedSo() throws IOException {
        StringBuilder out = new StringBuilder();
        PointCsvWriter.write(out, new PointCsvWriter.Content(List.of("pure grid"), List.of(stored("K1", Position.ofPlan(-1050538.63, -568991))), List.of("condition"),
                point -> Map.of("condition", "worn, wet")), new PointCsvWriter.Layout(List.of(Field.NAME, Field.EASTING, Field.NORTHING), ',', DecimalMark.POINT,
                LengthUnit.METRE, 2, new PlanAxes(PlanAxes.Order.EAST_NORTH, true, true)));
        assertThat(out).hasToString("# pure grid\r\nName,Westing [m],Southing [m],condition\r\nK1,568991.00,1050538.63,\"worn, wet\"\r\n");
        assertThat(read(file(out.toString().replace(",condition", "").replace(",\"worn, wet\"", ""))).points()).hasSize(1);
    }

    private static StoredPoint stored(String name, Position position) {
        return new StoredPoint(UUID.randomUUID(), new PointName(name), new Code("GRD"), Origin.MEASURED, position, Optional.empty(), Optional.empty(), Optional.empty());
    }

    private Path file(String text) throws IOException {
        return Files.writeString(directory.resolve("points.csv"), text);
    }

    private static PointCsvProbe.Proposal propose(Path file) throws IOException {
        return PointCsvProbe.propose(file, TextEncoding.of(file), LengthUnit.METRE);
    }

    private static PointCsvReader.Result read(Path file) throws IOException {
        return PointCsvReader.read(file, TextEncoding.of(file), propose(file).layout());
    }
}
