package verge.instruments.receiver;

import java.time.Duration;
import verge.core.satellite.SolvedPosition;

/** A position that a receiver told, whole and without a doubt, and when it was true by the clock here. */
public record Epoch(SolvedPosition position, Timing timing) {
    /** How an epoch's time agrees with the clock here. */
    public enum Kind {
        /** Nothing can be said yet: the first of a line. */
        UNSETTLED,
        TIMELY,
        /** It took longer than is usual on this line: it tells where the antenna was. */
        LATE,
        /** It claims to be from later than any before it could be: the receiver's clock leapt. */
        AHEAD
    }

    /**
     * @param observedNanos when it was observed at the latest, by the clock of System.nanoTime; when it came, where nothing better is known
     * @param late by how much longer it took than the quickest
     */
    public record Timing(Kind kind, long observedNanos, Duration late) {
    }

    /** Whether it was observed after a moment, as far as can be said. @param nanos of System.nanoTime */
    public boolean isAfter(long nanos) {
        return timing.kind() == Kind.TIMELY && timing.observedNanos() - nanos >= 0;
    }
}
