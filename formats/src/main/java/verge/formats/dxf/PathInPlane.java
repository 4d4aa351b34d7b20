package verge.formats.dxf;

import java.util.Arrays;
import verge.core.plan.Path;
import verge.core.plan.Vertices;

/** A line in a plane of its own, with arcs; in the world its arcs stay arcs if circles stay circles. */
final class PathInPlane {
    /** Tangent of a quarter of the arc's angle: here it lacks 0.04° of the full circle, and its radius is 2,500 chords. */
    private static final double LARGEST_BULGE = 1e4;

    private boolean beyond;
    private static final double CHORD_OF_SIZE = 1e-4;
    private final double height;
    private final Vertices.Builder vertices = new Vertices.Builder();
    private double[] bulges = new double[16];

    PathInPlane(double height) {
        this.height = height;
    }

    void add(double x, double y) {
        vertices.add(y, x, height);
        if (vertices.size() > bulges.length) {
            bulges = Arrays.copyOf(bulges, bulges.length * 2);
        }
    }

    int size() {
        return vertices.size();
    }

    /** Of the piece that begins at the vertex added last. */
    void bulge(double bulge) {
        if (vertices.size() > 0) {
            bulges[vertices.size() - 1] = Math.abs(bulge) <= LARGEST_BULGE ? bulge : 0;
            beyond |= !(Math.abs(bulge) <= LARGEST_BULGE);
        }
    }

    /** Whether an arc was no arc of this earth and is drawn as a straight piece. */
    boolean hadEnormousBulge() {
        return beyond;
    }

    Path path(Affine to, boolean closed) {
        double[] own = Arrays.copyOf(bulges, vertices.size());
        Path flat = Path.of(vertices.build(), own, closed);
        if (to.equals(Affine.SAME)) {
            return flat;
        }
        if (!to.keepsCircles()) {
            double size = flat.vertices().extent().diagonal();
            return Path.straight(moved(flat.chords(Math.max(size * CHORD_OF_SIZE, Double.MIN_NORMAL)), to), false);
        }
        for (int i = 0; i < own.length && to.mirrors(); i++) {
            own[i] = -own[i];
        }
        return Path.of(moved(flat.vertices(), to), own, closed);
    }

    private static Vertices moved(Vertices flat, Affine to) {
        Vertices.Builder moved = new Vertices.Builder();
        for (int i = 0; i < flat.size(); i++) {
            double[] p = to.place(flat.east(i), flat.north(i), flat.height(i).orElse(Double.NaN));
            moved.add(p[1], p[0], p[2]);
        }
        return moved.build();
    }
}
