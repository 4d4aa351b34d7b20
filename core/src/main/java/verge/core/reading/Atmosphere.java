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
