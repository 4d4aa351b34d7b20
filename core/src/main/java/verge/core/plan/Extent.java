package verge.core.plan;

import verge.core.geodesy.GridPoint;

/** The upright box round something, in metres; empty boxes have no middle and overlap nothing. */
public record Extent(double south, double west, double north, double east) {
    public static final Extent EMPTY = new Extent(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY,
            Double.NEGATIVE_INFINITY);

    public boolean isEmpty() {
        return !(south <= north && west <= east);
    }

    public GridPoint middle() {
        return new GridPoint((south + north) / 2, (west + east) / 2);
    }

    public double diagonal() {
        return isEmpty() ? 0 : Math.hypot(north - south, east - west);
    }

    public boolean overlaps(Extent other) {
        return distance(other) == 0 && !isEmpty() && !other.isEmpty();
    }

    public boolean contains(GridPoint place) {
        return place.northing() >= south && place.northing() <= north && place.easting() >= west && place.easting() <= east;
    }

    /** Shortest distance between two boxes; 0 where they touch. */
    public double distance(Extent other) {
        double alongNorth = Math.max(0, Math.max(other.south - north, south - other.north));
        double alongEast = Math.max(0, Math.max(other.west - east, west - other.east));
        return Math.hypot(alongNorth, alongEast);
    }

    public Extent and(Extent other) {
        return new Extent(Math.min(south, other.south), Math.min(west, other.west), Math.max(north, other.north),
                Math.max(east, other.east));
    }

    /** Grows a box round places. Places that are no numbers are passed over. */
    public static final class Builder {
        private double south = Double.POSITIVE_INFINITY;
        private double west = Double.POSITIVE_INFINITY;
        private double north = Double.NEGATIVE_INFINITY;
        private double east = Double.NEGATIVE_INFINITY;

        public Builder add(double northing, double easting) {
            if (Double.isFinite(northing) && Double.isFinite(easting)) {
                south = Math.min(south, northing);
                north = Math.max(north, northing);
                west = Math.min(west, easting);
                east = Math.max(east, easting);
            }
            return this;
        }

        public Extent build() {
            return new Extent(south, west, north, east);
        }
    }
}
