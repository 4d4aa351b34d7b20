package verge.core.reduction;

import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;

/**
 * The first velocity (atmospheric) correction of electro-optical distances.
 *
 * <p>Closed formula of the IAG resolution of 1999 (Ciddor and Hill) for the group refractivity of air with 0.0375 % CO₂, valid from
 * 560 to 1600 nm; within 0.25 ppm of the full Ciddor equations from −30 to +45 °C. Source: J. M. Rüeger, 'Refractive indices of
 * light, infrared and radio waves in the atmosphere', 2002, sections 3 and 6.
 */
public final class FirstVelocity {
    private static final double ZERO_CELSIUS_IN_KELVIN = 273.15;
    private static final double STANDARD_PRESSURE_HECTOPASCALS = 1013.25;

    private FirstVelocity() {
    }

    /** Correction in millionths of the measured distance, to be added: n_ref − n. */
    public static double ppm(DistanceMeter meter, Atmosphere air) {
        return (meter.referenceIndex() - 1) * 1e6 - groupRefractivityPpm(meter.wavelengthMicrometres(), air);
    }

    /** (n − 1) · 10⁶ for a signal's group velocity. */
    static double groupRefractivityPpm(double wavelengthMicrometres, Atmosphere air) {
        double perSquare = 1 / (wavelengthMicrometres * wavelengthMicrometres);
        double standard = 287.6155 + 4.88660 * perSquare + 0.06800 * perSquare * perSquare;
        double kelvin = air.temperatureCelsius() + ZERO_CELSIUS_IN_KELVIN;
        double dry = standard * (ZERO_CELSIUS_IN_KELVIN / kelvin) * (air.pressureHectopascals() / STANDARD_PRESSURE_HECTOPASCALS);
        return dry - 11.27 * air.vapourHectopascals() / kelvin;
    }
}
