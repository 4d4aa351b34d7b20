package verge.instruments.receiver;

import java.time.Duration;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
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
 * @param writing the file into which raw observations go now; absent while none are written
 * @param filesPort on which its card's files can be had by HTTP; absent where they cannot
 */
public record ReceiverCondition(Role role, Angle mask, Set<SatelliteSystem> systems, Optional<Power> power, String antenna,
        Optional<Storage> storage, Leaning tilt, Optional<Radio> radio, Optional<Writing> writing, OptionalInt filesPort) {
    /** What it does now. */
    public enum Role { BASE, ROVER, STATIC }

    /** @param hours that are left as it is used now; absent while it is not known */
    public record Power(int percent, OptionalDouble hours) {
    }

    /** Of the card, in megabytes. @param logging whether raw observations are written @param hours until it is full, while they are */
    public record Storage(double free, double total, boolean logging, OptionalDouble hours) {
    }

    /**
     * Raw observations that are written now.
     *
     * @param seconds from one epoch to the next
     * @param epochs that were written since it began or was taken up again
     * @param satellites in the latest of them
     * @param slips how often the carrier of a satellite was lost
     * @param bytes of the file
     */
    public record Writing(String file, int seconds, long epochs, int satellites, int slips, long bytes) {
        /** How long it has been written. */
        public Duration run() {
            return Duration.ofSeconds(epochs * seconds);
        }
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
        return new ReceiverCondition(Role.ROVER, new Angle(0), Set.of(), Optional.empty(), "", Optional.empty(), Leaning.OFF,
                Optional.empty(), Optional.empty(), OptionalInt.empty());
    }

    ReceiverCondition with(Leaning other) {
        return new ReceiverCondition(role, mask, systems, power, antenna, storage, other, radio, writing, filesPort);
    }

    ReceiverCondition with(Radio other) {
        return new ReceiverCondition(role, mask, systems, power, antenna, storage, tilt, Optional.of(other), writing, filesPort);
    }

    ReceiverCondition with(Writing other) {
        return new ReceiverCondition(role, mask, systems, power, antenna, storage, tilt, radio, Optional.of(other), filesPort);
    }

    ReceiverCondition withFiles(int port) {
        return new ReceiverCondition(role, mask, systems, power, antenna, storage, tilt, radio, writing, OptionalInt.of(port));
    }

    /** The same with another state: what that sentence has no place for stays, but nothing is written that it says is not. */
    ReceiverCondition withState(ReceiverCondition state) {
        return new ReceiverCondition(state.role, state.mask, state.systems, state.power, state.antenna, state.storage, tilt, radio,
                writing.filter(w -> state.storage.filter(Storage::logging).isPresent()), filesPort);
    }
}
