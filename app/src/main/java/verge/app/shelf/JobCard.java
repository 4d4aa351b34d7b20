package verge.app.shelf;

import java.util.UUID;

/**
 * What the shelf tells of a job.
 *
 * @param worked the last day on which it was worked in
 * @param day what was done on that day, and by whom
 * @param before who else has written in it; empty if nobody has
 * @param now who has it open; empty if nobody has
 * @param counts how many points it has
 * @param settings in few words
 */
record JobCard(UUID id, String name, String worked, String day, String before, String now, String counts, String settings, Settle settle,
        JobPicture picture) {

    /**
     * What the walk-round would settle.
     *
     * @param weight of the worst, as the frame paints it
     */
    record Settle(int open, String weight) {
    }
}
