package verge.core.reading;

import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * One pointing of a total station, as read: no prism constant, no atmosphere, no face reduction.
 *
 * @param horizontalDirection circle reading, clockwise, from the circle's own zero
 * @param zenith circle reading from the zenith; over half a turn in face 2
 * @param slopeDistance from the instrument's axes to the distance meter's idea of the reflector
 * @param asReceived the line the instrument sent
 */
public record TotalStationReading(Angle horizontalDirection, Angle zenith, Length slopeDistance, String asReceived)
        implements Reading {

    public Face face() {
        return Face.of(zenith);
    }

    /** The direction as face 1 would have read it, in [0, 2π). */
    public Angle faceOneDirection() {
        return (face() == Face.ONE ? horizontalDirection : horizontalDirection.minus(Angle.HALF_TURN)).wholeCircle();
    }

    /** The zenith angle in [0, π]. */
    public Angle faceOneZenith() {
        Angle whole = zenith.wholeCircle();
        return face() == Face.ONE ? whole : new Angle(2 * Math.PI - whole.radians());
    }
}
