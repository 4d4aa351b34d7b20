package verge.core.reading;

import verge.core.units.Angle;

/** Which side of the instrument the vertical circle was on when it was read. */
public enum Face {
    ONE,
    TWO;

    /** The face that a zenith reading belongs to: 0 to π is face 1, the rest of the turn face 2. */
    public static Face of(Angle zenithReading) {
        return zenithReading.wholeCircle().radians() <= Math.PI ? ONE : TWO;
    }
}
