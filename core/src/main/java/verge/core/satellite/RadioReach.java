package verge.core.satellite;

import verge.core.units.Length;

/**
 * How far a base's radio is likely to be heard over open, flat land: by the plane-earth loss 40 lg d − 20 lg (h₁ h₂) between simple
 * antennas, and no farther than both see each other on an earth with 4/3 of its radius, as ITU-R P.310 has it. Woods, hills and houses take
 * most of it.
 */
public final class RadioReach {
    /** What a usual data radio still understands. */
    private static final double SENSITIVITY_DBM = -107;
    private static final double MILLIWATTS = 1_000;
    private static final double HORIZON = 4_120;
    private static final double LEAST_METRES = 0.5;

    private RadioReach() {
    }

    /** @param base @param rover heights of both antennas over the land */
    public static Length of(double watts, Length base, Length rover) {
        if (!(watts > 0)) {
            return Length.ZERO;
        }
        double low = Math.max(LEAST_METRES, base.metres());
        double other = Math.max(LEAST_METRES, rover.metres());
        double budget = 10 * Math.log10(watts * MILLIWATTS) - SENSITIVITY_DBM;
        double heard = Math.sqrt(low * other) * Math.pow(10, budget / 40);
        return new Length(Math.min(heard, HORIZON * (Math.sqrt(low) + Math.sqrt(other))));
    }
}
