package verge.formats.landxml;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import verge.core.alignment.PlanElement;
import verge.core.plan.Path;
import verge.core.plan.Vertices;
import verge.formats.reading.Figures;
import verge.formats.reading.Gatherer;
import verge.formats.reading.Report.Why;
import verge.formats.reading.Xml;

/** Lines, arcs and clothoids under CoordGeom. */
final class Geometry {
    private static final double SAGITTA = 0.001;
    /** A digit in the last figure of all. */
    private static final Pattern MISWRITTEN = Pattern.compile("\\d\\S*\\s*$");
    private static final double LONGEST_CLOSING = 1e-6;

    /** Finds a point of the file by its name; null if there is none. */
    @FunctionalInterface
    interface Points {
        double[] place(String name);
    }

    private final Xml xml;
    private final Gatherer out;
    private final Points points;

    Geometry(Xml xml, Gatherer out, Points points) {
        this.xml = xml;
        this.out = out;
        this.points = points;
    }

    /** One piece: either an element of an alignment, or a row of places joined straight. */
    sealed interface Piece {
        record Element(PlanElement element, double heightIn, double heightOut) implements Piece {
        }

        record Row(Vertices places) implements Piece {
        }
    }

    /**
     * Northing, easting and, if there is a third figure, height, none where a word stands for it; null if there are fewer than two, or more
     * than a place has, or a height is miswritten.
     */
    static double[] place(String text) {
        double[] figures = Figures.byBlanks(text);
        if (figures.length < 2 || figures.length > 3) {
            return null;
        }
        double height = figures.length > 2 ? figures[2] : Double.NaN;
        boolean miswritten = figures.length > 2 && Double.isNaN(height) && MISWRITTEN.matcher(text).find();
        return miswritten ? null : new double[] {figures[0], figures[1], height};
    }

    /** Reads the element just begun, each CoordGeom in it as one line. */
    void lines(String kind, String layer) throws IOException {
        String name = xml.attribute("name").orElse("");
        Optional<String> desc = xml.attribute("desc");
        String code = xml.attribute("code").or(() -> desc).orElse("");
        String begins = xml.where();
        desc.ifPresent(words -> out.leaveOut("desc of a " + kind, Why.ATTRIBUTE_NOT_TAKEN, begins));
        int depth = xml.depth();
        while (xml.nextWithin(depth)) {
            if (xml.name().equals("Property")) {
                out.leaveOut("Property \u2018" + xml.attribute("label").orElse("") + "\u2019 of a " + kind, Why.ATTRIBUTE_NOT_TAKEN,
                        xml.where());
            } else if (xml.name().equals("Location")) {
                String where = xml.where();
                double[] at = place(xml.text());
                if (at == null) {
                    out.leaveOut(kind, Why.NOT_A_NUMBER, where);
                } else {
                    out.spot(kind, out.layer(layer), name, code, at[0], at[1], at[2], where);
                }
            } else if (xml.name().equals("CoordGeom")) {
                String where = xml.where();
                List<Piece> pieces = pieces(kind);
                if (pieces.isEmpty()) {
                    out.leaveOut(kind, Why.NO_SHAPE, where);
                } else {
                    out.run(kind, out.layer(layer), name, path(pieces), where);
                }
            }
        }
    }

    /** 'depth 1.20' of a Property; empty of any other element, or of one that says nothing. */
    static Optional<String> property(Xml within) {
        return within.name().equals("Property") ? within.attribute("value")
                .map(value -> within.attribute("label").map(label -> label + " " + value).orElse(value)) : Optional.empty();
    }

    /** The pieces of the CoordGeom just begun, in their order. A piece that cannot be read is left out and told. */
    List<Piece> pieces(String kind) throws IOException {
        List<Piece> pieces = new ArrayList<>();
        int depth = xml.depth();
        while (xml.nextWithin(depth)) {
            String shape = xml.name();
            String where = xml.where();
            Piece piece = switch (shape) {
                case "Line" -> line();
                case "Curve" -> curve();
                case "Spiral" -> spiral();
                case "IrregularLine" -> irregular();
                default -> null;
            };
            if (piece != null) {
                pieces.add(piece);
                out.limit("pieces of one line", pieces.size(), Gatherer.MOST_FEATURES);
            } else {
                out.leaveOut(kind + " " + shape, List.of("Line", "Curve", "Spiral", "IrregularLine")
                        .contains(shape) ? Why.NO_SHAPE : Why.NOT_READ, where);
            }
        }
        return pieces;
    }

    /** The places named under the element just begun. */
    private Map<String, double[]> places() throws IOException {
        Map<String, double[]> found = new TreeMap<>();
        int depth = xml.depth();
        while (xml.nextWithin(depth)) {
            String name = xml.name();
            String reference = xml.attribute("pntRef").orElse("");
            double[] place = place(xml.text());
            found.put(name, place == null && !reference.isEmpty() ? points.place(reference) : place);
        }
        return found;
    }

    private static boolean missing(Map<String, double[]> places, String... names) {
        for (String name : names) {
            double[] p = places.get(name);
            if (p == null || !(Math.abs(p[0]) <= Gatherer.FARTHEST && Math.abs(p[1]) <= Gatherer.FARTHEST)) {
                return true;
            }
        }
        return false;
    }

    private Piece line() throws IOException {
        Map<String, double[]> p = places();
        if (missing(p, "Start", "End")) {
            return null;
        }
        double[] a = p.get("Start");
        double[] b = p.get("End");
        double length = Math.hypot(b[0] - a[0], b[1] - a[1]);
        return length > 0 ? new Piece.Element(new PlanElement(a[0], a[1], Math.atan2(b[1] - a[1], b[0] - a[0]), length, 0, 0), a[2], b[2])
                : null;
    }

    private Piece curve() throws IOException {
        boolean right = !xml.attribute("rot").orElse("cw").equals("ccw");
        Map<String, double[]> p = places();
        if (missing(p, "Start", "End", "Center")) {
            return null;
        }
        double[] a = p.get("Start");
        double[] b = p.get("End");
        double[] c = p.get("Center");
        double radius = Math.hypot(a[0] - c[0], a[1] - c[1]);
        double from = Math.atan2(a[1] - c[1], a[0] - c[0]);
        double turn = (right ? 1 : -1) * (Math.atan2(b[1] - c[1], b[0] - c[0]) - from);
        turn = turn <= 0 ? turn + 2 * Math.PI : turn;
        return radius > 0 ? element(a, b, from + (right ? 1 : -1) * Math.PI / 2, radius * turn, (right ? 1 : -1) / radius,
                (right ? 1 : -1) / radius) : null;
    }

    /**
     * A clothoid by its ends, length and radii: its direction at the beginning is the one that brings its end where it should be, so that
     * a point of intersection given roughly does no harm.
     */
    private Piece spiral() throws IOException {
        boolean clothoid = xml.attribute("spiType").orElse("clothoid").equals("clothoid");
        double sense = xml.attribute("rot").orElse("cw").equals("ccw") ? -1 : 1;
        double in = curvature(xml.attribute("radiusStart").orElse("INF"));
        double outwards = curvature(xml.attribute("radiusEnd").orElse("INF"));
        double length = xml.number("length").orElse(Double.NaN);
        Map<String, double[]> p = places();
        if (!clothoid || !(length > 0) || !Double.isFinite(in + outwards) || missing(p, "Start", "End")) {
            return null;
        }
        double[] a = p.get("Start");
        double[] b = p.get("End");
        PlanElement.Place local = new PlanElement(0, 0, 0, length, sense * in, sense * outwards).at(length);
        double azimuth = Math.atan2(b[1] - a[1], b[0] - a[0]) - Math.atan2(local.east(), local.north());
        return element(a, b, azimuth, length, sense * in, sense * outwards);
    }

    private static double curvature(String radius) {
        double metres = radius.equalsIgnoreCase("INF") ? Double.POSITIVE_INFINITY : Figures.one(radius);
        return metres == 0 ? Double.NaN : 1 / metres;
    }

    private static Piece element(double[] a, double[] b, double azimuth, double length, double in, double outwards) {
        return Double.isFinite(length) && length > 0 && length < Gatherer.FARTHEST
                ? new Piece.Element(new PlanElement(a[0], a[1], azimuth, length, in, outwards), a[2], b[2]) : null;
    }

    private Piece irregular() throws IOException {
        return list().map(Piece.Row::new).orElse(null);
    }

    /** The places listed in the element just begun; empty if there are fewer than two, or what is no figure, or figures left over. */
    Optional<Vertices> list() throws IOException {
        Vertices.Builder row = new Vertices.Builder();
        boolean whole = true;
        int depth = xml.depth();
        while (xml.nextWithin(depth)) {
            if (xml.name().equals("PntList2D") || xml.name().equals("PntList3D")) {
                whole &= add(row, xml.name().endsWith("3D") ? 3 : 2, xml.text());
            }
        }
        return whole && row.size() > 1 ? Optional.of(row.build()) : Optional.empty();
    }

    /** Adds the places in a list of so many figures each. @return whether all are figures and none is left over */
    private boolean add(Vertices.Builder row, int figuresEach, String list) {
        double[] figures = Figures.byBlanks(list);
        out.checkGrowth(figures.length / figuresEach);
        for (int i = 0; i + figuresEach <= figures.length; i += figuresEach) {
            row.add(figures[i], figures[i + 1], figuresEach > 2 ? figures[i + 2] : Double.NaN);
        }
        return figures.length % figuresEach == 0 && Arrays.stream(figures).allMatch(Double::isFinite);
    }

    /** Pieces as one path: arcs stay arcs, clothoids become chords within a millimetre. */
    private static Path path(List<Piece> pieces) {
        Vertices.Builder row = new Vertices.Builder();
        List<Double> bulges = new ArrayList<>();
        for (Piece piece : pieces) {
            if (piece instanceof Piece.Row places) {
                for (int i = 0; i < places.places().size(); i++) {
                    append(row, bulges, places.places().north(i), places.places().east(i), places.places().height(i).orElse(Double.NaN), 0);
                }
            } else if (piece instanceof Piece.Element e) {
                append(row, bulges, e);
            }
        }
        Vertices all = row.build();
        boolean closed = all.size() > 3
                && Math.hypot(all.north(0) - all.north(all.size() - 1), all.east(0) - all.east(all.size() - 1)) < LONGEST_CLOSING;
        int kept = closed ? all.size() - 1 : all.size();
        Vertices.Builder open = new Vertices.Builder();
        double[] own = new double[kept];
        for (int i = 0; i < kept; i++) {
            open.add(all.north(i), all.east(i), all.height(i).orElse(Double.NaN));
            own[i] = bulges.get(i);
        }
        return Path.of(open.build(), own, closed);
    }

    private static void append(Vertices.Builder row, List<Double> bulges, Piece.Element e) {
        PlanElement element = e.element();
        boolean clothoid = element.shape() == PlanElement.Shape.CLOTHOID;
        double turn = element.curvatureIn() * element.length();
        int pieces = clothoid ? (int) Math.max(2,
                Math.min(2000, Math.ceil(element.length()
                / Math.sqrt(8 * SAGITTA / Math.max(Math.abs(element.curvatureIn()), Math.abs(element.curvatureOut()))))))
                : Math.abs(turn) > Math.PI ? 2 : 1;
        UnaryOperator<Double> height = part -> e.heightIn() + part * (e.heightOut() - e.heightIn());
        for (int i = 0; i <= pieces; i++) {
            double part = (double) i / pieces;
            PlanElement.Place p = element.at(part * element.length());
            // A turn to the right is negative as a bulge.
            append(row, bulges, p.north(), p.east(), height.apply(part), i < pieces && !clothoid ? -Math.tan(turn / pieces / 4) + 0.0 : 0);
        }
    }

    /** Adds a vertex unless the row already ends there; then only its bulge counts. */
    private static void append(Vertices.Builder row, List<Double> bulges, double north, double east, double height, double bulge) {
        int last = row.size() - 1;
        if (last >= 0 && Math.hypot(row.north(last) - north, row.east(last) - east) < LONGEST_CLOSING) {
            bulges.set(last, bulge);
        } else {
            row.add(north, east, height);
            bulges.add(bulge);
        }
    }
}
