package verge.formats.landxml;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import verge.core.plan.Vertices;
import verge.core.surface.Surface;
import verge.formats.reading.Gatherer;
import verge.formats.reading.Report.Why;
import verge.formats.reading.Xml;

/** One surface: its points, its visible faces, and the breaklines and boundaries it was made from. */
final class Surfaces {
    private static final int MOST_CORNERS = 3 * 2 * Gatherer.MOST_VERTICES;

    private final Xml xml;
    private final Gatherer out;
    private final Geometry geometry;
    private final Map<String, Integer> index = new HashMap<>();
    private final Vertices.Builder vertices = new Vertices.Builder();
    private int[] corners = new int[48];
    private int used;
    private final List<Vertices> breaklines = new ArrayList<>();
    private final List<Vertices> boundaries = new ArrayList<>();

    Surfaces(Xml xml, Gatherer out, Geometry geometry) {
        this.xml = xml;
        this.out = out;
        this.geometry = geometry;
    }

    void read() throws IOException {
        String name = xml.attribute("name").orElse("");
        String where = xml.where() + " \u2018" + name + "\u2019";
        xml.attribute("desc").ifPresent(words -> out.leaveOut("desc of a Surface", Why.ATTRIBUTE_NOT_TAKEN, where));
        int depth = xml.depth();
        while (xml.nextWithin(depth)) {
            switch (xml.name()) {
                case "P" -> point();
                case "F" -> face();
                case "Breakline" -> row(breaklines);
                case "Boundary" -> row(boundaries);
                case "Contour", "DataPoints", "Watershed", "PointFile" -> {
                    out.leaveOut(xml.name(), Why.NOT_READ, xml.where());
                    xml.skip();
                }
                case "Property" -> out.leaveOut("Property \u2018" + xml.attribute("label").orElse("") + "\u2019 of a Surface",
                        Why.ATTRIBUTE_NOT_TAKEN, xml.where());
                default -> { }
            }
        }
        out.surface("Surface", out.layer("Surfaces"),
                new Surface(name, vertices.build(), Arrays.copyOf(corners, used), breaklines, boundaries), where);
    }

    private void point() throws IOException {
        String id = xml.attribute("id").orElse("");
        String where = xml.where();
        double[] p = Geometry.place(xml.text());
        if (p == null || !Gatherer.isPlace(p)) {
            out.leaveOut("point of a surface", Why.NOT_A_NUMBER, where);
            return;
        }
        if (index.putIfAbsent(id, vertices.size()) != null) {
            out.leaveOut("point of a surface", Why.ID_TWICE, where + " \u2018" + id + "\u2019");
            return;
        }
        vertices.add(p[0], p[1], p[2]);
        out.checkGrowth(vertices.size());
    }

    /** i="1" marks a face that is there only to make the outline whole and is not seen. */
    private void face() throws IOException {
        boolean hidden = xml.attribute("i").orElse("").equals("1");
        String where = xml.where();
        String[] ids = xml.text().strip().split("\\s+");
        if (hidden) {
            return;
        }
        if (ids.length != 3) {
            out.leaveOut("face of a surface", Why.FACE_UNFIT, where);
            return;
        }
        Integer[] own = new Integer[3];
        for (int i = 0; i < 3; i++) {
            own[i] = i < ids.length ? index.get(ids[i]) : null;
        }
        if (Arrays.asList(own).contains(null)) {
            out.leaveOut("face of a surface", Why.NOT_IN_FILE, where);
            return;
        }
        if (area(own[0], own[1], own[2]) == 0) {
            out.leaveOut("face of a surface", Why.FACE_UNFIT, where);
            return;
        }
        out.limit("faces", used / 3 + 1L, MOST_CORNERS / 3);
        corners = used + 3 > corners.length ? Arrays.copyOf(corners, corners.length * 2) : corners;
        for (Integer corner : own) {
            corners[used++] = corner;
        }
    }

    /** Twice the area in plan: nothing for a corner named twice, or three in a row. */
    private double area(int a, int b, int c) {
        return (vertices.north(b) - vertices.north(a)) * (vertices.east(c) - vertices.east(a)) - (vertices.north(c) - vertices.north(a))
                * (vertices.east(b) - vertices.east(a));
    }

    private void row(List<Vertices> rows) throws IOException {
        String kind = xml.name();
        String where = xml.where();
        Optional<Vertices> row = geometry.list();
        if (row.filter(Gatherer::arePlaces).isPresent()) {
            rows.add(row.get());
            out.limit("breaklines", rows.size(), Gatherer.MOST_FEATURES);
        } else {
            out.leaveOut(kind, Why.NOT_A_NUMBER, where);
        }
    }
}
