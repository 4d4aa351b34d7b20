package verge.core.reading;

/**
 * The air along the sight.
 *
 * @param temperatureCelsius dry temperature, −40 to 60
 * @param pressureHectopascals at the instrument, not reduced to sea level, 500 to 1100
 * @param relativeHumidityPercent 0 to 100; its whole range is worth 0.6 ppm at 20 °C, so 60 serves where nobody knows
 */
public record Atmosphere(double temperatureCelsius, double pressureHectopascals, double relativeHumidityPercent) {
    public Atmosphere {
        require("temperatureCelsius", temperatureCelsius, -40, 60);
        require("pressureHectopascals", pressureHectopascals, 500, 1100);
        require("relativeHumidityPercent", relativeHumidityPercent, 0, 100);
    }

    /**
     * Of air whose humidity a ventilated psychrometer tells.
     *
     * @param wetCelsius of its wet thermometer, that is of ice below 0
     * @throws IllegalArgumentException if the wet one is warmer, or the figures cannot be of air. Source: WMO-No. 8, annex 4.B
     */
    public static Atmosphere ofWetBulb(double dryCelsius, double wetCelsius, double pressureHectopascals) {
        Atmosphere saturated = new Atmosphere(dryCelsius, pressureHectopascals, 100);
        require("wetCelsius", wetCelsius, -40, dryCelsius);
        double coefficient = wetCelsius < 0 ? 5.75e-4 : 6.53e-4 * (1 + 0.000944 * wetCelsius);
        double over = wetCelsius < 0 ? overIce(wetCelsius, pressureHectopascals) : overWater(wetCelsius, pressureHectopascals);
        double vapour = over - coefficient * pressureHectopascals * (dryCelsius - wetCelsius);
        return new Atmosphere(dryCelsius, pressureHectopascals, Math.min(100, 100 * vapour / saturated.vapourHectopascals()));
    }

    /** Partial pressure of its water vapour; saturation over water after Magnus with the constants of WMO-No. 8, annex 4.B. */
    public double vapourHectopascals() {
        return relativeHumidityPercent / 100 * overWater(temperatureCelsius, pressureHectopascals);
    }

    private static double overWater(double celsius, double hectopascals) {
        return enhancement(hectopascals) * 6.112 * Math.exp(17.62 * celsius / (243.12 + celsius));
    }

    private static double overIce(double celsius, double hectopascals) {
        return enhancement(hectopascals) * 6.112 * Math.exp(22.46 * celsius / (272.62 + celsius));
    }

    private static double enhancement(double hectopascals) {
        return 1.0016 + 3.15e-6 * hectopascals - 0.074 / hectopascals;
    }

    /** Of another temperature and pressure. */
    public Atmosphere with(double otherCelsius, double otherHectopascals) {
        return new Atmosphere(otherCelsius, otherHectopascals, relativeHumidityPercent);
    }

    private static void require(String field, double value, double lowest, double highest) {
        if (!(value >= lowest && value <= highest)) {
            throw new IllegalArgumentException(field + ": " + value);
        }
    }
}
