package verge.instruments.receiver;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import verge.core.satellite.PoleTilt;
import verge.core.satellite.SatelliteSystem;
import verge.core.units.Angle;

/**
 * How a receiver fares and how it is set, as one tells that has the sentences of receiver-protocol.md. What it did not tell is absent.
 *
 * @param mask elevation below which satellites are not used
 * @param systems that are used
 * @param power absent until it was told
 * @param antenna as RINEX writes it; empty if none is screwed on
 * @param storage absent without a card
 * @param tilt how its pole leans, and whether that can be used
 * @param radio absent if it has none
 */
public record ReceiverCondition(Role role, Angle mask, Set<SatelliteSystem> systems, Optional<Power> power, String antenna, Optional<Storage> storage, Leaning tilt, Optional<Radio> radio) {
    /** What it does now. */
    public enum Role { BASE, ROVER, STATIC }

    /** @param hours that are left as it is used now; absent while it is not known */
    public record Power(int percent, OptionalDouble hours) {
    }

    /** Of the card, in megabytes. @param logging whether raw observations are written @param hours until it is full, while they are */
    public record Storage(double free, double total, boolean logging, OptionalDouble hours) {
    }

    /** Whether the lean of its pole is known. */
    public enum TiltState {
        /** It has no such sensor, or it is switched off. */
        OFF,
        /** It has to be walked with until it knows. */
        WALK, READY
    }

    /** @param by absent unless the state is READY */
    public record Leaning(TiltState state, Optional<PoleTilt> by) {
        public static final Leaning OFF = new Leaning(TiltState.OFF, Optional.empty());
    }

    /** What a radio hears. */
    public enum Hears {
        NOTHING,
        /** Somebody sends on its channel what it cannot read. */
        CARRIER, MESSAGES
    }

    /** @param watts of sending; absent for one that only hears */
    public record Radio(double megahertz, double kilohertzApart, String modulation, OptionalDouble watts, Hears hears) {
    }

    /** Of one that has told something of itself, but not yet how it fares. */
    static ReceiverCondition unknown() {
        return new ReceiverCondition(Role.ROVER, new Angle(0), Set.of(), Optional.empty(), "", Optional.empty(), Leaning.OFF, Optional.empty());
    }

    ReceiverCondition with(Leaning other) {
        return new ReceiverCondition(role, mask, systems, power, antenna, storage, other, radio);
    }

    ReceiverCondition with(Radio other) {
        return new ReceiverCondition(role, mask, systems, power, antenna, storage, tilt, Optional.of(other));
    }
}
