package verge.core.setup;

import verge.core.units.Length;

/**
 * What is left between a measurement and the known points, with what chance makes of it.
 *
 * @param difference measured minus known
 * @param sigma standard deviation of the difference; 0 where nothing controls it
 */
public record Misfit(Length difference, Length sigma) {
    /** Misfits beyond this many standard deviations are taken for mistakes: 1 in 370 by chance. */
    public static final double LIMIT_IN_SIGMAS = 3;
    /** Smaller than anything that is read or shown: what arithmetic leaves of a misfit that cannot show. */
    private static final double NOTHING_METRES = 1e-7;

    public Length limit() {
        return sigma.times(LIMIT_IN_SIGMAS);
    }

    /** Whether there is anything that could show: a measurement that nothing controls always fits. */
    public boolean controlled() {
        return sigma.metres() > NOTHING_METRES;
    }

    public boolean within() {
        return !controlled() || difference.abs().compareTo(limit()) <= 0;
    }
}
