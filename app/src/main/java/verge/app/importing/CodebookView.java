package verge.app.importing;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.coding.CodebookChanges;
import verge.formats.codebook.CodebookWriter;

/** A table of codes in finished text, with what it has otherwise than what counted before. */
record CodebookView(String title, List<Row> rows, List<String> changes) {

    /** One code. */
    record Row(String code, String meaning, String kind, String surface, String layer, String group, String with, List<String> attributes) {
    }

    static CodebookView of(Codebook book, Codebook before) {
        return new CodebookView(book.title(), book.rows().stream().map(CodebookView::row).toList(),
                changes(CodebookChanges.between(before, book)));
    }

    private static Row row(Codebook.Row row) {
        return new Row(row.code().text(), row.meaning(), word(row.kind()),
                row.surface() == Codebook.Surface.NONE ? "" : word(row.surface()), row.drawn().layer(), row.group(),
                row.comesWith().stream().map(Code::text).collect(Collectors.joining(", ")),
                row.attributes().stream().map(CodebookWriter::attribute).toList());
    }

    private static List<String> changes(CodebookChanges changes) {
        return Stream.of(codes("Comes", changes.came()), codes("Goes", changes.gone()),
                changes.changed().stream().map(c -> c.later().code() + " " + c.later().meaning() + ": other "
                + c.parts().stream().map(CodebookView::word).collect(Collectors.joining(", ")))).flatMap(words -> words).toList();
    }

    private static Stream<String> codes(String what, List<Codebook.Row> rows) {
        return rows.isEmpty() ? Stream.empty()
                : Stream.of(what + ": " + rows.stream().map(row -> row.code().text()).collect(Collectors.joining(", ")));
    }

    private static String word(Enum<?> choice) {
        return choice.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
