package verge.core.geodesy;

/**
 * Where a system is meant to be used: a box in degrees. West may be greater than east; the box then crosses the date line.
 *
 * @param words as the source of the system describes it, or empty
 */
public record AreaOfUse(String words, double west, double south, double east, double north) {
    public static final AreaOfUse WORLD = new AreaOfUse("", -180, -90, 180, 90);
    private static final double TURN = 360;

    public boolean contains(Geographic place) {
        double latitude = place.latitude().degrees();
        double longitude = place.longitude().halfCircle().degrees();
        boolean within = west <= east ? longitude >= west && longitude <= east : longitude >= west || longitude <= east;
        return latitude >= south && latitude <= north && within;
    }

    /** The place of the area that is nearest, by latitude and longitude each. */
    public Geographic nearest(Geographic place) {
        double longitude = place.longitude().halfCircle().degrees();
        double within = contains(Geographic.ofDegrees(centre().latitude().degrees(), longitude)) ? longitude
                : turn(longitude - west) < turn(longitude - east) ? west : east;
        return Geographic.ofDegrees(Math.max(south, Math.min(north, place.latitude().degrees())), within);
    }

    private static double turn(double degrees) {
        return Math.abs(Math.IEEEremainder(degrees, TURN));
    }

    public Geographic centre() {
        double middle = west <= east ? (west + east) / 2 : (west + east + TURN) / 2;
        return Geographic.ofDegrees((south + north) / 2, middle > TURN / 2 ? middle - TURN : middle);
    }
}
