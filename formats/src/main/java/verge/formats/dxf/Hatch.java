package verge.formats.dxf;

import java.util.ArrayList;
import java.util.List;

/**
 * The outlines of a hatched area: each either a row of places with arcs, or made of edges one after the other, of which lines and arcs are
 * read.
 *
 * @param partly whether some outline was made of other edges too and is not among them
 */
record Hatch(List<PathInPlane> outlines, boolean partly) {
    private static final int BY_ROW = 2;
    private static final int LINE = 1;
    private static final int ARC = 2;
    /** An arc of an edge becomes pieces of under half a turn, which a bulge can tell. */
    private static final int PIECES = 3;

    static Hatch of(Entity e) {
        Reading reading = new Reading(e.number(30, Double.NaN));
        e.each(reading::take);
        reading.end();
        return new Hatch(reading.outlines, reading.partly);
    }

    /** The groups of all outlines in their order. */
    private static final class Reading {
        private final double height;
        private final List<PathInPlane> outlines = new ArrayList<>();
        private boolean partly;
        private boolean begun;
        private boolean within;
        private boolean byRow;
        private boolean strange;
        private PathInPlane outline;
        private int edge;
        private double[] at = new double[6];

        private Reading(double height) {
            this.height = height;
        }

        private void take(int code, double value) {
            begun |= code == 91;
            if (!begun) {
                return;
            }
            switch (code) {
                case 92 -> begin(((int) value & BY_ROW) != 0);
                case 97, 75, 98 -> end();
                case 72 -> edge(value);
                case 10 -> at[0] = value;
                case 20 -> second(value);
                case 11 -> at[2] = value;
                case 21 -> line(value);
                case 40 -> at[2] = value;
                case 50 -> at[3] = value;
                case 51 -> at[4] = value;
                case 73 -> arc(value);
                case 42 -> bulge(value);
                default -> { }
            }
        }

        private void begin(boolean row) {
            end();
            within = true;
            byRow = row;
            strange = false;
            outline = new PathInPlane(height);
            edge = 0;
        }

        private void end() {
            if (within) {
                partly |= strange;
                if (!strange && outline.size() > 1) {
                    outlines.add(outline);
                }
            }
            within = false;
        }

        private void edge(double kind) {
            if (within && !byRow) {
                edge = (int) kind;
                strange |= edge != LINE && edge != ARC;
            }
        }

        private void second(double y) {
            at[1] = y;
            if (within && (byRow || edge == LINE)) {
                outline.add(at[0], y);
            }
        }

        private void bulge(double value) {
            if (within && byRow) {
                outline.bulge(value);
            }
        }

        /** The edge's end is where the next begins. */
        private void line(double y) {
            at[3] = y;
        }

        /** Angles count clockwise where the flag is not set. */
        private void arc(double flag) {
            if (!within || byRow || edge != ARC) {
                return;
            }
            double sense = flag == 0 ? -1 : 1;
            double from = sense * Math.toRadians(at[3]);
            double degrees = at[4] > at[3] ? at[4] - at[3] : at[4] - at[3] + 360;
            double sweep = sense * Math.toRadians(degrees);
            for (int i = 0; i < PIECES; i++) {
                double angle = from + sweep * i / PIECES;
                outline.add(at[0] + at[2] * Math.cos(angle), at[1] + at[2] * Math.sin(angle));
                outline.bulge(Math.tan(sweep / PIECES / 4));
            }
        }
    }
}
