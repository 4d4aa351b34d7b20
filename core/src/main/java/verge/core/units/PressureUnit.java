package verge.core.units;

/**
 * A unit of air pressure.
 *
 * <p>A figure in the wrong one spoils every distance: 760 taken for hectopascals costs 70 mm a kilometre.
 */
public enum PressureUnit {
    HECTOPASCAL("hPa", 1, 1),
    /** The conventional millimetre of mercury: 13 595.1 kg/m³ under 9.80665 m/s². */
    MILLIMETRE_OF_MERCURY("mmHg", 1.33322387415, 1),
    INCH_OF_MERCURY("inHg", 25.4 * 1.33322387415, 2);

    private final String symbol;
    private final double hectopascals;
    private final int decimals;

    PressureUnit(String symbol, double hectopascals, int decimals) {
        this.symbol = symbol;
        this.hectopascals = hectopascals;
        this.decimals = decimals;
    }

    public String symbol() {
        return symbol;
    }

    public double ofHectopascals(double amount) {
        return amount / hectopascals;
    }

    public double toHectopascals(double amount) {
        return amount * hectopascals;
    }

    int decimals() {
        return decimals;
    }
}
