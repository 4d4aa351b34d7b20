package verge.instruments.receiver;

import verge.instruments.nmea.NmeaEpochs;

/** What must not be passed over in a receiver's stream. */
public enum StreamDoubt {
    /** Its clock went back. */
    BACKWARDS,
    /** Two speak on one line, and tell different places. */
    TWO_SPEAKERS,
    /** It claims moments later than any before them could be: its clock leapt. */
    AHEAD;

    static StreamDoubt of(NmeaEpochs.Event.Doubt.Kind kind) {
        return switch (kind) {
            case BACKWARDS -> BACKWARDS;
            case TWO_SPEAKERS -> TWO_SPEAKERS;
        };
    }
}
