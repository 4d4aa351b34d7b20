package verge.formats.dxf;

import java.io.IOException;
import java.util.Arrays;
import verge.formats.reading.Gatherer;

/** The old kind of polyline with the vertices that follow it: a line, a mesh, or faces. */
final class Polyline {
    private static final int CLOSED = 1;
    private static final int LINE_IN_SPACE = 8;
    private static final int MESH = 16;
    private static final int ROWS_CLOSED = 32;
    private static final int FACES = 64;
    private static final int FRAME_OF_SPLINE = 16;
    private static final int FACE_VERTEX = 128;

    private final Entity head;
    private double[] places = new double[24];
    private double[] bulges = new double[8];
    private int size;
    private int[] faces = new int[16];
    private int faceCorners;

    private Polyline(Entity head) {
        this.head = head;
    }

    /** Reads vertices up to the end of the row. */
    static Polyline read(Entity head, Groups groups, Gatherer out) throws IOException {
        Polyline line = new Polyline(head);
        while (groups.next() && groups.is(0, "VERTEX")) {
            line.add(Entity.read(groups, 1000, () -> out.limit("groups of a vertex", 1001, 1000)));
            out.checkGrowth(line.size);
            if ((line.size & 0xFFF) == 0) {
                out.watch().goOn();
            }
        }
        if (groups.is(0, "SEQEND")) {
            Entity.read(groups, 1000, () -> { });
        } else {
            groups.hold();
        }
        return line;
    }

    private void add(Entity vertex) {
        int flags = vertex.whole(70, 0);
        if ((flags & FACE_VERTEX) != 0 && (flags & FACES) == 0) {
            addFace(vertex);
        } else if ((flags & FRAME_OF_SPLINE) == 0) {
            if (size == bulges.length) {
                bulges = Arrays.copyOf(bulges, size * 2);
                places = Arrays.copyOf(places, size * 6);
            }
            double[] p = vertex.place(10);
            System.arraycopy(p, 0, places, size * 3, 3);
            bulges[size++] = vertex.number(42, 0);
        }
    }

    /** Corners by number from 1; negative where the edge is not drawn; the fourth may be missing. */
    private void addFace(Entity vertex) {
        if (faceCorners + 4 > faces.length) {
            faces = Arrays.copyOf(faces, faces.length * 2);
        }
        for (int code = 71; code <= 74; code++) {
            faces[faceCorners++] = Math.abs(vertex.whole(code, 0));
        }
    }

    Entity head() {
        return head;
    }

    int size() {
        return size;
    }

    boolean closed() {
        return head.flag(70, CLOSED);
    }

    /** Of a mesh: whether each row ends where it begins; {@link #closed} says it of the columns. */
    boolean rowsClosed() {
        return head.flag(70, ROWS_CLOSED);
    }

    boolean inSpace() {
        return head.flag(70, LINE_IN_SPACE);
    }

    boolean isMesh() {
        return head.flag(70, MESH);
    }

    boolean isFaces() {
        return head.flag(70, FACES);
    }

    double[] place(int i) {
        return Arrays.copyOfRange(places, i * 3, i * 3 + 3);
    }

    double bulge(int i) {
        return bulges[i];
    }

    int faceCount() {
        return faceCorners / 4;
    }

    /** Index of a face's corner from 0; −1 if it has none there. */
    int corner(int face, int i) {
        return faces[face * 4 + i] - 1;
    }
}
