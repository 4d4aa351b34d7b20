package verge.app.book;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;
import tools.jackson.databind.JsonNode;

/**
 * A job's field book as it goes out and comes in: every entry as it was written, lengths in metres, angles in radians.
 *
 * @param format always {@link #FORMAT}
 * @param version of the form, not of the payloads: each entry has its own
 */
record WrittenBook(String format, int version, String job, List<Line> entries) {
    static final String FORMAT = "verge-field-book";
    static final int VERSION = 1;

    /** One entry. */
    record Line(UUID id, long sequence, OffsetDateTime at, String person, String device, String kind, int version, JsonNode payload) {
    }

    static WrittenBook of(String job, List<Line> entries) {
        return new WrittenBook(FORMAT, VERSION, job, List.copyOf(entries));
    }
}
