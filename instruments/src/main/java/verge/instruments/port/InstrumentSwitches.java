package verge.instruments.port;

import verge.core.reading.Face;
import verge.core.units.Angle;

/**
 * How an instrument is set, and where it looks.
 *
 * @param locked whether it holds a prism and follows it
 * @param direction circle reading of where it looks
 */
public record InstrumentSwitches(Mode mode, Face face, boolean locked, boolean compensator, boolean laser, Angle direction, Angle zenith) {
    /** What it measures to. */
    public enum Mode {
        /** A prism where it is pointed at. */
        PRISM,
        /** A prism that it holds and follows. */
        LOCK,
        /** Whatever the beam meets. */
        REFLECTORLESS
    }

    /** What can be switched on and off. */
    public enum Switch { COMPENSATOR, LASER }
}
