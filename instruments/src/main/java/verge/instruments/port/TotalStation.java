package verge.instruments.port;

import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import verge.core.reading.Pointing;
import verge.core.reading.TotalStationReading;
import verge.core.units.Angle;

/**
 * The port that a driver of a total station implements.
 *
 * <p>All methods return at once and may be called from any thread. What is asked fails with a {@link verge.core.problem.SurveyException}
 * LINK_LOST, NO_ANSWER or INSTRUMENT_REFUSED; an answer that arrives damaged or after that is dropped, never delivered late. What follows
 * an answer runs on a thread that may wait, never on the one that listens to the instrument.
 */
public interface TotalStation extends Device {
    @Override
    InstrumentSnapshot snapshot();

    /** The latest reading of the running track, if it is no older than that and was not taken before: one reading makes one shot. */
    Optional<TotalStationReading> takeTracked(Duration age);

    /** One pointing and distance, as the instrument is set. */
    default CompletableFuture<TotalStationReading> measure() {
        return measure(1);
    }

    /** The mean of so many, in the face that it is in. */
    CompletableFuture<TotalStationReading> measure(int times);

    /** Both circles without a distance. */
    CompletableFuture<Pointing> circles();

    /** Turns to circle readings; a zenith reading over half a turn means face 2. Answers when it has arrived. */
    CompletableFuture<Void> turn(Angle direction, Angle zenith);

    /** Turns over into the other face, at the same thing. */
    CompletableFuture<Void> changeFace();

    /** Looks for the prism nearest to where it looks, and turns to it. */
    CompletableFuture<Void> search();

    CompletableFuture<Void> mode(InstrumentSwitches.Mode mode);

    CompletableFuture<Void> set(InstrumentSwitches.Switch what, boolean on);

    /** Starts or stops the stream of readings to a moving prism; a link that comes back goes on as last asked. */
    void track(boolean on);
}
