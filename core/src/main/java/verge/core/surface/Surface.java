package verge.core.surface;

import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.OptionalDouble;
import verge.core.plan.Placement;
import verge.core.plan.Vertices;

/**
 * A surface of triangles, as a file has it.
 *
 * @param triangles three indices into the vertices for each
 * @param breaklines rows of indices or of places of their own, as lines that no triangle crosses
 * @param boundaries rings that bound it; the first is the outer one
 */
public record Surface(String name, Vertices vertices, int[] triangles, List<Vertices> breaklines, List<Vertices> boundaries) {
    public Surface {
        Objects.requireNonNull(name, "name");
        triangles = triangles.clone();
        breaklines = List.copyOf(breaklines);
        boundaries = List.copyOf(boundaries);
        if (triangles.length % 3 != 0 || Arrays.stream(triangles).anyMatch(i -> i < 0 || i >= vertices.size())) {
            throw new IllegalArgumentException("triangles of " + name);
        }
    }

    @Override
    public int[] triangles() {
        return triangles.clone();
    }

    public int triangleCount() {
        return triangles.length / 3;
    }

    public Surface placed(Placement placement) {
        return new Surface(name, vertices.placed(placement), triangles, breaklines.stream().map(b -> b.placed(placement)).toList(),
                boundaries.stream().map(b -> b.placed(placement)).toList());
    }

    /** The height of a triangle's plane at a place; empty if no triangle with heights lies there. */
    public OptionalDouble height(double north, double east) {
        for (int t = 0; t < triangles.length; t += 3) {
            OptionalDouble height = height(t, north, east);
            if (height.isPresent()) {
                return height;
            }
        }
        return OptionalDouble.empty();
    }

    private OptionalDouble height(int t, double north, double east) {
        int a = triangles[t];
        int b = triangles[t + 1];
        int c = triangles[t + 2];
        double n0 = vertices.north(a);
        double e0 = vertices.east(a);
        double n1 = vertices.north(b) - n0;
        double e1 = vertices.east(b) - e0;
        double n2 = vertices.north(c) - n0;
        double e2 = vertices.east(c) - e0;
        double det = e1 * n2 - e2 * n1;
        double v = ((east - e0) * n2 - e2 * (north - n0)) / det;
        double w = (e1 * (north - n0) - (east - e0) * n1) / det;
        boolean heights = vertices.height(a).isPresent() && vertices.height(b).isPresent() && vertices.height(c).isPresent();
        // A triangle without area gives NaN, which is inside nothing.
        return heights && v >= 0 && w >= 0 && v + w <= 1 ? OptionalDouble.of((1 - v - w) * vertices.height(a).getAsDouble()
                + v * vertices.height(b).getAsDouble() + w * vertices.height(c).getAsDouble()) : OptionalDouble.empty();
    }
}
