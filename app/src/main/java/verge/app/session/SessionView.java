package verge.app.session;

import java.util.List;
import verge.app.receiver.Fact;

/**
 * The session that a job's receiver writes, in finished words.
 *
 * @param antenna that the receiver says it has; blank if it does not say
 * @param mark that it stands over; blank while no session runs
 * @param written whether its file grows now
 * @param left how long its baseline still wants; or that nobody said what it is for
 * @param wants whether it was said what it is for
 * @param enough whether it has run as long as its baseline wants, or wants nothing
 * @param doubts what must not be passed over
 */
record SessionView(String antenna, String mark, boolean written, String left, boolean wants, boolean enough, List<Fact> facts,
        List<String> doubts) {
    public boolean runs() {
        return !mark.isEmpty();
    }
}
