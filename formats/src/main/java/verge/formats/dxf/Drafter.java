package verge.formats.dxf;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import verge.core.drawing.Feature;
import verge.core.plan.Path;
import verge.core.plan.Vertices;
import verge.formats.dxf.Block.Item;
import verge.formats.reading.Figures;
import verge.formats.reading.Gatherer;
import verge.formats.reading.Report.Why;

/** Turns entities into what the core draws, block references followed through. */
final class Drafter {
    private static final int MOST_REFERENCES = 400_000;
    /** Of whatever kind, through all references: blocks within blocks multiply. */
    private static final int MOST_DRAWN = 1_000_000;
    private static final int DEEPEST = 64;
    private static final Set<String> NAME_TAGS = Set.of("NAME", "NO", "NR", "NUMBER", "POINT", "ID", "PT", "PNT");

    private final Gatherer out;
    private final Map<String, Block> blocks;
    private final Map<Integer, Triangles> triangles = new LinkedHashMap<>();
    private final Map<Integer, String> layerNames = new HashMap<>();
    private final Deque<String> within = new ArrayDeque<>();
    private long references;
    private long drawn;

    Drafter(Gatherer out, Map<String, Block> blocks) {
        this.out = out;
        this.blocks = blocks;
    }

    /** Draws an item of the drawing itself. */
    void draw(Item item) {
        draw(item, Affine.SAME, "0");
    }

    /** Hands over the surfaces that single faces have grown into, one a layer. */
    void finish() {
        triangles.forEach((layer, found) ->
                out.surface("surface of faces", layer, found.surface(layerNames.get(layer)), "layer " + layerNames.get(layer)));
    }

    private void draw(Item item, Affine to, String outerLayer) {
        out.limit("things drawn through block references", ++drawn, MOST_DRAWN);
        if ((drawn & 0xFF) == 0) {
            out.watch().goOn();
        }
        if (item instanceof Item.Single single) {
            drawSingle(single.entity(), to, outerLayer);
        } else if (item instanceof Item.Row row) {
            drawRow(row.line(), to, outerLayer);
        } else if (item instanceof Item.Reference reference) {
            drawReference(reference, to, outerLayer);
        }
    }

    private int layer(Entity e, String outerLayer) {
        String name = layerName(e, outerLayer);
        int index = out.layer(name);
        layerNames.putIfAbsent(index, name);
        return index;
    }

    /** What lies on layer 0 of a block lies on the layer of its reference, however deep. */
    private static String layerName(Entity e, String outerLayer) {
        String own = e.text(8);
        return own.isEmpty() || own.equals("0") ? outerLayer : own;
    }

    private void drawSingle(Entity e, Affine to, String outerLayer) {
        if (e.unseen().isPresent()) {
            out.leaveOut(e.type(), e.unseen().get(), e.where());
            return;
        }
        int layer = layer(e, outerLayer);
        switch (e.type()) {
            case "LINE" -> run(e, layer, Path.straight(places(to, e.place(10), e.place(11)), false));
            case "LWPOLYLINE" -> lightPolyline(e, to, layer);
            case "ARC" -> circular(e, to, layer, e.number(50, Double.NaN), e.number(51, Double.NaN));
            case "CIRCLE" -> circular(e, to, layer, 0, 360);
            case "ELLIPSE" -> run(e, layer, Path.straight(Curve.ellipse(e, to), false));
            case "SPLINE" -> run(e, layer, Path.straight(Curve.spline(e, to), false));
            case "POINT" -> spot(e, to.place(e.number(10, Double.NaN), e.number(20, Double.NaN), e.number(30, Double.NaN)), layer, "", "");
            case "TEXT" -> words(e, to.after(Affine.ofNormal(e)), layer, PlainText.of(e.text(1)));
            case "MTEXT" -> words(e, to, layer, PlainText.ofLines(e.text(3) + e.text(1)));
            case "3DFACE" -> face(e, to, layer);
            case "SOLID", "TRACE" -> solid(e, to, layer);
            case "HATCH" -> hatch(e, to, layer);
            case "ATTDEF", "SEQEND", "ATTRIB", "VIEWPORT" -> { }   // of use only to the program that drew it
            default -> out.leaveOut(e.type(), Why.NOT_READ, e.where());
        }
    }

    private void run(Entity e, int layer, Path path) {
        out.run(e.type(), layer, Colours.of(e), "", path, e.where());
    }

    private void spot(Entity e, double[] p, int layer, String name, String code) {
        out.spot(e.type(), layer, name, code, p[1], p[0], p[2], e.where());
    }

    private void words(Entity e, Affine to, int layer, String text) {
        // A text that is not set from its left end has its own place under code 11.
        boolean aligned = e.type().equals("TEXT") && e.has(11) && (e.number(72, 0) != 0 || e.number(73, 0) != 0);
        double[] at = e.place(aligned ? 11 : 10);
        double[] p = to.place(at[0], at[1], at[2]);
        out.words(e.type(), layer, text, e.number(40, 0) * to.scale(), p[1], p[0], e.where());
    }

    private static Vertices places(Affine to, double[]... places) {
        Vertices.Builder row = new Vertices.Builder();
        for (double[] at : places) {
            double[] p = to.place(at[0], at[1], at[2]);
            row.add(p[1], p[0], p[2]);
        }
        return row.build();
    }

    private void lightPolyline(Entity e, Affine to, int layer) {
        double height = e.number(38, Double.NaN);
        PathInPlane path = new PathInPlane(height);
        double[] x = {Double.NaN};
        e.each((code, value) -> {
            switch (code) {
                case 10 -> x[0] = value;
                case 20 -> path.add(x[0], value);
                case 42 -> path.bulge(value);
                default -> { }
            }
        });
        run(e, layer, path, to, e.flag(70, 1));
    }

    private void run(Entity e, int layer, PathInPlane path, Affine to, boolean closed) {
        if (path.hadEnormousBulge()) {
            out.leaveOut("arc of a " + e.type(), Why.NO_SHAPE, e.where());
        }
        run(e, layer, path.path(to.after(Affine.ofNormal(e)), closed));
    }

    /** Its corners go round by way of the fourth. */
    private void solid(Entity e, Affine to, int layer) {
        int[] round = e.has(13) ? new int[] {10, 11, 13, 12} : new int[] {10, 11, 12};
        double[][] corners = Arrays.stream(round).mapToObj(e::place).toArray(double[][]::new);
        run(e, layer, Path.straight(places(to.after(Affine.ofNormal(e)), corners), true));
    }

    private void hatch(Entity e, Affine to, int layer) {
        Hatch hatch = Hatch.of(e);
        hatch.outlines().forEach(outline -> run(e, layer, outline, to, true));
        if (hatch.outlines().isEmpty() || hatch.partly()) {
            out.leaveOut(e.type(), Why.NOT_READ, e.where());
        }
    }

    private void circular(Entity e, Affine to, int layer, double fromDegrees, double toDegrees) {
        double[] c = e.place(10);
        double radius = e.number(40, Double.NaN);
        if (!(radius > 0)) {
            out.leaveOut(e.type(), Why.NO_SHAPE, e.where());
            return;
        }
        boolean whole = e.type().equals("CIRCLE");
        double from = Math.toRadians(fromDegrees);
        double sweep = Math.toRadians(toDegrees - fromDegrees);
        sweep = sweep <= 0 ? sweep % (2 * Math.PI) + 2 * Math.PI : sweep;
        int arcs = whole ? 2 : sweep > Math.PI ? 2 : 1;
        PathInPlane path = new PathInPlane(c[2]);
        for (int i = 0; i < (whole ? arcs : arcs + 1); i++) {
            double angle = from + sweep * i / arcs;
            path.add(c[0] + radius * Math.cos(angle), c[1] + radius * Math.sin(angle));
            path.bulge(Math.tan(sweep / arcs / 4));
        }
        run(e, layer, path.path(to.after(Affine.ofNormal(e)), whole));
    }

    private void face(Entity e, Affine to, int layer) {
        double[][] corner = new double[4][];
        for (int i = 0; i < 4; i++) {
            double[] p = e.place(10 + (i == 3 && !e.has(13) ? 2 : i));
            corner[i] = to.place(p[0], p[1], p[2]);
            if (!Gatherer.isPlace(corner[i])) {
                out.leaveOut(e.type(), Why.NOT_A_NUMBER, e.where());
                return;
            }
        }
        add(layer, corner[0], corner[1], corner[2]);
        add(layer, corner[0], corner[2], corner[3]);
    }

    private void add(int layer, double[] a, double[] b, double[] c) {
        Triangles found = triangles.computeIfAbsent(layer, fresh -> new Triangles());
        found.add(a, b, c);
        out.checkGrowth(found.vertexCount());
    }

    private void drawRow(Polyline line, Affine to, String outerLayer) {
        Entity e = line.head();
        if (e.unseen().isPresent()) {
            out.leaveOut(e.type(), e.unseen().get(), e.where());
            return;
        }
        int layer = layer(e, outerLayer);
        if (line.isFaces()) {
            faces(line, to, layer);
        } else if (line.isMesh()) {
            mesh(line, to, layer);
        } else if (line.inSpace()) {
            double[][] places = new double[line.size()][];
            Arrays.setAll(places, line::place);
            run(e, layer, Path.straight(places(to, places), line.closed()));
        } else {
            PathInPlane path = new PathInPlane(e.number(30, Double.NaN));
            for (int i = 0; i < line.size(); i++) {
                double[] p = line.place(i);
                path.add(p[0], p[1]);
                path.bulge(line.bulge(i));
            }
            run(e, layer, path, to, line.closed());
        }
    }

    private double[] corner(Polyline line, Affine to, int i) {
        if (i < 0 || i >= line.size()) {
            return null;
        }
        double[] p = line.place(i);
        double[] moved = to.place(p[0], p[1], p[2]);
        return Gatherer.isPlace(moved) ? moved : null;
    }

    private void faces(Polyline line, Affine to, int layer) {
        for (int f = 0; f < line.faceCount(); f++) {
            double[] a = corner(line, to, line.corner(f, 0));
            double[] b = corner(line, to, line.corner(f, 1));
            double[] c = corner(line, to, line.corner(f, 2));
            if (a == null || b == null || c == null) {
                out.leaveOut("face of a polyline", Why.NOT_IN_FILE, line.head().where());
                continue;
            }
            add(layer, a, b, c);
            double[] d = corner(line, to, line.corner(f, 3));
            if (d != null) {
                add(layer, a, c, d);
            } else if (line.corner(f, 3) >= 0) {
                out.leaveOut("face of a polyline", Why.NOT_IN_FILE, line.head().where());
            }
        }
    }

    private void mesh(Polyline line, Affine to, int layer) {
        int rows = line.head().whole(71, 0);
        int columns = line.head().whole(72, 0);
        if (rows < 2 || columns < 2 || (long) rows * columns != line.size()) {
            out.leaveOut("mesh", Why.NO_SHAPE, line.head().where());
            return;
        }
        for (int r = 0; r < (line.closed() ? rows : rows - 1); r++) {
            for (int k = 0; k < (line.rowsClosed() ? columns : columns - 1); k++) {
                int nextRow = (r + 1) % rows * columns;
                int next = (k + 1) % columns;
                double[] a = corner(line, to, r * columns + k);
                double[] b = corner(line, to, r * columns + next);
                double[] c = corner(line, to, nextRow + next);
                double[] d = corner(line, to, nextRow + k);
                if (a != null && b != null && c != null && d != null) {
                    add(layer, a, b, c);
                    add(layer, a, c, d);
                }
            }
        }
    }

    private void drawReference(Item.Reference reference, Affine to, String outerLayer) {
        Entity e = reference.entity();
        String name = e.text(2);
        Block block = blocks.get(name.toUpperCase(Locale.ROOT));
        if (e.unseen().isPresent() || block == null || within.contains(name.toUpperCase(Locale.ROOT)) || within.size() >= DEEPEST) {
            out.leaveOut(e.type(), e.unseen().orElse(block == null ? Why.NOT_IN_FILE : Why.CYCLE), e.where() + " \u2018" + name + "\u2019");
            return;
        }
        int layer = layer(e, outerLayer);
        Affine plane = to.after(Affine.ofNormal(e));
        double[] at = e.place(10);
        double angle = Math.toRadians(e.number(50, 0));
        if (reference.attributes().stream().anyMatch(a -> a.text(2).equalsIgnoreCase("HEIGHT") && Figures.one(a.text(1)) == 0)) {
            out.noughtsAreHeights();   // where there is none, nothing would stand in it
        }
        if (within.isEmpty() && !name.startsWith("*")) {
            double[] p = plane.place(at[0], at[1], at[2]);
            out.spot(e.type(), new Feature.Spot(layer, pointName(reference.attributes()), name, attributes(reference.attributes()),
                    Feature.Spot.Sigma.NONE,
                    new Vertices.Builder().add(p[1], p[0], p[2]).build()), e.where());
        }
        if (!within.isEmpty() && !attributes(reference.attributes()).isEmpty()) {
            out.leaveOut("attribute of a block within a block", Why.ATTRIBUTE_NOT_TAKEN, e.where() + " \u2018" + name + "\u2019");
        }
        within.push(name.toUpperCase(Locale.ROOT));
        int columns = Math.max(1, e.whole(70, 1));
        int rows = Math.max(1, e.whole(71, 1));
        out.limit("block references", references + (long) columns * rows, MOST_REFERENCES);
        for (int i = 0; i < columns * rows; i++) {
            references++;
            Affine cell = Affine.turned(angle, 1, 1, 1).after(Affine.shift(i % columns * e.number(44, 0), i / columns * e.number(45, 0), 0))
                    .after(Affine.turned(0, e.number(41, 1), e.number(42, 1), e.number(43, 1)));
            Affine inside = plane.after(Affine.shift(at[0], at[1], Double.isNaN(at[2]) ? 0 : at[2])).after(cell).after(block.toOrigin());
            block.items().forEach(item -> draw(item, inside, layerName(e, outerLayer)));
        }
        within.pop();
    }

    /** What a reference says of itself beside its name: 'DEPTH 1.20, COVER iron'. */
    private static String attributes(List<Entity> attributes) {
        return attributes.stream().filter(a -> !NAME_TAGS.contains(a.text(2).toUpperCase(Locale.ROOT)) && !a.text(1).isBlank())
                .map(a -> a.text(2) + " " + PlainText.of(a.text(1)))
                .collect(Collectors.joining(", "));
    }

    private static String pointName(List<Entity> attributes) {
        return attributes.stream().filter(a -> NAME_TAGS.contains(a.text(2).toUpperCase(Locale.ROOT))).map(a -> PlainText.of(a.text(1)))
                .findFirst().orElse("");
    }
}
