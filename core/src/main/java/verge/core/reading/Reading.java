package verge.core.reading;

/** A raw reading of an instrument: a fact, never rewritten by a correction. */
public sealed interface Reading permits TotalStationReading {
    /** The line as the instrument sent it, for the field book. */
    String asReceived();
}
