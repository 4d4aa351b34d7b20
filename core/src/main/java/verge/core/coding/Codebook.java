package verge.core.coding;

import java.util.List;

/** The table of codes: what each means and how a point of it is marked. */
public record Codebook(List<Row> rows) {
    /** The shapes a coded point can have on the sketch. */
    public enum Marker { DOT, RING, CROSS, SQUARE, DIAMOND, RING_CROSS }

    /** @param meaning one or two plain words, lower case */
    public record Row(Code code, String meaning, Marker marker) {
    }

    /** The codes that a job starts with: a yard's usual things, abbreviated by their first consonants. */
    public static Codebook general() {
        return new Codebook(List.of(
                row("KRB", "kerb", Marker.DOT),
                row("STP", "step edge", Marker.SQUARE),
                row("RLG", "railing", Marker.CROSS),
                row("DRN", "drain", Marker.RING),
                row("QWL", "quay wall", Marker.DIAMOND),
                row("LMP", "lamp post", Marker.RING_CROSS),
                row("MRG", "mooring ring", Marker.RING),
                row("GRD", "ground", Marker.DOT)));
    }

    private static Row row(String code, String meaning, Marker marker) {
        return new Row(new Code(code), meaning, marker);
    }
}
