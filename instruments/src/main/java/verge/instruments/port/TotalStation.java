package verge.instruments.port;

import java.util.concurrent.CompletableFuture;
import verge.core.reading.TotalStationReading;

/**
 * The port that a driver of a total station implements.
 *
 * <p>A driver keeps its link by itself: it connects in the background, notices a dead link and tries again until it is closed.
 * All methods return at once and may be called from any thread.
 */
public interface TotalStation extends AutoCloseable {
    InstrumentSnapshot snapshot();

    /**
     * One pointing and distance to the prism. Fails with a {@link verge.core.problem.SurveyException} LINK_LOST, NO_ANSWER or
     * INSTRUMENT_REFUSED; a reading that arrives damaged or after that is dropped, never delivered late.
     */
    CompletableFuture<TotalStationReading> measure();

    /** Starts or stops the stream of readings to a moving prism; a link that comes back goes on as last asked. */
    void track(boolean on);

    @Override
    void close();
}
