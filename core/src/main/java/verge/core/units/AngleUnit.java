package verge.core.units;

/** How angles are shown and, unless typed with marks of their own, read. */
public enum AngleUnit {
    /** Sexagesimal: degrees, minutes, seconds; decimals are those of the second. */
    DEGREES(360, "\u00b0", 0),
    /** Degrees with decimals. */
    DECIMAL_DEGREES(360, "\u00b0", 5),
    /** 400 to the turn. */
    GON(400, " gon", 4),
    /** 6400 to the turn. */
    MIL(6400, " mil", 2);

    private final double perTurn;
    private final String mark;
    private final int usualDecimals;

    AngleUnit(double perTurn, String mark, int usualDecimals) {
        this.perTurn = perTurn;
        this.mark = mark;
        this.usualDecimals = usualDecimals;
    }

    /** Units in a whole turn. */
    public double perTurn() {
        return perTurn;
    }

    /** What follows the figure. */
    String mark() {
        return mark;
    }

    /** Decimals that come to about a second of arc. */
    public int usualDecimals() {
        return usualDecimals;
    }

    public Angle angle(double amount) {
        return new Angle(amount * (2 * Math.PI / perTurn));
    }

    public double in(Angle angle) {
        return angle.radians() * (perTurn / (2 * Math.PI));
    }
}
