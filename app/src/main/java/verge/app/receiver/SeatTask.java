package verge.app.receiver;

import java.util.UUID;

/**
 * What a receiver is doing on its seat for a while: until that is over it cannot be exchanged, nor its antenna's height be said otherwise.
 */
public interface SeatTask {
    Seat.Part part();

    /** @throws verge.core.problem.SurveyException naming what it does */
    void requireNone(UUID job);
}
