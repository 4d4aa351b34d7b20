package verge.formats.codebook;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
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
        Codebook.Row kerb = new Codebook.Row(new Code("KRB"), "kerb", Codebook.Kind.STRING, Codebook.Surface.NONE, new Codebook.Drawn(Codebook.Marker.RING_CROSS, Codebook.Line.DASHED, "Kerbs"), "",
                List.of(), List.of(Attribute.text("stone"), Attribute.text("height")), List.of("yard", "street"));
        assertThat(read("""
                {"codebook": 1, "title": "Yard", "codes": [{"code": "KRB", "meaning": "kerb", "marker": "ring cross", "joins": true, "layer": "Kerbs",
                 "line": "dashed", "attributes": ["stone", "height"], "expected": ["yard", "street"], "later": {"x": [1]}}]}""").book()).isEqualTo(new Codebook("Yard", List.of(kerb)));
        assertThat(read("Code;Meaning;Marker;Joins;Layer;Line;Attributes;Expected\nKRB;kerb;ring-cross;yes;Kerbs;dashed;stone|height;yard|street|yard\n").book().rows()).containsExactly(kerb);
    }

    @Test
    void everyFaultIsToldAndNothingIsHalfRead() throws IOException {
        CodebookReader.Result result = read("code,meaning,marker,joins\nKRB,kerb,blob,maybe\n,nothing,,\nKRB,again,,\nA B,,,\n");
        assertThat(result.faults()).extracting(f -> f.kind() + " " + f.where()).containsExactly("MARKER_UNKNOWN line 2", "YES_OR_NO line 2", "CODE_MISSING line 3", "CODE_TWICE line 4", "CODE_UNFIT line 5");
        assertThat(result.book().rows()).isEmpty();
        assertThat(read("code\n").faults()).extracting(CodebookReader.Fault::kind).containsExactly(CodebookReader.Kind.NO_CODES);
    }

    @Test
    void whatIsAskedForIsReadAsItIsWritten() throws IOException {
        Codebook book = read("""
                code,meaning,kind,surface,marker,line,group,with,attributes
                STT,step top,string,breakline,,double,Yard,STF,"riser: number mm 80 to 240, required, repeats|stone: choice granite / brick"
                STF,step foot,string,breakline,,dash dot,Yard,STT,
                TRE,tree,sized,ground,tree,,Green,,"species: text, repeats|girth: number m 0.1 to 12|planted: date|seen: photo, required|sound: yes-no"
                """).book();
        assertThat(book.rows()).extracting(Codebook.Row::kind).containsExactly(Codebook.Kind.STRING, Codebook.Kind.STRING, Codebook.Kind.SIZED);
        assertThat(book.rows().get(0).comesWith()).containsExactly(new Code("STF"));
        assertThat(book.rows().get(0).attributes()).containsExactly(
                new Attribute("riser", Attribute.Type.NUMBER, "mm", Optional.of(new Attribute.Range(80, 240)), List.of(), true, true),
                new Attribute("stone", Attribute.Type.CHOICE, "", Optional.empty(), List.of("granite", "brick"), false, false));
        assertThat(book.rows().get(2).attributes()).extracting(Attribute::type)
                .containsExactly(Attribute.Type.TEXT, Attribute.Type.NUMBER, Attribute.Type.DATE, Attribute.Type.PHOTO, Attribute.Type.YES_NO);
        assertThat(read(CodebookWriter.json(book)).book()).as("written and read as JSON").isEqualTo(book);
        assertThat(read(CodebookWriter.csv(book)).book()).as("and as CSV").isEqualTo(book);
    }

    @ParameterizedTest
    @ValueSource(strings = {": number", "girth: number m 9 to 1", "girth: number m 1 to", "girth: number big m 1 to 2", "kind: choice one", "kind: sort", "a: text, always", "seen: photo big", "a: required, text, date"})
    void anAttributeThatIsNotUnderstoodIsAFault(String attribute) throws IOException {
        assertThat(read("{\"codebook\": 2, \"codes\": [{\"code\": \"A\", \"attributes\": [\"" + attribute + "\"]}]}").faults()).extracting(CodebookReader.Fault::kind).containsExactly(CodebookReader.Kind.ATTRIBUTE_UNFIT);
    }

    @Test
    void whoeverComesWithACodeMustBeInTheBook() throws IOException {
        assertThat(read("code,with,kind,surface\nSTT,STF,lump,hill\n").faults()).extracting(CodebookReader.Fault::kind).containsExactly(CodebookReader.Kind.KIND_UNKNOWN, CodebookReader.Kind.SURFACE_UNKNOWN);
        assertThat(read("code,with\nSTT,STF\n").faults()).extracting(f -> f.kind() + " " + f.where() + " " + f.found()).containsExactly("WITH_UNKNOWN STT STF");
    }

    @Test
    void whatIsNoTableOfCodesIsRefused() {
        assertThatThrownBy(() -> read("P01;1;2\n")).isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.FILE_DAMAGED));
        assertThatThrownBy(() -> read("{\"codebook\": 1, \"codes\": [")).isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.FILE_DAMAGED));
    }
}
