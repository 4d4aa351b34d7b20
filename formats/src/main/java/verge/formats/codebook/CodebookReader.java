package verge.formats.codebook;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVException;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.json.JsonFactory;
import verge.core.coding.Attribute;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.problem.SurveyException;
import verge.formats.reading.FileKind;
import verge.formats.reading.Watch;
import verge.formats.text.TextEncoding;

/**
 * Reads tables of codes: Verge's own JSON, and CSV with a heading. Both are described in docs/codebook.md. A book is read whole or, with
 * every fault told, not at all.
 */
public final class CodebookReader {
    private static final int MOST_CODES = 5_000;
    private static final int LONGEST_WORDS = 80;
    private static final int MOST_FAULTS = 50;
    private static final int LONGEST_TITLE_LINE = 1000;
    private static final int LONGEST_ATTRIBUTE = 2_000;
    private static final String CODE = CodebookLayout.CODE;
    private static final String KIND = "kind";
    private static final String TITLE_MARK = "#";
    private static final int ROWS_SHOWN = 8;
    private static final String PARTED = "|";
    private static final String PARTED_BY = "\\|";

    private final List<Codebook.Row> rows = new ArrayList<>();
    private final List<Fault> faults = new ArrayList<>();
    private final Set<Code> seen = new HashSet<>();

    private final List<List<String>> head = new ArrayList<>();
    private final Set<String> kindWords = new LinkedHashSet<>();
    private Optional<CodebookLayout> layout;
    private String title = "";

    private CodebookReader(Optional<CodebookLayout> layout) {
        this.layout = layout;
    }

    /** One thing wrong. @param where the line, or the number in the list */
    public record Fault(Kind kind, String where, String found) {
    }

    /** What can be wrong. */
    public enum Kind { COLUMN_MISSING, CODE_MISSING, CODE_UNFIT, CODE_TWICE, KIND_UNKNOWN, MARKER_UNKNOWN, LINE_UNKNOWN, SURFACE_UNKNOWN,
            YES_OR_NO, ATTRIBUTE_UNFIT, WITH_UNKNOWN, NO_CODES, TOO_MANY }

    /**
     * @param book empty of codes if there are faults
     * @param layout by which it was read; empty of a book that is no table
     * @param head first rows of a table, heading included
     * @param kindWords words for kinds that are not ours, in the order of the table, whether somebody has said their meaning or not
     */
    public record Result(Codebook book, List<Fault> faults, Optional<CodebookLayout> layout, List<List<String>> head,
            List<String> kindWords) {
    }

    /** A table as its heading suggests. @throws SurveyException FILE_DAMAGED if it is neither */
    public static Result read(Path file, Watch watch) throws IOException {
        return read(file, Optional.empty(), watch);
    }

    /** @param layout how a table is read; as its heading suggests without one */
    public static Result read(Path file, Optional<CodebookLayout> layout, Watch watch) throws IOException {
        CodebookReader reader = new CodebookReader(layout);
        if (FileKind.of(file) == FileKind.CODEBOOK) {
            reader.layout = Optional.empty();
            reader.readJson(file, watch);
        } else {
            reader.readTable(file, watch);
        }
        reader.checkCompany();
        if (reader.rows.isEmpty() && reader.faults.isEmpty()) {
            reader.fault(Kind.NO_CODES, "line 1", "");
        }
        return new Result(new Codebook(reader.title, reader.faults.isEmpty() ? reader.rows : List.of()), List.copyOf(reader.faults),
                reader.layout, List.copyOf(reader.head), List.copyOf(reader.kindWords));
    }

    private void readTable(Path file, Watch watch) throws IOException {
        TextEncoding encoding = TextEncoding.of(file);
        try (BufferedReader in = new BufferedReader(encoding.open(watch.open(file)))) {
            takeTitle(in);
            in.mark(1 << 14);
            char separator = separator(in);
            in.reset();
            readTable(in, separator, watch);
        }
    }

    /** A remark above the heading is the book's title. */
    private void takeTitle(BufferedReader in) throws IOException {
        in.mark(LONGEST_TITLE_LINE);
        char[] first = new char[LONGEST_TITLE_LINE - 1];
        int length = Math.max(0, in.read(first));
        in.reset();
        String line = new String(first, 0, length).lines().findFirst().orElse("");
        if (line.startsWith(TITLE_MARK)) {
            title = shortened(line.substring(TITLE_MARK.length()));
            in.readLine();
        }
    }

    private static char separator(BufferedReader in) throws IOException {
        char[] head = new char[4000];
        int length = Math.max(0, in.read(head));
        String first = new String(head, 0, length).lines().findFirst().orElse("");
        return first.indexOf(';') >= 0 ? ';' : first.indexOf('\t') >= 0 ? '\t' : ',';
    }

    private void readTable(Reader in, char separator, Watch watch) throws IOException {
        CSVFormat format = CSVFormat.DEFAULT.builder().setDelimiter(separator).setTrim(true).setIgnoreEmptyLines(true).get();
        boolean first = true;
        try (CSVParser table = CSVParser.parse(in, format)) {
            for (CSVRecord line : table) {
                List<String> cells = line.toList();
                if (head.size() < ROWS_SHOWN) {
                    head.add(cells);
                }
                if (first) {
                    layout = Optional.of(layout.map(l -> l.fitting(cells.size())).orElseGet(() -> CodebookLayout.proposed(cells)));
                    if (!layout.get().columns().contains(CODE)) {
                        fault(Kind.COLUMN_MISSING, "line 1", "");
                    }
                }
                if (layout.get().columns().contains(CODE) && !(first && layout.get().heading())) {
                    add(entry(layout.get(), cells), "line " + (table.getCurrentLineNumber() + (title.isEmpty() ? 0 : 1)));
                }
                first = false;
            }
        } catch (CSVException | UncheckedIOException | IllegalStateException openQuote) {
            throw watch.damaged("a quotation mark that is opened and not closed");
        }
    }

    private Map<String, String> entry(CodebookLayout by, List<String> cells) {
        Map<String, String> entry = new HashMap<>();
        for (int i = 0; i < Math.min(by.columns().size(), cells.size()); i++) {
            boolean kind = by.columns().get(i).equals(KIND);
            if (kind && CodebookLayout.isForeign(cells.get(i)) && kindWords.size() < MOST_FAULTS) {
                kindWords.add(CodebookLayout.plain(cells.get(i)));
            }
            entry.put(by.columns().get(i), kind ? by.kind(cells.get(i)) : cells.get(i));
        }
        return entry;
    }

    private void readJson(Path file, Watch watch) throws IOException {
        try (InputStream in = watch.open(file); JsonParser json = new JsonFactory().createParser(ObjectReadContext.empty(), in)) {
            json.nextToken();
            while (json.nextToken() == JsonToken.PROPERTY_NAME) {
                String member = json.currentName();
                JsonToken value = json.nextToken();
                if (member.equals("title") && value.isScalarValue()) {
                    title = shortened(json.getString());
                } else if (member.equals("codes") && value == JsonToken.START_ARRAY) {
                    for (int i = 1; json.nextToken() == JsonToken.START_OBJECT; i++) {
                        add(entry(json), "code " + i);
                    }
                } else {
                    json.skipChildren();
                }
            }
            if (json.currentToken() != JsonToken.END_OBJECT) {
                throw watch.damaged("line " + json.currentTokenLocation().getLineNr());
            }
        } catch (JacksonException broken) {
            throw watch.damaged(broken.getLocation() == null ? "its JSON" : "line " + broken.getLocation().getLineNr());
        }
    }

    private static Map<String, String> entry(JsonParser json) {
        Map<String, String> entry = new HashMap<>();
        while (json.nextToken() == JsonToken.PROPERTY_NAME) {
            String key = json.currentName();
            JsonToken value = json.nextToken();
            if (value == JsonToken.START_ARRAY) {
                List<String> several = new ArrayList<>();
                while (json.nextToken() != JsonToken.END_ARRAY && json.currentToken() != null) {
                    if (json.currentToken().isScalarValue()) {
                        several.add(json.getString());
                    }
                    json.skipChildren();
                }
                entry.put(key, String.join(PARTED, several));
            } else if (value.isScalarValue()) {
                entry.put(key, json.getString());
            } else {
                json.skipChildren();
            }
        }
        return entry;
    }

    private void add(Map<String, String> entry, String where) {
        if (rows.size() >= MOST_CODES) {
            fault(Kind.TOO_MANY, where, Integer.toString(MOST_CODES));
            return;
        }
        int before = faults.size();
        Optional<Code> code = code(entry.getOrDefault(CODE, ""), where);
        Codebook.Marker marker = choice(Codebook.Marker.class, entry.getOrDefault("marker", ""), Codebook.Marker.DOT, Kind.MARKER_UNKNOWN,
                where);
        Codebook.Line line = choice(Codebook.Line.class, entry.getOrDefault("line", ""), Codebook.Line.SOLID, Kind.LINE_UNKNOWN, where);
        Codebook.Kind usual = joins(entry.getOrDefault("joins", ""), where) ? Codebook.Kind.STRING : Codebook.Kind.POINT;
        Codebook.Kind kind = choice(Codebook.Kind.class, entry.getOrDefault("kind", ""), usual, Kind.KIND_UNKNOWN, where);
        Codebook.Surface surface = choice(Codebook.Surface.class, entry.getOrDefault("surface", ""), Codebook.Surface.NONE,
                Kind.SURFACE_UNKNOWN, where);
        List<Attribute> attributes = parted(entry, "attributes").flatMap(a -> attribute(a, where).stream()).toList();
        List<Code> company = parted(entry, "with").flatMap(c -> company(c, where).stream()).toList();
        if (faults.size() == before && code.isPresent()) {
            rows.add(new Codebook.Row(code.get(), shortened(entry.getOrDefault("meaning", "")), kind, surface,
                    new Codebook.Drawn(marker, line, shortened(entry.getOrDefault("layer", ""))),
                    shortened(entry.getOrDefault("group", "")), company, attributes,
                    parted(entry, "expected").map(CodebookReader::shortened).distinct().toList()));
        }
    }

    private static Stream<String> parted(Map<String, String> entry, String key) {
        return Arrays.stream(entry.getOrDefault(key, "").split(PARTED_BY)).map(String::strip).filter(part -> !part.isEmpty());
    }

    /** What is asked for, as it is written in a table of codes; empty if it is not understood. */
    public static Optional<Attribute> attribute(String written) {
        return AttributeText.read(shortened(written, LONGEST_ATTRIBUTE));
    }

    private Optional<Attribute> attribute(String written, String where) {
        Optional<Attribute> read = attribute(written);
        if (read.isEmpty()) {
            fault(Kind.ATTRIBUTE_UNFIT, where, written);
        }
        return read;
    }

    private Optional<Code> company(String written, String where) {
        try {
            return Optional.of(Code.parse(written));
        } catch (SurveyException unfit) {
            fault(Kind.CODE_UNFIT, where, written);
            return Optional.empty();
        }
    }

    /** Whoever comes with a code must be in the book, or nothing would ever be looked for. */
    private void checkCompany() {
        rows.forEach(row -> row.comesWith().stream().filter(code -> !seen.contains(code))
                .forEach(code -> fault(Kind.WITH_UNKNOWN, row.code().text(), code.text())));
    }

    private Optional<Code> code(String written, String where) {
        if (written.isBlank()) {
            fault(Kind.CODE_MISSING, where, "");
            return Optional.empty();
        }
        try {
            Code code = Code.parse(written);
            if (!seen.add(code)) {
                fault(Kind.CODE_TWICE, where, written);
            }
            return Optional.of(code);
        } catch (SurveyException unfit) {
            fault(Kind.CODE_UNFIT, where, written);
            return Optional.empty();
        }
    }

    private <E extends Enum<E>> E choice(Class<E> of, String written, E usual, Kind otherwise, String where) {
        String plain = written.strip().toUpperCase(Locale.ROOT).replace(' ', '_').replace('-', '_');
        if (plain.isEmpty()) {
            return usual;
        }
        Optional<E> chosen = Arrays.stream(of.getEnumConstants()).filter(e -> e.name().equals(plain)).findFirst();
        if (chosen.isEmpty()) {
            fault(otherwise, where, written);
        }
        return chosen.orElse(usual);
    }

    private boolean joins(String written, String where) {
        String plain = written.strip().toLowerCase(Locale.ROOT);
        if (!Set.of("", "yes", "no", "true", "false").contains(plain)) {
            fault(Kind.YES_OR_NO, where, written);
        }
        return plain.equals("yes") || plain.equals("true");
    }

    private static String shortened(String text) {
        return shortened(text, LONGEST_WORDS);
    }

    private static String shortened(String text, int longest) {
        String plain = text.replaceAll("\\p{Cntrl}", " ").strip();
        return plain.length() <= longest ? plain : plain.substring(0, longest);
    }

    private void fault(Kind kind, String where, String found) {
        if (faults.size() < MOST_FAULTS) {
            faults.add(new Fault(kind, where, shortened(found)));
        }
    }
}
