package verge.core.coding;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;

/** The table of codes: what each means, how a point of it is marked, whether its points join into strings. */
public record Codebook(String title, List<Row> rows) {
    public Codebook {
        Objects.requireNonNull(title, "title");
        rows = List.copyOf(rows);
    }

    /** The shapes a coded point can have on the sketch. */
    public enum Marker { DOT, RING, CROSS, SQUARE, DIAMOND, RING_CROSS, TRIANGLE, TREE, POST, COVER }

    /** How a string of a code is drawn. */
    public enum Line { SOLID, DASHED, DOTTED, DASH_DOT, DOUBLE }

    /** What a code stands for: a point, a string of points, or a point with a size, such as a tree with trunk and crown. */
    public enum Kind { POINT, STRING, SIZED }

    /** What its points say of the ground's surface: that it passes through them, that it breaks along their strings, or nothing. */
    public enum Surface { GROUND, BREAKLINE, NONE }

    /**
     * How points and strings are drawn.
     *
     * @param layer on which they are handed over
     */
    public record Drawn(Marker marker, Line line, String layer) {
        /** A dot, joined by plain lines, on no layer of its own. */
        public static final Drawn PLAIN = new Drawn(Marker.DOT, Line.SOLID, "");
    }

    /**
     * One code.
     *
     * @param meaning one or two plain words, lower case
     * @param group under which it stands in the legend; empty for none
     * @param comesWith codes that usually lie beside it, such as the foot of a step beside its top
     * @param attributes what is asked for with each point
     * @param expectedIn kinds of work, by their names, in which it is nearly always met
     */
    public record Row(Code code, String meaning, Kind kind, Surface surface, Drawn drawn, String group, List<Code> comesWith,
            List<Attribute> attributes, List<String> expectedIn) {
        public Row {
            comesWith = List.copyOf(comesWith);
            attributes = List.copyOf(attributes);
            expectedIn = List.copyOf(expectedIn);
        }

        /** Without company, attributes or a kind of work. */
        public Row(Code code, String meaning, Kind kind, Surface surface, Drawn drawn, String group) {
            this(code, meaning, kind, surface, drawn, group, List.of(), List.of(), List.of());
        }

        /** Whether its points join into strings. */
        public boolean joins() {
            return kind == Kind.STRING;
        }
    }

    /** The codes that a job starts with: a yard's usual things, abbreviated by their first consonants. */
    public static Codebook general() {
        return new Codebook("", List.of(
                row("KRB", "kerb", Marker.DOT, Kind.STRING, Surface.BREAKLINE),
                row("STP", "step edge", Marker.SQUARE, Kind.STRING, Surface.BREAKLINE),
                row("RLG", "railing", Marker.CROSS, Kind.STRING, Surface.NONE),
                row("DRN", "drain", Marker.RING, Kind.STRING, Surface.NONE),
                row("QWL", "quay wall", Marker.DIAMOND, Kind.STRING, Surface.BREAKLINE),
                row("LMP", "lamp post", Marker.RING_CROSS, Kind.POINT, Surface.NONE),
                row("MRG", "mooring ring", Marker.RING, Kind.POINT, Surface.NONE),
                row("GRD", "ground", Marker.DOT, Kind.POINT, Surface.GROUND)));
    }

    private static Row row(String code, String meaning, Marker marker, Kind kind, Surface surface) {
        return new Row(new Code(code), meaning, kind, surface, new Drawn(marker, Line.SOLID, ""), "");
    }

    /** Several books as one, the first first; a code that several have means what the first of them says. */
    public static Codebook together(List<Codebook> books) {
        Map<Code, Row> rows = new LinkedHashMap<>();
        books.forEach(book -> book.rows().forEach(row -> rows.putIfAbsent(row.code(), row)));
        return new Codebook(books.stream().map(Codebook::title).filter(title -> !title.isEmpty()).collect(Collectors.joining(", ")),
                List.copyOf(rows.values()));
    }

    /** The same in its order, with what another says of its codes, and that one's other codes behind. */
    public Codebook amended(Codebook by) {
        List<Row> all = new ArrayList<>(rows.stream().map(row -> by.row(row.code()).orElse(row)).toList());
        by.rows.stream().filter(row -> row(row.code()).isEmpty()).forEach(all::add);
        return new Codebook(title, all);
    }

    /** The kinds of work that any of its codes is expected in, in the order in which they are met. */
    public List<String> works() {
        return rows.stream().flatMap(row -> row.expectedIn().stream()).distinct().toList();
    }

    /** How strings of a code are drawn; those of a code that is not in the book are plain lines. */
    public Line line(Code code) {
        return row(code).map(row -> row.drawn().line()).orElse(Line.SOLID);
    }

    public Optional<Row> row(Code code) {
        return rows.stream().filter(row -> row.code().equals(code)).findFirst();
    }

    /** How a point with a code is marked; a code that is not in the book gets a dot. */
    public Marker marker(Code code) {
        return row(code).map(row -> row.drawn().marker()).orElse(Marker.DOT);
    }
}
