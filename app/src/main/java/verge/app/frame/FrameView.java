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
 * @param receiver absent for a job without one
 * @param base absent while the job has none that sends
 * @param walkRound the mark of the walk-round
 * @param trouble why nothing can be stored into the job, or null
 * @param axes how the two plan coordinates are called, in their order
 */
public record FrameView(UUID job, UUID site, Says says, Held held, ProblemWords.Said trouble, List<Axis> axes, List<Tab> tabs,
        List<BookText.FootLine> foot, InstrumentView instrument, ReceiverView receiver, BaseView base, WalkRoundMark walkRound) {

    /**
     * What the top line says of the job.
     *
     * @param system coordinate system in words
     * @param speaks grid, ground distances or ground coordinates
     * @param unit of lengths
     * @param leaf station and backsight of the open leaf, or empty
     * @param floor the floor that is worked on, or empty while all are
     * @param practice whether it is one to practise in
     */
    public record Says(String jobName, String siteName, String system, String speaks, String unit, String leaf, String floor,
            boolean practice) {
    }

    /**
     * The pole and the prism in use; each empty if none is.
     *
     * @param pole target height
     * @param prism prism constant
     * @param prismMillimetres the same as it is typed
     * @param prismName the prism's name in the site's table
     */
    public record Held(String pole, String prism, String poleTyped, String prismMillimetres, String prismName) {
    }

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
