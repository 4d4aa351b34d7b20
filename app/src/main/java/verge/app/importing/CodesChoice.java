package verge.app.importing;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import verge.core.coding.Codebook;
import verge.formats.codebook.CodebookLayout;

/**
 * How a person or a program wants a table of codes read; what was not chosen is null and comes from the proposal.
 *
 * @param part for each column what it says, or an empty text to leave it out
 * @param heading whether the first line names the columns
 * @param word words for kinds
 * @param meant what each of them means: POINT, STRING, SIZED, or an empty text
 */
public record CodesChoice(List<String> part, Boolean heading, List<String> word, List<String> meant) {
    /** The proposal with what was chosen put over it; a word that means nothing any more is asked about again. */
    CodebookLayout over(CodebookLayout proposed) {
        Map<String, Codebook.Kind> kinds = new HashMap<>(proposed.kinds());
        for (int i = 0; word != null && meant != null && i < Math.min(word.size(), meant.size()); i++) {
            String plain = word.get(i).strip().toLowerCase(Locale.ROOT).replace('_', ' ');
            Optional<Codebook.Kind> kind = kind(meant.get(i));
            kind.ifPresentOrElse(k -> kinds.put(plain, k), () -> kinds.remove(plain));
        }
        return new CodebookLayout(part == null ? proposed.columns() : part, heading == null ? proposed.heading() : heading, kinds);
    }

    private static Optional<Codebook.Kind> kind(String said) {
        return List.of(Codebook.Kind.values()).stream().filter(k -> k.name().equals(said)).findFirst();
    }
}
