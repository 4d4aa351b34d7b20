package verge.formats.dxf;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import verge.core.plan.Vertices;
import verge.core.surface.Surface;

/** Triangles that come one by one, put together to one surface: corners in one place become one vertex. */
final class Triangles {
    private record Corner(double x, double y, double z) {
    }

    private final Map<Corner, Integer> index = new HashMap<>();
    private final Vertices.Builder vertices = new Vertices.Builder();
    private int[] corners = new int[48];
    private int used;

    /** Triangles of no extent, such as the second half of a face with three corners, are dropped. */
    void add(double[] a, double[] b, double[] c) {
        int i = vertex(a);
        int j = vertex(b);
        int k = vertex(c);
        if (i == j || j == k || i == k) {
            return;
        }
        if (used + 3 > corners.length) {
            corners = Arrays.copyOf(corners, corners.length * 2);
        }
        corners[used++] = i;
        corners[used++] = j;
        corners[used++] = k;
    }

    private int vertex(double[] p) {
        return index.computeIfAbsent(new Corner(p[0], p[1], p[2]), fresh -> {
            vertices.add(p[1], p[0], p[2]);
            return vertices.size() - 1;
        });
    }

    int vertexCount() {
        return vertices.size();
    }

    Surface surface(String name) {
        return new Surface(name, vertices.build(), Arrays.copyOf(corners, used), List.of(), List.of());
    }
}
