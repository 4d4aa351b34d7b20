package verge.formats.codebook;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
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
        Codebook.Row kerb = new Codebook.Row(new Code("KRB"), "kerb", Codebook.Marker.RING_CROSS, true, "Kerbs", Codebook.Line.DASHED, List.of("stone", "height"));
        assertThat(read("""
                {"codebook": 1, "title": "Yard", "codes": [{"code": "KRB", "meaning": "kerb", "marker": "ring cross", "joins": true, "layer": "Kerbs",
                 "line": "dashed", "attributes": ["stone", "height"], "later": {"x": [1]}}]}""").book()).isEqualTo(new Codebook("Yard", List.of(kerb)));
        assertThat(read("Code;Meaning;Marker;Joins;Layer;Line;Attributes\nKRB;kerb;ring-cross;yes;Kerbs;dashed;stone|height\n").book().rows()).containsExactly(kerb);
    }

    @Test
    void everyFaultIsToldAndNothingIsHalfRead() throws IOException {
        CodebookReader.Result result = read("code,meaning,marker,joins\nKRB,kerb,blob,maybe\n,nothing,,\nKRB,again,,\nA B,,,\n");
        assertThat(result.faults()).extracting(f -> f.kind() + " " + f.where()).containsExactly("MARKER_UNKNOWN line 2", "YES_OR_NO line 2", "CODE_MISSING line 3", "CODE_TWICE line 4", "CODE_UNFIT line 5");
        assertThat(result.book().rows()).isEmpty();
        assertThat(read("code\n").faults()).extracting(CodebookReader.Fault::kind).containsExactly(CodebookReader.Kind.NO_CODES);
    }

    @Test
    void whatIsNoTableOfCodesIsRefused() {
        assertThatThrownBy(() -> read("P01;1;2\n")).isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.FILE_DAMAGED));
        assertThatThrownBy(() -> read("{\"codebook\": 1, \"codes\": [")).isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.FILE_DAMAGED));
    }
}
