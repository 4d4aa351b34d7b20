package verge.core.units;

/** An angle of any size, held in radians. */
public record Angle(double radians) {
    private static final double TURN = 2 * Math.PI;

    public static final Angle ZERO = new Angle(0);
    public static final Angle HALF_TURN = new Angle(Math.PI);

    public Angle {
        if (!Double.isFinite(radians)) {
            throw new IllegalArgumentException("angle: " + radians);
        }
    }

    public static Angle ofDegrees(double degrees) {
        return new Angle(Math.toRadians(degrees));
    }

    public static Angle ofGons(double gons) {
        return new Angle(gons * (Math.PI / 200));
    }

    public static Angle ofArcSeconds(double arcSeconds) {
        return new Angle(arcSeconds * (Math.PI / 648_000));
    }

    public double degrees() {
        return Math.toDegrees(radians);
    }

    public double gons() {
        return radians * (200 / Math.PI);
    }

    public double arcSeconds() {
        return radians * (648_000 / Math.PI);
    }

    public Angle plus(Angle other) {
        return new Angle(radians + other.radians);
    }

    public Angle minus(Angle other) {
        return new Angle(radians - other.radians);
    }

    /** The same direction in [0, 2π). */
    public Angle wholeCircle() {
        double r = radians - TURN * Math.floor(radians / TURN);
        return new Angle(r < TURN ? r + 0.0 : 0);   // −1e-20 would round up to exactly 2π; + 0.0 turns −0 into 0
    }

    /** The same direction in (−π, π]. */
    public Angle halfCircle() {
        double r = wholeCircle().radians;
        return new Angle(r > Math.PI ? r - TURN : r);
    }

    public double sin() {
        return Math.sin(radians);
    }

    public double cos() {
        return Math.cos(radians);
    }
}
