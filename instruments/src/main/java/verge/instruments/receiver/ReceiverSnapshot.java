package verge.instruments.receiver;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.SolvedPosition;
import verge.instruments.nmea.NmeaSentence;
import verge.instruments.port.DeviceSnapshot;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.LinkState;
import verge.instruments.port.Stamped;

/**
 * The latest that is known of a receiver.
 *
 * @param told when it last said anything that could be understood
 * @param latest position that does not claim to come from ahead, with when it was observed; what is older than the link says nothing of
 *     where the pole is now
 * @param sky by system, as it was last told whole
 * @param used the numbers of the satellites that its position rests on, by system
 * @param doubt the latest that must not be passed over; absent once a position came without one
 * @param damaged lines that broke off or had no right checksum
 * @param condition absent from one that tells no more than the open sentences
 * @param byRadio the base that it hears by itself
 * @param corrections absent while Verge brings it none
 * @param sends what it sends itself, as a base
 */
public record ReceiverSnapshot(LinkSetting setting, LinkState link, Instant told, Optional<Stamped<Epoch>> latest,
        Map<SatelliteSystem, List<NmeaSentence.Gsv.Seen>> sky, Map<SatelliteSystem, List<Integer>> used,
        Optional<StreamDoubt> doubt, long damaged, Optional<ReceiverCondition> condition, Optional<BaseHeard> byRadio,
        Optional<CorrectionsHeard> corrections, StreamTold sends) implements DeviceSnapshot {
    /** A position that is older than that says nothing of where the pole is now. */
    private static final Duration LONGEST_PAUSE = Duration.ofSeconds(3);

    static ReceiverSnapshot connecting(LinkSetting setting) {
        return new ReceiverSnapshot(setting, LinkState.CONNECTING, Instant.EPOCH, Optional.empty(), Map.of(), Map.of(), Optional.empty(), 0,
                Optional.empty(), Optional.empty(), Optional.empty(), StreamTold.NOTHING);
    }

    ReceiverSnapshot with(LinkState other) {
        boolean up = other == LinkState.UP;
        return new ReceiverSnapshot(setting, other, told, up ? latest : Optional.empty(), up ? sky : Map.of(), up ? used : Map.of(), doubt,
                damaged, up ? condition : Optional.empty(), up ? byRadio : Optional.empty(), corrections, sends);
    }

    /** It said something: it is there. */
    ReceiverSnapshot said(Instant at, long damagedLines, Optional<Stamped<Epoch>> position, Optional<StreamDoubt> doubted) {
        return new ReceiverSnapshot(setting, LinkState.UP, at, position, sky, used, doubted, damagedLines, condition, byRadio, corrections,
                sends);
    }

    ReceiverSnapshot told(Instant at, ReceiverCondition fares, Optional<BaseHeard> radio) {
        return new ReceiverSnapshot(setting, LinkState.UP, at, latest, sky, used, doubt, damaged, Optional.of(fares), radio, corrections,
                sends);
    }

    ReceiverSnapshot withSky(Map<SatelliteSystem, List<NmeaSentence.Gsv.Seen>> other) {
        return new ReceiverSnapshot(setting, link, told, latest, other, used, doubt, damaged, condition, byRadio, corrections, sends);
    }

    ReceiverSnapshot withUsed(Map<SatelliteSystem, List<Integer>> other) {
        return new ReceiverSnapshot(setting, link, told, latest, sky, other, doubt, damaged, condition, byRadio, corrections, sends);
    }

    ReceiverSnapshot with(Optional<CorrectionsHeard> other, StreamTold sent) {
        return new ReceiverSnapshot(setting, link, told, latest, sky, used, doubt, damaged, condition, byRadio, other, sent);
    }

    /** Where its antenna is now; empty if it has not said so for a while. */
    public Optional<SolvedPosition> now() {
        return latest.filter(p -> p.within(LONGEST_PAUSE)).map(p -> p.value().position());
    }

    /** By how much the latest position is later than is usual on its line; empty for one that is not. */
    public Optional<Duration> late() {
        return latest.map(Stamped::value).filter(e -> e.timing().kind() == Epoch.Kind.LATE).map(e -> e.timing().late());
    }

    /**
     * For how long the corrections that are brought to it have been silent; empty if they are not, if nobody brings any, or if it hears a
     * base by itself.
     */
    public Optional<Duration> silent(Instant now) {
        return corrections.filter(c -> byRadio.isEmpty()).flatMap(c -> c.told().last()).map(last -> Duration.between(last, now))
                .filter(d -> d.compareTo(StreamTold.SILENT) > 0);
    }

    /** The base that its position rests on; empty without one, or where nobody said where it stands. */
    public Optional<BaseHeard> base() {
        return corrections.flatMap(c -> c.told().base()).or(() -> byRadio);
    }
}
