package verge.instruments.receiver;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import verge.core.satellite.SolvedPosition;
import verge.instruments.nmea.NmeaEpochs;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.LinkState;
import verge.instruments.port.Stamped;

/**
 * What is known of a receiver, event by event: a doubt stands until a position comes without one, and no place outlives it that it
 * concerns.
 */
class ReceiverEventTest {
    private ReceiverSnapshot known = ReceiverSnapshot.connecting(LinkSetting.cable(NmeaDriver.ID, "here", 1));

    private Stamped<Epoch> position(Epoch.Kind kind) {
        SolvedPosition solved = new SolvedPosition(Instant.EPOCH, Optional.empty(), SolvedPosition.Kind.FIXED, Optional.empty(), 17,
                Optional.empty(),
                OptionalDouble.empty(), "");
        Stamped<Epoch> epoch = new Stamped<>(new Epoch(solved, new Epoch.Timing(kind, System.nanoTime(), Duration.ZERO)),
                System.nanoTime());
        known = new ReceiverEvent.Sentence(Instant.EPOCH, 0, Optional.of(new NmeaEpochs.Event.Solved(solved)), Optional.of(epoch))
                .after(known);
        return epoch;
    }

    private void doubt(NmeaEpochs.Event.Doubt.Kind kind) {
        known = new ReceiverEvent.Sentence(Instant.EPOCH, 0, Optional.of(new NmeaEpochs.Event.Doubt(kind)), Optional.empty()).after(known);
    }

    private void anotherSentence() {
        known = new ReceiverEvent.Sentence(Instant.EPOCH, 0, Optional.empty(), Optional.empty()).after(known);
    }

    @Test
    void aMomentFromAheadIsToldAndDoesNotTakeThePlaceAway() {
        Stamped<Epoch> before = position(Epoch.Kind.TIMELY);
        position(Epoch.Kind.AHEAD);
        anotherSentence();
        assertThat(known.doubt()).contains(StreamDoubt.AHEAD);
        assertThat(known.latest()).containsSame(before);
        Stamped<Epoch> next = position(Epoch.Kind.TIMELY);
        assertThat(known.doubt()).isEmpty();
        assertThat(known.latest()).containsSame(next);
    }

    @Test
    void aClockThatGoesBackOrTwoWhoSpeakTakeThePlaceAway() {
        for (NmeaEpochs.Event.Doubt.Kind kind : NmeaEpochs.Event.Doubt.Kind.values()) {
            position(Epoch.Kind.TIMELY);
            doubt(kind);
            anotherSentence();
            assertThat(known.doubt()).contains(StreamDoubt.of(kind));
            assertThat(known.latest()).isEmpty();
            position(Epoch.Kind.TIMELY);
            assertThat(known.doubt()).isEmpty();
        }
    }

    @Test
    void aConnectionThatIsGoneTakesItAwayAsWell() {
        position(Epoch.Kind.TIMELY);
        known = new ReceiverEvent.Ended(LinkState.LOST).after(known);
        anotherSentence();
        assertThat(known.latest()).isEmpty();
        assertThat(known.link()).isEqualTo(LinkState.UP);
    }
}
