package verge.core.coding;

import java.util.List;
import java.util.Objects;

/** The table of codes: what each means, how a point of it is marked, whether its points join into strings. */
public record Codebook(String title, List<Row> rows) {
    public Codebook {
        Objects.requireNonNull(title, "title");
        rows = List.copyOf(rows);
    }

    /** The shapes a coded point can have on the sketch. */
    public enum Marker { DOT, RING, CROSS, SQUARE, DIAMOND, RING_CROSS }

    /** How a string of a code is drawn. */
    public enum Line { SOLID, DASHED, DOTTED }

    /**
     * @param meaning one or two plain words, lower case
     * @param joins whether its points join into strings
     * @param layer on which its points and strings are handed over
     * @param attributes what is asked for with each point
     */
    public record Row(Code code, String meaning, Marker marker, boolean joins, String layer, Line line, List<String> attributes) {
        public Row {
            attributes = List.copyOf(attributes);
        }
    }

    /** The codes that a job starts with: a yard's usual things, abbreviated by their first consonants. */
    public static Codebook general() {
        return new Codebook("", List.of(
                row("KRB", "kerb", Marker.DOT, true),
                row("STP", "step edge", Marker.SQUARE, true),
                row("RLG", "railing", Marker.CROSS, true),
                row("DRN", "drain", Marker.RING, true),
                row("QWL", "quay wall", Marker.DIAMOND, true),
                row("LMP", "lamp post", Marker.RING_CROSS, false),
                row("MRG", "mooring ring", Marker.RING, false),
                row("GRD", "ground", Marker.DOT, false)));
    }

    private static Row row(String code, String meaning, Marker marker, boolean joins) {
        return new Row(new Code(code), meaning, marker, joins, "", Line.SOLID, List.of());
    }

    /** How a point with a code is marked; a code that is not in the book gets a dot. */
    public Marker marker(Code code) {
        return rows.stream().filter(row -> row.code().equals(code)).map(Row::marker).findFirst().orElse(Marker.DOT);
    }
}
