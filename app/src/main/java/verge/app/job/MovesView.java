package verge.app.job;

import java.util.List;
import verge.core.job.JobState;
import verge.core.job.Moves;
import verge.core.settings.JobSettings;
import verge.core.units.Figures;
import verge.core.units.LengthStyle;
import verge.core.units.LengthUnit;

/**
 * What a change does to the coordinates shown, in finished text.
 *
 * @param seen stands for these very moves: sent back, it says that they were looked at
 * @param gone names of points that lose their coordinates
 */
public record MovesView(long count, long kept, String largest, String mean, List<Line> lines, List<String> gone, String seen) {
    private static final int MOST_LINES = 30;
    private static final int FINE_DECIMALS = 4;

    /** One point: how far and where to. */
    public record Line(String name, String distance, String offset, String after) {
    }

    public static MovesView of(JobState before, JobState after) {
        return of(before, after, after.settings());
    }

    /** @param s the settings that the points will be written by, which may shift them all alike besides what 'after' does */
    public static MovesView of(JobState before, JobState after, JobSettings s) {
        Moves moves = Moves.between(before, after);
        LengthUnit unit = s.figures().lengthUnit();
        LengthStyle fine = LengthStyle.decimal(unit, FINE_DECIMALS);
        Figures f = s.figures();
        List<Line> lines = moves.moved().stream().limit(MOST_LINES).map(m -> new Line(m.after().name().text(), fine.length(m.distance()),
                s.offset(m.north(), m.east()), s.plan(m.after().position().plan()))).toList();
        String seen = moves.moved().size() + "/" + moves.gone().size() + "/" + fine.bare(moves.largest()) + "/" + f.lengthUnit();
        return new MovesView(moves.moved().size(), moves.kept(), fine.length(moves.largest()), fine.length(moves.mean()), lines,
                moves.gone().stream().limit(MOST_LINES).map(Object::toString).toList(), seen);
    }

    /** Whether anything moves or goes. */
    public boolean any() {
        return count > 0 || !gone.isEmpty();
    }
}
