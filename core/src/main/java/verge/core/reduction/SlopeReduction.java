package verge.core.reduction;

import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * Horizontal distance and height difference from a slope distance and a zenith angle, on a sphere, with a ray that is an arc.
 *
 * <p>Exact for an earth that is a sphere of the given radius where the sight is, and a ray of constant curvature k/R, at any inclination:
 * the arc becomes its chord, the chord's zenith angle follows from half the bend, and the triangle with the earth's centre is solved
 * without approximation. Source: any textbook on geodetic surveying under 'reciprocal and single zenith angles'; W. Torge, 'Geodesy',
 * section 5.5 for the sign of k.
 */
public final class SlopeReduction {
    /** Coefficient of refraction usual by day over land. */
    public static final double USUAL_REFRACTION = 0.13;

    private SlopeReduction() {
    }

    /**
     * @param horizontal along the sphere through the station mark
     * @param heightDifference of the target above the instrument's axis, positive upwards
     */
    public record Result(Length horizontal, Length heightDifference) {
    }

    /**
     * @param slope along the ray, corrected for prism and atmosphere
     * @param zenith 0 (straight up) to π (straight down), as observed at the axis
     * @param instrumentHeight of the axis above the mark whose level the distance is reduced to
     * @param refraction coefficient k: curvature of the ray over curvature of the earth
     * @param radiusMetres of the earth at the station mark, in the direction of the sight
     */
    public static Result reduce(Length slope, Angle zenith, Length instrumentHeight, double refraction, double radiusMetres) {
        double s = slope.metres();
        double axisRadius = radiusMetres + instrumentHeight.metres();
        double rayCurvature = refraction * zenith.sin() / radiusMetres;   // gravity bends only the horizontal part
        double halfBend = rayCurvature * s / 2;
        double chord = halfBend == 0 ? s : s * Math.sin(halfBend) / halfBend;
        double chordZenith = zenith.radians() + halfBend;
        double horizontal = chord * Math.sin(chordZenith);
        double up = chord * Math.cos(chordZenith);
        double centralAngle = Math.atan2(horizontal, axisRadius + up);
        double targetRadius = Math.hypot(axisRadius + up, horizontal);
        // (r₂² − r₁²)/(r₂ + r₁) keeps the millimetres that r₂ − r₁ would round away
        double rise = (2 * axisRadius * up + chord * chord) / (targetRadius + axisRadius);
        return new Result(new Length(radiusMetres * centralAngle), new Length(rise));
    }

    /**
     * What would be observed: {@link #reduce} the other way round.
     *
     * @param slope along the ray
     * @param zenith as the axis would see it
     */
    public record Sight(Length slope, Angle zenith) {
    }

    /**
     * @param horizontalMetres along the sphere through the station mark, above 0
     * @param riseMetres of the target above the instrument's axis
     */
    public static Sight predict(double horizontalMetres, double riseMetres, Length instrumentHeight, double refraction,
            double radiusMetres) {
        double axisRadius = radiusMetres + instrumentHeight.metres();
        double centralAngle = horizontalMetres / radiusMetres;
        double across = (axisRadius + riseMetres) * Math.sin(centralAngle);
        double half = Math.sin(centralAngle / 2);
        double up = riseMetres * Math.cos(centralAngle) - 2 * axisRadius * half * half;
        double chord = Math.hypot(across, up);
        double chordZenith = Math.atan2(across, up);
        double zenith = chordZenith;
        double slope = chord;
        for (int i = 0; i < 3; i++) {   // the bend is some millionths of the zenith angle: each round gains five digits
            double halfBend = refraction * Math.sin(zenith) / radiusMetres * slope / 2;
            slope = halfBend == 0 ? chord : chord * halfBend / Math.sin(halfBend);
            zenith = chordZenith - halfBend;
        }
        return new Sight(new Length(slope), new Angle(zenith));
    }
}
