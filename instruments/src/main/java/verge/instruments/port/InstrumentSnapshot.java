package verge.instruments.port;

import java.time.Instant;
import java.util.Optional;
import verge.core.reading.TotalStationReading;

/**
 * The latest that is known of an instrument. After a lost link what it said last stays, with the link's state beside it.
 *
 * @param tracked the latest reading of a running track; absent while tracking is off, the prism is out of sight or the link is down
 * @param changed when any of this last changed
 */
public record InstrumentSnapshot(String address, LinkState link, Optional<InstrumentIdentity> identity,
        Optional<InstrumentCondition> condition, Optional<TotalStationReading> tracked, Instant changed) {

    public static InstrumentSnapshot connecting(String address) {
        return new InstrumentSnapshot(address, LinkState.CONNECTING, Optional.empty(), Optional.empty(), Optional.empty(), Instant.now());
    }

    public InstrumentSnapshot with(LinkState state) {
        return new InstrumentSnapshot(address, state, identity, condition, state == LinkState.UP ? tracked : Optional.empty(), Instant.now());
    }

    public InstrumentSnapshot with(InstrumentIdentity told) {
        return new InstrumentSnapshot(address, link, Optional.of(told), condition, tracked, Instant.now());
    }

    public InstrumentSnapshot with(InstrumentCondition told) {
        return new InstrumentSnapshot(address, link, identity, Optional.of(told),
                told.targetInSight() ? tracked : Optional.empty(), Instant.now());
    }

    public InstrumentSnapshot withoutTrack() {
        return new InstrumentSnapshot(address, link, identity, condition, Optional.empty(), Instant.now());
    }

    public InstrumentSnapshot with(TotalStationReading reading) {
        return new InstrumentSnapshot(address, link, identity, condition, Optional.of(reading), Instant.now());
    }
}
