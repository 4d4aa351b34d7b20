package verge.core.units;

/** A scale of temperature. */
public enum TemperatureUnit {
    CELSIUS("\u00b0C", 1, 0),
    FAHRENHEIT("\u00b0F", 1.8, 32);

    private final String symbol;
    private final double perCelsius;
    private final double atFreezing;

    TemperatureUnit(String symbol, double perCelsius, double atFreezing) {
        this.symbol = symbol;
        this.perCelsius = perCelsius;
        this.atFreezing = atFreezing;
    }

    public String symbol() {
        return symbol;
    }

    public double ofCelsius(double celsius) {
        return celsius * perCelsius + atFreezing;
    }

    public double toCelsius(double amount) {
        return (amount - atFreezing) / perCelsius;
    }
}
