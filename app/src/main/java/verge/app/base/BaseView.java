package verge.app.base;

import java.util.List;
import verge.app.receiver.Fact;

/**
 * A job's base now, in finished words.
 *
 * @param linked whether its receiver answers
 * @param link how that is reached
 * @param sends whether it sends as the base that was started
 * @param title of the mark, or that none sends
 * @param brief the same in a few words for the top line, with what is special
 * @param provisional whether only the sky has said where it stands
 * @param mark good, look, stop
 * @param antenna that its receiver says it has; blank if it does not say
 * @param facts name and figure of what is worth knowing
 * @param doubts what must not be passed over
 * @param ring absent while none sends, and where the grid is not on the earth
 */
public record BaseView(boolean linked, String link, boolean sends, String title, String brief, boolean provisional, String mark,
        String antenna, List<Fact> facts, List<String> doubts, Ring ring) {
    /** Where it is on the sketch, in metres of the grid, and how far it is likely to be heard; 0 unless it is by radio. */
    public record Ring(double north, double east, double reach) {
    }
}
