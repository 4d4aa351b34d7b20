package verge.core.geodesy.method;

/** Differences of longitude, which must not go the long way round where a zone lies over the date line. */
final class Turns {
    private static final double TURN = 2 * Math.PI;

    private Turns() {
    }

    /** The difference in [−π, π], both longitudes within a turn of Greenwich. */
    static double difference(double longitude, double origin) {
        double d = longitude - origin;
        return d > Math.PI ? d - TURN : d < -Math.PI ? d + TURN : d;
    }
}
