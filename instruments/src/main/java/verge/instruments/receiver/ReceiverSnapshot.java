package verge.instruments.receiver;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.SolvedPosition;
import verge.instruments.nmea.NmeaEpochs;
import verge.instruments.nmea.NmeaSentence;

/**
 * The latest that is known of a receiver.
 *
 * @param told when it last said anything that could be understood
 * @param position the latest, with the moment at which it came; what is older than the link says nothing of where the pole is now
 * @param sky by system, as it was last told whole
 * @param doubt the latest that must not be passed over; absent once a position came without one
 * @param damaged lines that broke off or had no right checksum
 */
public record ReceiverSnapshot(State state, Instant told, Optional<Came> position, Map<SatelliteSystem, List<NmeaSentence.Gsv.Seen>> sky, Optional<NmeaEpochs.Event.Doubt.Kind> doubt, long damaged) {
    /** How the link fares. */
    public enum State {
        CONNECTING, UP,
        /** It connected and is silent, or cannot be reached. */
        LOST,
        /** Something answers that is no receiver, or speaks nothing that is understood. */
        NO_RECEIVER
    }

    /** @param at by the clock here */
    public record Came(SolvedPosition position, Instant at) {
    }

    static final ReceiverSnapshot CONNECTING = new ReceiverSnapshot(State.CONNECTING, Instant.EPOCH, Optional.empty(), Map.of(), Optional.empty(), 0);

    ReceiverSnapshot with(State other) {
        return new ReceiverSnapshot(other, told, other == State.UP ? position : Optional.empty(), sky, doubt, damaged);
    }
}
