package verge.formats.codebook;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import verge.core.coding.Codebook;

/**
 * How a table of codes is read, where its headings and its words for kinds are not those of docs/codebook.md.
 *
 * @param columns for each column one of {@link #PARTS}, or an empty text for one that is left out
 * @param heading whether the first line names the columns
 * @param kinds what words of the table mean, in small letters
 */
public record CodebookLayout(List<String> columns, boolean heading, Map<String, Codebook.Kind> kinds) {
    static final String CODE = "code";
    /** What a column of such a table can say. */
    public static final List<String> PARTS = List.of(CODE, "meaning", "kind", "joins", "surface", "marker", "line", "layer", "group",
            "with", "attributes", "expected");
    /** Other words of the trade for the same, in the languages that tables of points are understood in. */
    private static final Map<String, Set<String>> WORDS = Map.of(
            CODE, Set.of("feature code", "point code", "kode", "kod", "codigo", "código", "codice", "objektcode", "punktkode"),
            "meaning", Set.of("description", "desc", "name", "feature", "text", "beschreibung", "bedeutung", "bezeichnung", "beskrivelse",
            "betydning", "beskrivning", "omschrijving", "betekenis", "descripcion", "descripción",
                    "signification", "descrizione", "significato", "opis", "descricao", "descrição"),
            "kind", Set.of("type", "geometry", "art", "typ", "geometrie", "geometri", "soort", "tipo", "genre", "rodzaj"),
            "layer", Set.of("level", "ebene", "lag", "lager", "laag", "capa", "calque", "couche", "livello", "warstwa", "camada"),
            "group", Set.of("category", "class", "theme", "gruppe", "grupp", "groep", "grupo", "groupe", "gruppo", "grupa"));
    private static final Map<Codebook.Kind, Set<String>> KINDS = Map.of(
            Codebook.Kind.POINT, Set.of("point", "points", "punkt", "punt", "punto", "ponto", "pt", "spot", "symbol", "node", "p"),
            Codebook.Kind.STRING, Set.of("string", "line", "lines", "polyline", "linear", "linestring", "linie", "linje", "lijn", "linea",
            "línea", "ligne", "linha", "l"));

    public CodebookLayout {
        List<String> said = columns;
        // Of two columns that are said to be the same the first counts, and the page shows the other as left out.
        columns = IntStream.range(0, said.size())
                .mapToObj(i -> PARTS.contains(said.get(i)) && said.indexOf(said.get(i)) == i ? said.get(i) : "").toList();
        kinds = Map.copyOf(kinds);
    }

    /** By what stands in the first line: a table in which no word is known has no heading that could be followed. */
    static CodebookLayout proposed(List<String> first) {
        List<String> columns = new ArrayList<>();
        for (String cell : first) {
            String plain = plain(cell);
            String part = PARTS.contains(plain) ? plain : WORDS.entrySet().stream().filter(e -> e.getValue().contains(plain))
                    .map(Map.Entry::getKey).findFirst().orElse("");
            // A word of our own wins over one that also may mean it: 'name' beside 'meaning'.
            boolean taken = columns.contains(part) || !PARTS.contains(plain) && first.stream().map(CodebookLayout::plain)
                    .anyMatch(part::equals);
            columns.add(taken ? "" : part);
        }
        return new CodebookLayout(columns, columns.stream().anyMatch(c -> !c.isEmpty()), Map.of());
    }

    /** As words are compared: without blanks around, in small letters. */
    static String plain(String cell) {
        return cell.strip().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    /** What a word for a kind is written as in our own books; itself where nobody knows. */
    String kind(String written) {
        String plain = plain(written);
        Codebook.Kind said = kinds.get(plain);
        return said != null ? CodebookWriter.word(said) : KINDS.entrySet().stream().filter(e -> e.getValue().contains(plain))
                .map(e -> CodebookWriter.word(e.getKey())).findFirst().orElse(written);
    }

    /** Whether a word for a kind is none of ours, nor one that is known to mean one. */
    static boolean isForeign(String written) {
        String plain = plain(written);
        return !plain.isEmpty() && KINDS.values().stream().noneMatch(words -> words.contains(plain))
                && Arrays.stream(Codebook.Kind.values()).map(CodebookWriter::word).noneMatch(plain::equals);
    }

    /** As a layout of as many columns as the table has: what was said of others falls away. */
    CodebookLayout fitting(int width) {
        return columns.size() == width ? this
                : new CodebookLayout(IntStream.range(0, width).mapToObj(i -> i < columns.size() ? columns.get(i) : "").toList(), heading,
                kinds);
    }
}
