package verge.app.sketch;

import java.util.ArrayList;
import java.util.List;
import verge.app.words.Words;
import verge.core.drawing.Selection;
import verge.core.job.JobState;
import verge.core.plan.Vertices;
import verge.core.units.Figures;
import verge.core.units.Length;

/** A line of figures with its name, as the sketch tells them of what was touched or selected. */
record Figure(String name, String figure) {
    /** What a tally comes to. @param where distances are told as they are there */
    static List<Figure> of(Selection.Tally tally, JobState state, Vertices where) {
        Figures f = state.settings().figures();
        double told = where.size() == 0 || state.geodesy().plane().isEmpty() ? 1 : state.toldPerGrid(where.position(0));
        List<Figure> lines = new ArrayList<>();
        if (tally.lines() > 0) {
            lines.add(new Figure(tally.lines() == 1 ? "Length" : Words.of("sketch.length-of-all-lines"),
                    f.length(new Length(tally.gridLength() * told))));
        }
        if (tally.closedLines() > 0) {
            lines.add(new Figure(tally.closedLines() == 1 ? "Area" : Words.of("sketch.areas-together"),
                    f.area(tally.gridArea() * told * told)));
        }
        tally.lowest().ifPresent(low -> {
            lines.add(new Figure("Lowest", f.length(new Length(low))));
            lines.add(new Figure("Highest", f.length(new Length(tally.highest().orElse(low)))));
        });
        if (tally.verticesWithoutHeight() > 0) {
            lines.add(new Figure(Words.of("sketch.without-a-height"), Integer.toString(tally.verticesWithoutHeight())));
        }
        return lines;
    }
}
