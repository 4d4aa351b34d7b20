package verge.core.journal;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.UUID;

/**
 * One line of a job's field book, never changed once written.
 *
 * @param id made where the entry arose, so that sending it again stores it once
 * @param sequence place in the job's journal, from 1 without gaps
 * @param person who did it
 * @param device where it came from: the instrument or the kind of screen
 */
public record Entry(UUID id, long sequence, Instant at, String person, String device, Payload payload) {
    /**
     * The id of an entry that is written together with a later one: the same whenever it is sent again.
     *
     * @param place among those written together, from 0
     */
    public static UUID companion(UUID last, int place) {
        return UUID.nameUUIDFromBytes((last + " " + place).getBytes(StandardCharsets.UTF_8));
    }
}
