package verge.app.search;

import java.util.Map;
import java.util.UUID;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.search.Sought;

/**
 * What somebody looks for in a job.
 *
 * @param most of each kind
 * @param used what they used lately, the last with 0
 */
record Asked(UUID job, Journal journal, Sought sought, int most, Map<String, Integer> used) {
    JobState state() {
        return journal.state();
    }

    /** How lately something was used: the smaller the later. */
    int lately(String thing) {
        return used.getOrDefault(thing, Integer.MAX_VALUE);
    }

    /** The address of a page of the job. */
    String page(String path) {
        return "/jobs/" + job + "/" + path;
    }
}
