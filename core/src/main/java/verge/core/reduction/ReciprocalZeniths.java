package verge.core.reduction;

import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * The difference in height of two marks from zenith angles that were read at both at the same time: what the ray bends counts at both ends
 * alike and falls out, and how much it bends is found.
 *
 * <p>On a sphere the triangle with the earth's centre is solved exactly (Mollweide): rise = s · sin((ζ₂ − ζ₁)/2) / cos(γ/2), with s the
 * chord, γ the angle at
 * the centre. Source: any textbook on geodetic surveying under 'reciprocal zenith angles'.
 */
public final class ReciprocalZeniths {
    private static final int STEPS = 5;

    private ReciprocalZeniths() {
    }

    /**
     * What is read at one end.
     *
     * @param zenith 0 (straight up) to π, at the axis
     * @param instrument height of the axis over the mark
     * @param target height, over the mark of this end, of what the other end aims at
     */
    public record End(Angle zenith, Length instrument, Length target) {
    }

    /**
     * @param rise of the second mark above the first, along the plumb lines
     * @param refraction k: curvature of the ray over that of the earth; NaN where the marks lie so close that the angles cannot tell
     */
    public record Result(Length rise, double refraction) {
    }

    /**
     * @param chord from axis to axis, straight, corrected for prism and atmosphere
     * @param radiusMetres of the earth, in the direction of the sight
     */
    public static Result of(End one, End other, Length chord, double radiusMetres) {
        double s = chord.metres();
        // Each sight is turned to what would be seen from axis to axis: the other's target is not where its axis is.
        double z1 = one.zenith().radians() + (other.target().metres() - other.instrument().metres()) * one.zenith().sin() / s;
        double z2 = other.zenith().radians() + (one.target().metres() - one.instrument().metres()) * other.zenith().sin() / s;
        double half = (z2 - z1) / 2;
        double gamma = 0;
        double rise = 0;
        for (int i = 0; i < STEPS; i++) {
            rise = s * Math.sin(half) / Math.cos(gamma / 2);
            // The chord's part that lies level, over the mean of both radii: the law of cosines for the angle at the centre.
            double mean = radiusMetres + one.instrument().metres() + rise / 2;
            gamma = 2 * Math.asin(Math.sqrt(Math.max(0, s * s - rise * rise)) / 2 / Math.sqrt(mean * mean - rise * rise / 4));
        }
        double refraction = gamma > 0 ? (Math.PI + gamma - z1 - z2) / gamma : Double.NaN;
        return new Result(new Length(rise + one.instrument().metres() - other.instrument().metres()), refraction);
    }
}
