package verge.formats.codebook;

import java.io.IOException;
import java.io.StringWriter;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.PrettyPrinter;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.core.util.DefaultPrettyPrinter;
import verge.core.coding.Attribute;
import verge.core.coding.Code;
import verge.core.coding.Codebook;

/** Writes tables of codes so that {@link CodebookReader} reads back what was written. Both forms are described in docs/codebook.md. */
public final class CodebookWriter {
    static final int VERSION = 3;
    private static final String PARTED = "|";

    private CodebookWriter() {
    }

    public static String json(Codebook book) {
        StringWriter text = new StringWriter();
        try (JsonGenerator json = new JsonFactory().createGenerator(new ObjectWriteContext.Base() {
            @Override
            public PrettyPrinter getPrettyPrinter() {
                return new DefaultPrettyPrinter();
            }
        }, text)) {
            json.writeStartObject();
            json.writeNumberProperty("codebook", VERSION);
            json.writeStringProperty("title", book.title());
            json.writeArrayPropertyStart("codes");
            book.rows().forEach(row -> write(json, row));
            json.writeEndArray();
            json.writeEndObject();
        }
        return text.append('\n').toString();
    }

    private static void write(JsonGenerator json, Codebook.Row row) {
        json.writeStartObject();
        json.writeStringProperty("code", row.code().text());
        json.writeStringProperty("meaning", row.meaning());
        json.writeStringProperty("kind", word(row.kind()));
        json.writeStringProperty("surface", word(row.surface()));
        json.writeStringProperty("marker", word(row.drawn().marker()));
        json.writeStringProperty("line", word(row.drawn().line()));
        json.writeStringProperty("layer", row.drawn().layer());
        json.writeStringProperty("group", row.group());
        several(json, "with", row.comesWith().stream().map(Code::text).toList());
        several(json, "attributes", row.attributes().stream().map(AttributeText::write).toList());
        several(json, "expected", row.expectedIn());
        json.writeEndObject();
    }

    private static void several(JsonGenerator json, String name, List<String> values) {
        json.writeArrayPropertyStart(name);
        values.forEach(json::writeString);
        json.writeEndArray();
    }

    /** With its title as a remark, commas, a heading, and lines that end with CR LF. */
    public static String csv(Codebook book) {
        StringWriter text = new StringWriter();
        if (!book.title().isBlank()) {
            text.append("# ").append(book.title().replaceAll("\\p{Cntrl}", " ").strip()).append("\r\n");
        }
        try (CSVPrinter out = new CSVPrinter(text, CSVFormat.DEFAULT)) {
            out.printRecord(CodebookLayout.PARTS.stream().filter(part -> !part.equals("joins")));
            for (Codebook.Row row : book.rows()) {
                out.printRecord(row.code().text(), row.meaning(), word(row.kind()), word(row.surface()), word(row.drawn().marker()),
                        word(row.drawn().line()), row.drawn().layer(), row.group(),
                        row.comesWith().stream().map(Code::text).collect(Collectors.joining(PARTED)),
                        row.attributes().stream().map(AttributeText::write).collect(Collectors.joining(PARTED)),
                        String.join(PARTED, row.expectedIn()));
            }
        } catch (IOException impossible) {
            throw new IllegalStateException(impossible);   // a string is always there to be written to
        }
        return text.toString();
    }

    /** What is asked for, as it is written in a table of codes. */
    public static String attribute(Attribute asked) {
        return AttributeText.write(asked);
    }

    /** A choice as it is written. */
    static String word(Enum<?> choice) {
        return choice.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
