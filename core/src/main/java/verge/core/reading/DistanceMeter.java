package verge.core.reading;

import verge.core.units.Length;

/**
 * What a maker states of a distance meter.
 *
 * @param wavelengthMicrometres of the carrier in vacuum
 * @param referenceIndex group refractive index for which the raw distances are right
 * @param sigmaConstant part of the standard deviation that does not grow with the distance
 * @param sigmaPpm part that does, in millionths of the distance
 */
public record DistanceMeter(double wavelengthMicrometres, double referenceIndex, Length sigmaConstant, double sigmaPpm) {
    /** Standard deviation of one distance. */
    public Length sigma(Length distance) {
        return new Length(Math.hypot(sigmaConstant.metres(), sigmaPpm * 1e-6 * distance.metres()));
    }
}
