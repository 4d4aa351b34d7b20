package verge.app.measure;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import verge.core.coding.Codebook;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.measure.Measured;
import verge.core.strings.End;
import verge.core.strings.Joining;
import verge.core.strings.SurveyString;

/** The strings that are being drawn, beside the sketch: the one worked on last comes first. */
final class OpenStrings {
    private static final int MOST_LISTED = 12;

    private OpenStrings() {
    }

    /**
     * One of them.
     *
     * @param first name of the point at its first end
     * @param last name of the point at its last end
     * @param line how its code is drawn
     */
    record Row(UUID id, String code, String name, String first, String last, int points, String line) {
    }

    /**
     * @param rows the latest
     * @param open how many are open
     * @param all how many strings the job has
     */
    record Listed(List<Row> rows, int open, int all) {
    }

    /** What the next shot joins if nobody says otherwise. */
    record Arms(UUID string, String code, String name, End end) {
    }

    static Listed of(JobState state, Codebook book) {
        return new Listed(state.strings().open().limit(MOST_LISTED).map(s -> row(s, book)).toList(), state.strings().countOpen(),
                state.strings().count());
    }

    private static Row row(SurveyString s, Codebook book) {
        return new Row(s.id(), s.name().code().text(), s.name().toString(), at(s, End.FIRST), at(s, End.LAST), s.vertices().size(),
                book.line(s.name().code()).name());
    }

    private static String at(SurveyString s, End end) {
        return s.at(end).flatMap(v -> v.point()).map(PointName::text).orElse("");
    }

    /** The string that the last shot was on first, if it is still open: the same code goes on without choosing again. */
    static List<Arms> armed(Journal journal) {
        Optional<Joining> last = journal.lastWritten(Measured.class).flatMap(shot -> shot.joins().stream().findFirst());
        return last.flatMap(j -> journal.state().strings().find(j.string()).filter(s -> !s.ended())
                .map(s -> new Arms(s.id(), s.name().code().text(), s.name().toString(), j.end()))).stream().toList();
    }
}
