package verge.core.geodesy;

import verge.core.units.Angle;

/**
 * A place on an ellipsoid, of whichever datum the context names.
 *
 * @param latitude positive northwards, within ±90°
 * @param longitude positive eastwards of Greenwich
 */
public record Geographic(Angle latitude, Angle longitude) {
    public Geographic {
        if (Math.abs(latitude.degrees()) > 90 + 1e-9) {
            throw new IllegalArgumentException("latitude: " + latitude.degrees() + "°");
        }
    }

    public static Geographic ofDegrees(double latitude, double longitude) {
        return new Geographic(Angle.ofDegrees(latitude), Angle.ofDegrees(longitude));
    }
}
