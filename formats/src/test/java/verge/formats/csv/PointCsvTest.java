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
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.units.LengthUnit;
import verge.core.units.PlanAxes;
import verge.formats.csv.PointCsvWriter.Field;
import verge.formats.text.TextEncoding;

class PointCsvTest {
    private static final String CONTROL =
            "Name,Northing,Easting,Elevation,Code\nT1,6314528.412,648988.623,8.230,CTL\nT2,6314458.795,649001.336,,CTL\n";

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
        assertThat(result.points()).extracting(p -> p.name().text(), p -> p.plan().easting(), p -> !Double.isNaN(p.elevation()))
                .containsExactly(tuple("T1", 648988.623, true), tuple("T2", 649001.336, false));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "Point;N;E;Elev|P1;1,5;2,5;3 | ; | COMMA | true", "P1\t1.5\t2.5\t3|P2\t1\t2\t3 | TAB | POINT | false",
        "P1 1.5 2.5 3|P2 1 2 3 | BLANK | POINT | false", "easting,northing,name|2.5,1.5,\"P1\" | , | POINT | true"},
        ignoreLeadingAndTrailingWhitespace = false)
    void otherSeparatorsOrdersAndMarksAreProposed(String heading, String row, String separator, String mark, String header)
    throws IOException {
        Path file = file(heading.replace("\\t", "\t") + "\n" + row.replace("\\t", "\t") + "\n");
        PointCsvLayout layout = propose(file).layout();
        String named = separator.strip();
        assertThat(layout.separator()).isEqualTo(named.equals("TAB") ? '\t' : named.equals("BLANK") ? ' ' : named.charAt(0));
        assertThat(layout.decimalMark()).isEqualTo(DecimalMark.valueOf(mark.strip()));
        assertThat(layout.header()).isEqualTo(Boolean.parseBoolean(header.strip()));
        GridPoint first = read(file).points().get(0).plan();
        assertThat(first.northing()).isEqualTo(1.5);
        assertThat(first.easting()).isEqualTo(2.5);
    }

    /** Every fault with its line, its column and what stands there. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "T3,abc,2,3 | NOT_A_NUMBER | 3 | 2", "T3,1,2f,3 | NOT_A_NUMBER | 3 | 3", "T3,1,0x1p3,3 | NOT_A_NUMBER | 3 | 3",
                "T3,1,1e999,3 | NOT_A_NUMBER | 3 | 3", "T3,NaN,2,3 | NOT_A_NUMBER | 3 | 2", "T3,1.2.3,2,3 | NOT_A_NUMBER | 3 | 2",
        "T3,\"1,5\",2,3 | DECIMAL_COMMA | 3 | 2", "T3,999999999999,2,3 | NUMBER_TOO_LARGE | 3 | 2", "T3,1 | CELL_MISSING | 3 | 3",
        "T3,,2,3 | CELL_EMPTY | 3 | 2", ",1,2,3 | CELL_EMPTY | 3 | 1", "=T3,1,2,3 | NAME_UNFIT | 3 | 1", "T1,1,2,3 | NAME_TWICE | 3 | 1",
        "\"T3,1,2,3 | QUOTE_OPEN | 3 | 0", "T3,1,2,high | NOT_A_NUMBER | 3 | 4",
        "T3,1,5,2,5,3,0 | CELL_EXTRA | 3 | 6"})
    void aFaultNamesItsPlace(String row, Fault.Kind kind, long line, int column) throws IOException {
        PointCsvReader.Result result = read(file("Name,N,E,H,Code\nT1,1,2,3,A\n" + row + "\n"));
        assertThat(result.faults()).first().satisfies(f -> {
            assertThat(f.kind()).isEqualTo(kind);
            assertThat(f.line()).isEqualTo(line);
            assertThat(f.column()).isEqualTo(column);
        });
        assertThat(result.sound()).isFalse();
        assertThat(result.points()).as("the good row comes").hasSize(1);
        assertThat(result.faults().get(0).text()).isEqualTo(row);
    }

    /** Rows of all kinds that good files have: what comes, and what is said. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "Name,N,E,H,Code,Remarks@T1,1,2,3,KRB,by the gate@ | KRB/by the gate/3.0 | ",
                "Name,N,E,H,Code@T1,1,2,3,top of kerb@ | top of kerb//3.0 | ",
        "Name,N,E,H@T1,1,2,n/a@ | //NaN | HEIGHT_NONE", "Name,N,E,H@T1,1,2,-@ | //NaN | HEIGHT_NONE",
        "Name,N,E,H,Code@T1,1e0,2E0,3.0e0,A@ | A//3.0 | ",
        "Name,N,E,H@,m,m,m@T1,1,2,3@ | //3.0 | ", "; a remark@Name,N,E,H@// another@T1,1,2,3@ | //3.0 | ",
        "sep=;@Name;N;E;H@T1;1;2;3@ | //3.0 | ",
        "Name,N,E,H,Remarks@T1,1,2,3,\"two@lines, one cell\"@ | /two lines, one cell/3.0 | ",
        "T1    1.00     2.00   3.00 KRB@T2  1.00   2.00     4.00 KRB@ | KRB//3.0 | ",
        "Punktnummer;Hochwert;Rechtswert;H\u00f6he;Bemerkung@T1;1;2;3;Ecke@ | /Ecke/3.0 | ",
        "Matricule;Est;Nord;Altitude@T1;2;1;3@ | //3.0 | ", "Nazwa,P\u00f3\u0142noc,Wsch\u00f3d,Wysoko\u015b\u0107@T1,1,2,3@ | //3.0 | ",
        "Punkt;Nord;\u00d8st;Kote;Kode@T1;1;2;3;KRB@ | KRB//3.0 | ", "Punto,Norte,Este,Cota,C\u00f3digo@T1,1,2,3,KRB@ | KRB//3.0 | ",
        "Ponto;Norte;Leste;Eleva\u00e7\u00e3o@T1;1;2;3@ | //3.0 | ",
        "Punktnummer;N;E;H\u00f6jd@T1;1;2;3@ | //3.0 | ", "Puntnummer;Oost;Noord;Hoogte;Omschrijving@T1;2;1;3;hek@ | /hek/3.0 | ",
        "Nome,Nord,Est,Quota,Descrizione@T1,1,2,3,muro@ | /muro/3.0 | ",
        "# Name, Northing, Easting, Elevation@T1,1,2,3@T2,1,2,3@ | //3.0 | ",
        "Name,N,E,H,Sigma plan [m],Sigma height [m]@T1,1,2,3,0.01,0.02@ | //3.0 | "}, ignoreLeadingAndTrailingWhitespace = false)
    void whatGoodFilesHaveIsRead(String text, String first, String noted) throws IOException {
        PointCsvReader.Result result = read(file(text.strip().replace("@", "\n")));
        PointCsvReader.Row row = result.points().get(0);
        assertThat(row.name().text()).isEqualTo("T1");
        assertThat(row.plan()).isEqualTo(new GridPoint(1, 2));
        assertThat(row.code() + "/" + row.description() + "/" + row.elevation()).isEqualTo(first.strip());
        assertThat(result.faults()).extracting(f -> f.kind().name()).isEqualTo(noted.isBlank() ? List.of() : List.of(noted.strip()));
        assertThat(result.usable()).isTrue();
    }

    /** What a file says of unit, order and sense is taken from it; what it does not say is asked. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "Name,Northing [ftUS],Easting [ftUS]@T1,2000,2000 | US_SURVEY_FOOT | false | true | false",
                "Name,N_m,E_m@T1,2000,2000 | METRE | false | true | false",
        "Name,Northing (ft),Easting (ft)@T1,2000,2000 |  | true | true | false",
        "Name,Northing (ft),Easting (ft)@T1,20,20 |  | false | true | false",
        "Name,N,E@,ftUS,ftUS@T1,2000,2000 | US_SURVEY_FOOT | false | true | false",
        "# units: US survey feet@Name,N,E@T1,2000,2000 | US_SURVEY_FOOT | false | true | false",
        "// coordinates in feet@Name,N,E@T1,2000,2000 |  | true | true | false", "Name,X,Y@T1,2000,2000 |  | false | false | false",
        "T1,2000,2000 |  | false | false | false",
        "Name,Lat,Lon@T1,56.95,11.45 |  | false | true | true", "Name,N [mm],E [mm]@T1,2000,2000 | MILLIMETRE | false | true | false"})
    void whatAFileSaysOfItselfIsHeard(String text, String unit, boolean footMatters, boolean order, boolean degrees) throws IOException {
        PointCsvProbe.Said said = propose(file(text.strip().replace("@", "\n") + "\n")).said();
        assertThat(said.unit().map(Enum::name).orElse("")).isEqualTo(unit == null ? "" : unit);
        assertThat(said.footMatters()).isEqualTo(footMatters);
        assertThat(said.order()).isEqualTo(order);
        assertThat(said.degrees()).isEqualTo(degrees);
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
        assertThat(result.points().get(0).plan().northing()).isCloseTo(412350.21 * 1200 / 3937, within(1e-9));
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
        PointCsvLayout layout = new PointCsvLayout(',', DecimalMark.POINT, false,
                Map.of(Column.NAME, 0, Column.NORTHING, 1, Column.EASTING, 2), LengthUnit.METRE);
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
        assertThat(result.faults()).extracting(Fault::kind, Fault::line)
                .containsExactly(tuple(Fault.Kind.TOO_MANY_POINTS, PointCsvReader.MOST_POINTS + 1L));
    }

    @Test
    void aTableOfNothingButFaultsCannotBeUsedAndIsNotReadToItsEnd() throws IOException {
        PointCsvReader.Result result = read(file("Name,N,E\n" + "T,x,y\n".repeat(20_000)));
        assertThat(result.usable()).isFalse();
        assertThat(result.unreadable()).isTrue();
        assertThat(result.faults()).hasSizeBetween(PointCsvReader.MOST_FAULTS, PointCsvReader.MOST_FAULTS + 3);
    }

    /** The bad rows of a good file: every one is told with its line and its text. */
    @Test
    void aFewBadRowsDoNotSinkAGoodFile() throws IOException {
        StringBuilder text = new StringBuilder("Name,N,E,H\n");
        for (int i = 0; i < 500; i++) {
            text.append(i % 50 == 7 ? "B" + i + ",1,?,3\n" : "P" + i + "," + i + ",2,3\n");
        }
        PointCsvReader.Result result = read(file(text.toString()));
        assertThat(result.points()).hasSize(490);
        assertThat(result.badRows()).isEqualTo(10);
        assertThat(result.usable()).isTrue();
        assertThat(result.faults()).extracting(Fault::text).contains("B7,1,?,3", "B457,1,?,3");
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
            assertThat(result.sound()).isEqualTo(result.faults().stream().noneMatch(f -> f.kind().leavesOut()) || result.points().isEmpty()
                    && result.badRows() == 0);
            assertThat(complete || result.points().isEmpty()).isTrue();
        }
    }

    @Test
    void whatIsWrittenReadsBackToThePrintedFigure() throws IOException {
        List<StoredPoint> points = List.of(stored("101", Position.of(6314458.7954, 649001.3361, -0.0004)),
                stored("102", Position.ofPlan(1, 2)));
        for (DecimalMark mark : DecimalMark.values()) {
            StringBuilder out = new StringBuilder();
            PointCsvWriter.write(out, PointCsvWriter.Content.of(points), new PointCsvWriter.Layout(
                    List.of(Field.NAME, Field.EASTING, Field.NORTHING, Field.ELEVATION, Field.CODE, Field.SIGMA_PLAN), ';', mark,
                    LengthUnit.METRE, 3));
            PointCsvReader.Result back = read(file(out.toString()));
            assertThat(back.points()).extracting(p -> p.name().text(), p -> p.plan().northing(), PointCsvReader.Row::elevation)
                    .containsExactly(tuple("101", 6314458.795, 0.0), tuple("102", 1.0, Double.NaN));
        }
    }

    @Test
    void theHeadingsSayTheUnitAndFeetAreWrittenAsFeet() throws IOException {
        StringBuilder out = new StringBuilder();
        PointCsvWriter.write(out, PointCsvWriter.Content.of(List.of(stored("101", Position.of(1200.0 / 3937, 0, 0)))),
                new PointCsvWriter.Layout(
                List.of(Field.NAME, Field.NORTHING, Field.ORIGIN), ',', DecimalMark.POINT, LengthUnit.US_SURVEY_FOOT, 2));
        assertThat(out).hasToString("Name,Northing [ftUS],Origin\r\n101,1.00,measured\r\n");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new PointCsvWriter.Layout(List.of(Field.NAME), ',', DecimalMark.COMMA, LengthUnit.METRE, 3));
    }

    @Test
    void whatCountsSouthAndWestIsNamedAndSignedSo() throws IOException {
        StringBuilder out = new StringBuilder();
        PointCsvWriter.write(out, new PointCsvWriter.Content(List.of("pure grid"),
                List.of(stored("K1", Position.ofPlan(-1050538.63, -568991))), List.of("condition"),
                point -> Map.of("condition", "worn, wet")),
                new PointCsvWriter.Layout(List.of(Field.NAME, Field.EASTING, Field.NORTHING), ',', DecimalMark.POINT,
                LengthUnit.METRE, 2, new PlanAxes(PlanAxes.Order.EAST_NORTH, true, true)));
        assertThat(out).hasToString("# pure grid\r\nName,Westing [m],Southing [m],condition\r\nK1,568991.00,1050538.63,\"worn, wet\"\r\n");
        assertThat(read(file(out.toString().replace(",condition", "").replace(",\"worn, wet\"", ""))).points()).hasSize(1);
    }

    @Test
    void notesAreNoFormulas() throws IOException {
        StringBuilder out = new StringBuilder();
        PointCsvWriter.write(out, new PointCsvWriter.Content(List.of(), List.of(stored("K1", Position.ofPlan(1, 2))), List.of("@field"),
                point -> Map.of("@field", "=2+2")),
                new PointCsvWriter.Layout(List.of(Field.NAME, Field.NORTHING), ',', DecimalMark.POINT, LengthUnit.METRE, 2));
        assertThat(out).hasToString("Name,Northing [m],'@field\r\nK1,1.00,'=2+2\r\n");
    }

    private static StoredPoint stored(String name, Position position) {
        return new StoredPoint(UUID.randomUUID(), new PointName(name), new Code("GRD"), Origin.MEASURED, position, Optional.empty(),
                Optional.empty(), Optional.empty());
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
