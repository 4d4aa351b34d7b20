package verge.core.occupation;

import verge.core.journal.Payload;
import verge.core.satellite.AntennaOverMark;

/** What was measured with an antenna on a pole. */
public interface OnPole extends Payload {
    AntennaOverMark antenna();

    /** The same with another antenna, or another height of it. */
    Payload with(AntennaOverMark other);
}
