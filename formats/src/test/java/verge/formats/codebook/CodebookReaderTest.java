package verge.formats.codebook;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.coding.Attribute;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.formats.reading.Watch;

class CodebookReaderTest {
    @TempDir
    private Path directory;

    private CodebookReader.Result read(String text) throws IOException {
        return CodebookReader.read(Files.writeString(directory.resolve("codes"), text), Watch.none("codes"));
    }

    @Test
    void bothFormsGiveTheSameBook() throws IOException {
        Codebook.Row kerb = new Codebook.Row(new Code("KRB"), "kerb", Codebook.Kind.STRING, Codebook.Surface.NONE,
                new Codebook.Drawn(Codebook.Marker.RING_CROSS, Codebook.Line.DASHED, "Kerbs"), "",
                List.of(), List.of(Attribute.text("stone"), Attribute.text("height")), List.of("yard", "street"));
        assertThat(read("""
                {"codebook": 1, "title": "Yard", "codes": [{"code": "KRB", "meaning": "kerb", "marker": "ring cross", "joins": true, \
                "layer": "Kerbs",
                 "line": "dashed", "attributes": ["stone", "height"], "expected": ["yard", "street"], "later": {"x": \
                [1]}}]}""").book()).isEqualTo(new Codebook("Yard", List.of(kerb)));
        assertThat(
                read("Code;Meaning;Marker;Joins;Layer;Line;Attributes;Expected\n"
                + "KRB;kerb;ring-cross;yes;Kerbs;dashed;stone|height;yard|street|yard\n").book().rows()).containsExactly(kerb);
    }

    @Test
    void everyFaultIsToldAndNothingIsHalfRead() throws IOException {
        CodebookReader.Result result = read("code,meaning,marker,joins\nKRB,kerb,blob,maybe\n,nothing,,\nKRB,again,,\nA B,,,\n");
        assertThat(result.faults()).extracting(f -> f.kind() + " " + f.where())
                .containsExactly("MARKER_UNKNOWN line 2", "YES_OR_NO line 2", "CODE_MISSING line 3", "CODE_TWICE line 4",
                "CODE_UNFIT line 5");
        assertThat(result.book().rows()).isEmpty();
        assertThat(read("code\n").faults()).extracting(CodebookReader.Fault::kind).containsExactly(CodebookReader.Kind.NO_CODES);
    }

    @Test
    void whatIsAskedForIsReadAsItIsWritten() throws IOException {
        Codebook book = read("""
                code,meaning,kind,surface,marker,line,group,with,attributes
                STT,step top,string,breakline,,double,Yard,STF,"riser: number mm 80 to 240, required, repeats|stone: choice granite / brick"
                STF,step foot,string,breakline,,dash dot,Yard,STT,
                TRE,tree,sized,ground,tree,,Green,,"species: text, repeats|girth: number m 0.1 to 12|planted: date|seen: photo, \
                required|sound: yes-no"
                """).book();
        assertThat(book.rows()).extracting(Codebook.Row::kind)
                .containsExactly(Codebook.Kind.STRING, Codebook.Kind.STRING, Codebook.Kind.SIZED);
        assertThat(book.rows().get(0).comesWith()).containsExactly(new Code("STF"));
        assertThat(book.rows().get(0).attributes()).containsExactly(
                new Attribute("riser", Attribute.Type.NUMBER, "mm", Optional.of(new Attribute.Range(80, 240)), List.of(), true, true),
                new Attribute("stone", Attribute.Type.CHOICE, "", Optional.empty(), List.of("granite", "brick"), false, false));
        assertThat(book.rows().get(2).attributes()).extracting(Attribute::type)
                .containsExactly(Attribute.Type.TEXT, Attribute.Type.NUMBER, Attribute.Type.DATE, Attribute.Type.PHOTO,
                Attribute.Type.YES_NO);
        assertThat(read(CodebookWriter.json(book)).book()).as("written and read as JSON").isEqualTo(book);
        assertThat(read(CodebookWriter.csv(book)).book()).as("and as CSV").isEqualTo(book);
    }

    @ParameterizedTest
    @ValueSource(strings = {": number", "girth: number m 9 to 1", "girth: number m 1 to", "girth: number big m 1 to 2", "kind: choice one",
            "kind: sort", "a: text, always", "seen: photo big", "a: required, text, date"})
    void anAttributeThatIsNotUnderstoodIsAFault(String attribute) throws IOException {
        assertThat(read("{\"codebook\": 2, \"codes\": [{\"code\": \"A\", \"attributes\": [\"" + attribute + "\"]}]}").faults())
                .extracting(CodebookReader.Fault::kind).containsExactly(CodebookReader.Kind.ATTRIBUTE_UNFIT);
    }

    @Test
    void whoeverComesWithACodeMustBeInTheBook() throws IOException {
        assertThat(read("code,with,kind,surface\nSTT,STF,lump,hill\n").faults()).extracting(CodebookReader.Fault::kind)
                .containsExactly(CodebookReader.Kind.KIND_UNKNOWN, CodebookReader.Kind.SURFACE_UNKNOWN);
        assertThat(read("code,with\nSTT,STF\n").faults()).extracting(f -> f.kind() + " " + f.where() + " " + f.found())
                .containsExactly("WITH_UNKNOWN STT STF");
    }

    /** Each line: the heading, what its columns are taken for. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"Feature code,Description,Type,Colour | code,meaning,kind,",
            "Kode,Beskrivelse,Geometri,Lag | code,meaning,kind,layer", "code,name,meaning | code,,meaning", "Alpha,Bravo | ,",
            "KRB,kerb | ,"})
    void columnsAreProposedByTheirHeadings(String heading, String parts) throws IOException {
        CodebookReader.Result look = read(heading + "\nKRB,kerb,line,x\n");
        assertThat(String.join(",", look.layout().orElseThrow().columns())).isEqualTo(parts);
        assertThat(look.faults().stream().anyMatch(f -> f.kind() == CodebookReader.Kind.COLUMN_MISSING)).isEqualTo(!parts.contains("code"));
    }

    @Test
    void columnsAndKindsAreAssignedByHand() throws IOException {
        Path file = Files.writeString(directory.resolve("codes"), "KRB,9,kerb,area edge\nLMP,8,lamp,sign\n");
        CodebookReader.Result asked = CodebookReader.read(file,
                Optional.of(new CodebookLayout(List.of("code", "", "meaning", "kind"), false, Map.of("area edge", Codebook.Kind.STRING))),
                Watch.none("codes"));
        assertThat(asked.kindWords()).containsExactly("area edge", "sign");
        assertThat(asked.faults()).extracting(CodebookReader.Fault::found).containsExactly("sign");
        CodebookReader.Result read = CodebookReader.read(file,
                Optional.of(new CodebookLayout(List.of("code", "", "meaning", "kind"), false,
                Map.of("area edge", Codebook.Kind.STRING, "sign", Codebook.Kind.POINT))), Watch.none("codes"));
        assertThat(read.book().rows()).extracting(r -> r.code() + " " + r.meaning() + " " + r.kind())
                .containsExactly("KRB kerb STRING", "LMP lamp POINT");
    }

    @Test
    void ofTwoColumnsThatAreTheSameTheFirstCounts() {
        assertThat(new CodebookLayout(List.of("code", "meaning", "code", "nonsense", "", ""), true, Map.of()).columns())
                .containsExactly("code", "meaning", "", "", "", "");
    }

    @Test
    void aTitleGoesThroughATable() throws IOException {
        Codebook book = new Codebook("Harbour works, 2026",
                List.of(new Codebook.Row(new Code("KRB"), "kerb", Codebook.Kind.STRING, Codebook.Surface.NONE,
                new Codebook.Drawn(Codebook.Marker.DOT, Codebook.Line.SOLID, ""), "", List.of(), List.of(), List.of())));
        assertThat(read(CodebookWriter.csv(book)).book()).isEqualTo(book);
        assertThat(read("# Yard\ncode,kind\nKRB,lump\n").faults()).extracting(CodebookReader.Fault::where).containsExactly("line 3");
    }

    @Test
    void whatIsNoTableOfCodesIsRefused() throws IOException {
        assertThat(read("P01;1;2\n").faults()).extracting(CodebookReader.Fault::kind).contains(CodebookReader.Kind.COLUMN_MISSING);
        assertThatThrownBy(() -> read("{\"codebook\": 1, \"codes\": ["))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.FILE_DAMAGED));
    }
}
