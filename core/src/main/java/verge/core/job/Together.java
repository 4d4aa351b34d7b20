package verge.core.job;

import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import verge.core.journal.Entry;

/** Which entries were written by one append: the ids of all but the last are made of the last one's. */
public final class Together {
    private static final int MOST = 6_000;
    private static final int MADE_OF_ANOTHER = 3;

    private Together() {
    }

    /** How many entries the append wrote that ended with an entry. @param end number of entries up to that one */
    public static int upTo(List<Entry> entries, int end) {
        UUID last = entries.get(end - 1).id();
        UUID before = end < 2 ? last : entries.get(end - 2).id();
        return before.version() != MADE_OF_ANOTHER ? 1
                : IntStream.range(0, MOST).filter(place -> Entry.companion(last, place).equals(before)).map(place -> place + 2).findFirst()
                .orElse(1);
    }
}
