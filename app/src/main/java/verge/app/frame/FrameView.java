package verge.app.frame;

import java.util.List;
import java.util.UUID;
import verge.app.base.BaseView;
import verge.app.fieldbook.BookText;
import verge.app.live.InstrumentView;
import verge.app.problem.ProblemWords;
import verge.app.receiver.ReceiverView;

/**
 * All that stands round the bench: top line, tabs, last lines of the field book.
 *
 * @param system coordinate system in words, with grid or ground
 * @param leaf station and backsight of the open leaf, or empty
 * @param pole target height in use, or empty
 * @param prism prism constant in use, or empty
 * @param prismMillimetres the same as it is typed
 * @param prismName the prism's name in the site's table, or empty
 * @param speaks grid, ground distances or ground coordinates
 * @param receiver absent for a job without one
 * @param base absent while the job has none that sends
 * @param walkRound the mark of the walk-round
 * @param floor the floor that is worked on, or empty while all are
 * @param trouble why nothing can be stored into the job, or null
 * @param axes how the two plan coordinates are called, in their order
 */
public record FrameView(UUID job, UUID site, String jobName, String siteName, String system, String unit, String leaf, String pole,
        String prism, String poleTyped, String prismMillimetres, String prismName, String speaks, String floor, ProblemWords.Said trouble,
        List<Axis> axes, List<Tab> tabs, List<BookText.FootLine> foot, InstrumentView instrument, ReceiverView receiver, BaseView base,
        boolean practice, WalkRoundMark walkRound) {

    /** Standard deviation in plan of the tracked pole, or empty. */
    public String sigma() {
        return instrument.pole() == null ? "" : instrument.pole().sigma();
    }

    /**
     * One of the two plan coordinates.
     *
     * @param field under which a form sends it: northing or easting
     * @param letter N, S, E or W
     * @param name 'Northing', 'Southing', …
     */
    public record Axis(String field, String letter, String name) {
    }

    /**
     * How the walk-round stands.
     *
     * @param open findings that nobody has settled
     * @param weight of the worst: wrong, doubtful, note; empty if there is none
     */
    public record WalkRoundMark(long open, String weight) {
    }

    /** @param initials of the title, where there is no room for it */
    public record Tab(String title, String initials, String path, String key, boolean open, boolean done) {
    }
}
