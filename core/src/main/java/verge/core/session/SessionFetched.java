package verge.core.session;

import java.util.UUID;
import verge.core.enclosure.Original;
import verge.core.journal.Payload;

/** A session's raw observations came from the receiver. @param session the entry that began it @param summary of what is in the file */
public record SessionFetched(UUID session, Original file, RawSummary summary) implements Payload {
}
