package verge.core.strings;

import java.util.UUID;
import java.util.stream.Stream;
import verge.core.journal.Payload;

/** An entry that says something of strings. */
public interface Strung extends Payload {
    Stream<UUID> strings();
}
