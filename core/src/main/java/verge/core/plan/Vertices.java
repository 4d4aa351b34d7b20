package verge.core.plan;

import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalDouble;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;

/**
 * A row of places, each with a northing, an easting and, where it has one, a height. Kept in one array, so that a line of two million
 * vertices costs 48 MB and not ten times that. Immutable.
 */
public final class Vertices {
    private static final int PER_VERTEX = 3;
    /** Northing, easting, height; NaN stands for 'no height' in here and nowhere else. */
    private final double[] values;

    private Vertices(double[] values) {
        this.values = values;
    }

    public static Vertices of(Position... places) {
        Builder builder = new Builder();
        Arrays.stream(places).forEach(p ->
                builder.add(p.plan().northing(), p.plan().easting(), p.elevation().map(Elevation::metres).orElse(Double.NaN)));
        return builder.build();
    }

    public int size() {
        return values.length / PER_VERTEX;
    }

    public double north(int index) {
        return values[index * PER_VERTEX];
    }

    public double east(int index) {
        return values[index * PER_VERTEX + 1];
    }

    /** The height of a vertex; empty if it has none. */
    public OptionalDouble height(int index) {
        double height = values[index * PER_VERTEX + 2];
        return Double.isNaN(height) ? OptionalDouble.empty() : OptionalDouble.of(height);
    }

    public GridPoint plan(int index) {
        return new GridPoint(north(index), east(index));
    }

    public Position position(int index) {
        double height = values[index * PER_VERTEX + 2];
        return new Position(plan(index), Double.isNaN(height) ? Optional.empty() : Optional.of(new Elevation(height)));
    }

    public Extent extent() {
        Extent.Builder builder = new Extent.Builder();
        for (int i = 0; i < size(); i++) {
            builder.add(north(i), east(i));
        }
        return builder.build();
    }

    /** So many from the begin. */
    Vertices first(int size) {
        return new Vertices(Arrays.copyOf(values, size * PER_VERTEX));
    }

    /**
     * Whether a place lies within the outline of these corners, by counting how often a ray to the east crosses it; of one that crosses
     * itself its odd parts count.
     */
    public boolean enclose(double north, double east) {
        boolean inside = false;
        int last = size() - 1;
        for (int i = 0; i <= last; i++) {
            int before = i == 0 ? last : i - 1;
            double n1 = north(i);
            double n2 = north(before);
            if (n1 > north != n2 > north && east < (east(before) - east(i)) * (north - n1) / (n2 - n1) + east(i)) {
                inside = !inside;
            }
        }
        return inside;
    }

    /** Each vertex somewhere else, heights with it. */
    public Vertices placed(Placement placement) {
        double[] moved = values.clone();
        placement.placeAll(moved);
        return new Vertices(moved);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Vertices that && Arrays.equals(values, that.values);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(values);
    }

    /** Gathers vertices while a file is read. */
    public static final class Builder {
        private double[] values = new double[4 * PER_VERTEX];
        private int used;

        /** @param height NaN if there is none */
        public Builder add(double north, double east, double height) {
            if (used == values.length) {
                values = Arrays.copyOf(values, Math.multiplyExact(values.length, 2));
            }
            values[used++] = north;
            values[used++] = east;
            values[used++] = height;
            return this;
        }

        public Builder add(double north, double east) {
            return add(north, east, Double.NaN);
        }

        public int size() {
            return used / PER_VERTEX;
        }

        public double north(int index) {
            return values[index * PER_VERTEX];
        }

        public double east(int index) {
            return values[index * PER_VERTEX + 1];
        }

        public Vertices build() {
            return new Vertices(Arrays.copyOf(values, used));
        }
    }
}
