package verge.instruments.line;

import java.time.Instant;
import verge.core.reading.TotalStationReading;
import verge.instruments.port.InstrumentCondition;
import verge.instruments.port.InstrumentIdentity;
import verge.instruments.port.InstrumentSnapshot;
import verge.instruments.port.InstrumentSwitches;
import verge.instruments.port.LinkState;
import verge.instruments.port.Stamped;

/** What happens to a total station's link, and what the instrument says. */
sealed interface InstrumentEvent {
    /** @param track whether its running track is wanted */
    record Known(InstrumentSnapshot shown, boolean track) {
        private Known with(InstrumentSnapshot other) {
            return new Known(other, track);
        }
    }

    /** What is known once that has happened. */
    Known after(Known before);

    /** It is tried. */
    record Connecting() implements InstrumentEvent {
        @Override
        public Known after(Known before) {
            return before;   // what it was before, connecting or lost, is told until somebody answers
        }
    }

    /** It said who it is. */
    record Greeted(InstrumentIdentity identity) implements InstrumentEvent {
        @Override
        public Known after(Known before) {
            return before.with(before.shown().with(identity).with(LinkState.UP));
        }
    }

    /** It refused the greeting, for both ends do not share what they must. */
    record Differs(InstrumentSnapshot.Mismatch what) implements InstrumentEvent {
        @Override
        public Known after(Known before) {
            return before.with(before.shown().with(what));
        }
    }

    /** How it fares and is set. */
    record Fares(InstrumentCondition condition, InstrumentSwitches set, Instant at) implements InstrumentEvent {
        @Override
        public Known after(Known before) {
            return before.with(before.shown().with(condition, set, at));
        }
    }

    /** A reading of its running track. */
    record Tracked(Stamped<TotalStationReading> reading) implements InstrumentEvent {
        @Override
        public Known after(Known before) {
            return before.track() ? before.with(before.shown().with(reading)) : before;
        }
    }

    /** The running track is wanted from now on, or no more. */
    record TrackWanted(boolean on) implements InstrumentEvent {
        @Override
        public Known after(Known before) {
            return new Known(on ? before.shown() : before.shown().withoutTrack(), on);
        }
    }

    /** The connection is gone. */
    record Gone() implements InstrumentEvent {
        @Override
        public Known after(Known before) {
            return before.shown().link() == LinkState.UP ? before.with(before.shown().with(LinkState.LOST)) : before;
        }
    }

    /** The link was closed. */
    record Closed() implements InstrumentEvent {
        @Override
        public Known after(Known before) {
            return before.with(before.shown().with(LinkState.CLOSED));
        }
    }
}
