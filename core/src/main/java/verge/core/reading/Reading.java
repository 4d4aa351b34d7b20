package verge.core.reading;

import java.util.Optional;
import verge.core.units.Angle;
import verge.core.units.Length;

/** A raw reading of both circles, with or without a distance: a fact, never rewritten by a correction. */
public sealed interface Reading permits TotalStationReading, Pointing {
    /** Circle reading, clockwise, from the circle's own zero. */
    Angle horizontalDirection();

    /** Circle reading from the zenith; over half a turn in face 2. */
    Angle zenith();

    /** From the instrument's axes to the distance meter's idea of the reflector: no prism constant, no atmosphere. */
    Optional<Length> distance();

    /** The line as the instrument sent it, for the field book. */
    String asReceived();

    default Face face() {
        return Face.of(zenith());
    }

    /** The direction as face 1 would have read it, in [0, 2π). */
    default Angle faceOneDirection() {
        return (face() == Face.ONE ? horizontalDirection() : horizontalDirection().minus(Angle.HALF_TURN)).wholeCircle();
    }

    /** The zenith angle in [0, π]. */
    default Angle faceOneZenith() {
        Angle whole = zenith().wholeCircle();
        return face() == Face.ONE ? whole : new Angle(2 * Math.PI - whole.radians());
    }
}
