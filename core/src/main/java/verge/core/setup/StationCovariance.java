package verge.core.setup;

import java.util.Arrays;
import verge.core.geodesy.Uncertainty;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * How well a station is known: variances and covariances of its northing, easting, orientation, level and scale, in metres and radians.
 *
 * <p>The level is that of the axes as points are measured from it: it holds the tape's error only where the height came from the mark
 * below.
 */
public final class StationCovariance {
    static final int NORTH = 0;
    static final int EAST = 1;
    static final int ORIENTATION = 2;
    static final int LEVEL = 3;
    static final int SCALE = 4;
    static final int SIZE = 5;

    private final double[] cells;

    StationCovariance(double[][] rows) {
        cells = Arrays.stream(rows).flatMapToDouble(Arrays::stream).toArray();
        if (rows.length != SIZE || cells.length != SIZE * SIZE) {
            throw new IllegalArgumentException("covariance of " + rows.length + " rows");
        }
    }

    double at(int row, int column) {
        return cells[row * SIZE + column];
    }

    /** Variance of a + b·northing + … for the given factors. */
    double of(double... factors) {
        double sum = 0;
        for (int i = 0; i < SIZE; i++) {
            for (int j = 0; j < SIZE; j++) {
                sum += factors[i] * factors[j] * at(i, j);
            }
        }
        return Math.max(0, sum);
    }

    public Uncertainty position() {
        return new Uncertainty(root(NORTH), root(EAST), root(LEVEL));
    }

    public Angle orientation() {
        return new Angle(root(ORIENTATION).metres());
    }

    /** Of the scale, as a bare number. */
    public double scale() {
        return root(SCALE).metres();
    }

    private Length root(int i) {
        return new Length(Math.sqrt(Math.max(0, at(i, i))));
    }

    /** The ellipse that holds the station with a probability of 39 %: one standard deviation in every direction. */
    public ErrorEllipse ellipse() {
        return ErrorEllipse.of(at(NORTH, NORTH), at(EAST, EAST), at(NORTH, EAST));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof StationCovariance c && Arrays.equals(cells, c.cells);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(cells);
    }
}
