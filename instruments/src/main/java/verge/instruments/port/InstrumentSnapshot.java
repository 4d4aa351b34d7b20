package verge.instruments.port;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import verge.core.reading.TotalStationReading;

/**
 * The latest that is known of an instrument. After a lost link what it said last stays, with the link's state beside it.
 *
 * @param mismatch what both ends must share and do not
 * @param told when the instrument last said how it fares
 * @param latest the latest reading of a running track; absent while tracking is off, the prism is out of sight or the link is down
 */
public record InstrumentSnapshot(LinkSetting setting, LinkState link, Optional<Mismatch> mismatch, Optional<InstrumentIdentity> identity,
        Optional<InstrumentCondition> condition, Optional<InstrumentSwitches> switches, Instant told,
        Optional<Stamped<TotalStationReading>> latest) implements DeviceSnapshot {
    /** A track that has been silent for so long says nothing of where the prism is now. */
    private static final Duration LONGEST_PAUSE = Duration.ofSeconds(2);

    /** @param what pairing number or shared address @param ours as entered @param theirs as the other end has it */
    public record Mismatch(String what, String ours, String theirs) {
    }

    public static InstrumentSnapshot connecting(LinkSetting setting) {
        return new InstrumentSnapshot(setting, LinkState.CONNECTING, Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(),
                Instant.EPOCH, Optional.empty());
    }

    /** Where the prism is by the running track; empty when the track has been silent. */
    public Optional<TotalStationReading> tracked() {
        return latest.filter(t -> t.within(LONGEST_PAUSE)).map(Stamped::value);
    }

    public InstrumentSnapshot with(LinkState state) {
        return new InstrumentSnapshot(setting, state, state == LinkState.MISMATCH ? mismatch : Optional.empty(), identity, condition,
                switches, told,
                state == LinkState.UP ? latest : Optional.empty());
    }

    public InstrumentSnapshot with(Mismatch differs) {
        return new InstrumentSnapshot(setting, LinkState.MISMATCH, Optional.of(differs), identity, condition, switches, told,
                Optional.empty());
    }

    public InstrumentSnapshot with(InstrumentIdentity said) {
        return new InstrumentSnapshot(setting, link, mismatch, Optional.of(said), condition, switches, told, latest);
    }

    public InstrumentSnapshot with(InstrumentCondition fares, InstrumentSwitches set, Instant at) {
        return new InstrumentSnapshot(setting, link, mismatch, identity, Optional.of(fares), Optional.of(set), at,
                fares.targetInSight() ? latest : Optional.empty());
    }

    public InstrumentSnapshot withoutTrack() {
        return new InstrumentSnapshot(setting, link, mismatch, identity, condition, switches, told, Optional.empty());
    }

    public InstrumentSnapshot with(Stamped<TotalStationReading> reading) {
        return new InstrumentSnapshot(setting, link, mismatch, identity, condition, switches, told, Optional.of(reading));
    }
}
