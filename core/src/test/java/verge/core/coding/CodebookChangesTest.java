package verge.core.coding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;

class CodebookChangesTest {
    private static final Codebook.Drawn DASHED = new Codebook.Drawn(Codebook.Marker.DOT, Codebook.Line.DASHED, "Kerbs");

    private static Codebook.Row row(String code, String meaning, Codebook.Drawn drawn, String group, List<Attribute> asked) {
        return new Codebook.Row(new Code(code), meaning, Codebook.Kind.STRING, Codebook.Surface.BREAKLINE, drawn, group, List.of(), asked,
                List.of());
    }

    /** Its order stays, so that the legend does; what was made in the field counts, and what is new stands behind. */
    @Test
    void aBookIsAmendedInItsPlace() {
        Codebook office = new Codebook("office",
                List.of(row("KRB", "kerb", Codebook.Drawn.PLAIN, "", List.of()), row("RLG", "railing", DASHED, "Yard", List.of())));
        Codebook field = new Codebook("field",
                List.of(row("GAT", "gate", DASHED, "", List.of()), row("KRB", "granite kerb", DASHED, "", List.of())));
        assertThat(office.amended(field).rows()).extracting(r -> r.code() + " " + r.meaning())
                .containsExactly("KRB granite kerb", "RLG railing", "GAT gate");
        assertThat(office.amended(field).title()).isEqualTo("office");
    }

    @Test
    void whatCameWentAndIsOtherwiseIsTold() {
        Codebook earlier = new Codebook("1",
                List.of(row("KRB", "kerb", Codebook.Drawn.PLAIN, "", List.of()), row("OLD", "gone", Codebook.Drawn.PLAIN, "", List.of()),
                row("RLG", "railing", DASHED, "Yard", List.of())));
        Codebook later = new Codebook("2",
                List.of(row("RLG", "railing", DASHED, "Yard", List.of()), row("NEW", "come", Codebook.Drawn.PLAIN, "", List.of()),
                row("KRB", "kerb stone", DASHED, "Yard", List.of(Attribute.text("stone")))));
        CodebookChanges changes = CodebookChanges.between(earlier, later);
        assertThat(changes.came()).extracting(r -> r.code().text()).containsExactly("NEW");
        assertThat(changes.gone()).extracting(r -> r.code().text()).containsExactly("OLD");
        assertThat(changes.changed()).hasSize(1);
        assertThat(changes.changed().get(0).parts())
                .containsExactly(CodebookChanges.Part.MEANING, CodebookChanges.Part.LINE, CodebookChanges.Part.LAYER,
                CodebookChanges.Part.GROUP, CodebookChanges.Part.ATTRIBUTES);
    }

    /** Another order of the same codes is the same book. */
    @Test
    void nothingIsOtherwiseInTheSameBook() {
        Codebook book = Codebook.general();
        List<Codebook.Row> turned = new ArrayList<>(book.rows());
        Collections.reverse(turned);
        assertThat(CodebookChanges.between(book, new Codebook("other", turned)))
                .isEqualTo(new CodebookChanges(List.of(), List.of(), List.of()));
    }
}
