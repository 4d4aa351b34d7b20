package verge.core.geodesy;

import java.util.OptionalDouble;

/**
 * A geoid model on a grid of latitudes and longitudes, read between its nodes bilinearly, or bicubically where its maker asks for that:
 * then by cubic convolution with slopes from the neighbours on both sides (R. Keys, 1981), which is exact for surfaces of second order; in
 * the outermost cells, which have no neighbours, bilinearly all the same.
 *
 * <p>A grid round the whole globe is joined at its ends. Nodes without a value make the cells that touch them empty. Within a
 * thousandth of a millimetre of PROJ's vgridshift.
 */
public final class GeoidGrid implements Geoid {
    private static final double TURN = 360;
    /** A grid written in single precision misses its own edge by so much, in cells. */
    private static final double EDGE_CELLS = 1e-6;

    /** How values between nodes come about. */
    public enum Between {
        BILINEAR,
        BICUBIC
    }

    private static final int NEIGHBOURS = 4;

    private final Between between;
    private final Frame frame;
    private final float[] values;
    private final boolean round;

    /**
     * Rows run from south to north, columns from west to east; angles in degrees.
     *
     * @param south of the lowest row of nodes
     * @param west of the first column of nodes
     */
    public record Frame(double south, double west, double latitudeStep, double longitudeStep, int rows, int columns) {
        public Frame {
            if (rows < 2 || columns < 2 || !(latitudeStep > 0) || !(longitudeStep > 0)
                    || south < -90 - latitudeStep || south + latitudeStep * (rows - 1) > 90 + latitudeStep
                    || longitudeStep * (columns - 1) > TURN + longitudeStep) {
                throw new IllegalArgumentException("geoid grid: " + rows + " × " + columns);
            }
        }

        public double north() {
            return south + latitudeStep * (rows - 1);
        }

        public double east() {
            return west + longitudeStep * (columns - 1);
        }
    }

    /** @param values row by row from the south, NaN where there is none; kept, not copied */
    public GeoidGrid(Frame frame, float[] values) {
        this(frame, values, Between.BILINEAR);
    }

    /** @param values row by row from the south, NaN where there is none; kept, not copied */
    public GeoidGrid(Frame frame, float[] values, Between between) {
        if (values.length != frame.rows() * frame.columns()) {
            throw new IllegalArgumentException(values.length + " values for " + frame.rows() + " × " + frame.columns());
        }
        this.frame = frame;
        this.between = between;
        this.values = values;
        this.round = frame.longitudeStep() * frame.columns() >= TURN - EDGE_CELLS;
    }

    public Frame frame() {
        return frame;
    }

    @Override
    public OptionalDouble undulation(Geographic place) {
        double row = (place.latitude().degrees() - frame.south()) / frame.latitudeStep();
        double degreesEast = place.longitude().degrees() - frame.west();
        double column = (degreesEast - TURN * Math.floor((degreesEast + EDGE_CELLS * frame.longitudeStep()) / TURN))
                / frame.longitudeStep();
        if (row < -EDGE_CELLS || row > frame.rows() - 1 + EDGE_CELLS || !round && column > frame.columns() - 1 + EDGE_CELLS) {
            return OptionalDouble.empty();
        }
        int r = (int) Math.max(0, Math.min(frame.rows() - 2, Math.floor(row)));
        int c = (int) Math.max(0, Math.floor(column));
        c = round ? c : Math.min(frame.columns() - 2, c);
        double up = row - r;
        double right = column - c;
        double curved = between == Between.BICUBIC ? bicubic(r, c, up, right) : Double.NaN;
        if (!Double.isNaN(curved)) {
            return OptionalDouble.of(curved);
        }
        double low = node(r, c) * (1 - right) + node(r, c + 1) * right;
        double high = node(r + 1, c) * (1 - right) + node(r + 1, c + 1) * right;
        double flat = low * (1 - up) + high * up;
        return Double.isNaN(flat) ? OptionalDouble.empty() : OptionalDouble.of(flat);
    }

    /** NaN where any of the sixteen nodes round it is missing. */
    private double bicubic(int r, int c, double up, double right) {
        if (r < 1 || r > frame.rows() - 3 || !round && (c < 1 || c > frame.columns() - 3)) {
            return Double.NaN;
        }
        double sum = 0;
        for (int i = 0; i < NEIGHBOURS; i++) {
            double along = 0;
            for (int j = 0; j < NEIGHBOURS; j++) {
                along += weight(j, right) * node(r - 1 + i, c - 1 + j + frame.columns());
            }
            sum += weight(i, up) * along;
        }
        return sum;
    }

    /** Of the nodes at −1, 0, 1, 2 for a place between the middle two. */
    private static double weight(int node, double t) {
        return switch (node) {
            case 0 -> ((-t + 2) * t - 1) * t / 2;
            case 1 -> ((3 * t - 5) * t * t + 2) / 2;
            case 2 -> ((-3 * t + 4) * t + 1) * t / 2;
            default -> (t - 1) * t * t / 2;
        };
    }

    private double node(int row, int column) {
        return values[row * frame.columns() + column % frame.columns()];
    }
}
