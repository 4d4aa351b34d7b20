package verge.app.trace;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import verge.core.geodesy.GridPoint;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.leaf.Leaf;
import verge.core.points.StoredPoint;
import verge.core.setup.StationSolution;

/**
 * What a line rests on, to be drawn: each place as [east, north] in metres of the grid.
 *
 * @param own places that the line itself gave
 * @param sights from where to where something was read
 * @param marks known points that the sights begin with
 */
record TraceDrawing(List<double[]> own, List<List<double[]>> sights, List<double[]> marks) {
    private static final int MOST = 2_000;

    static TraceDrawing of(Journal journal, Entry entry) {
        JobState state = journal.state();
        TraceDrawing drawing = new TraceDrawing(state.points().of(entry.id()).stream().limit(MOST).map(p -> place(p.position().plan()))
                .toList(), new ArrayList<>(), new ArrayList<>());
        Deque<Entry> further = new ArrayDeque<>(List.of(entry));
        Set<UUID> told = new HashSet<>();
        while (!further.isEmpty() && drawing.sights().size() < MOST) {
            Entry next = further.poll();
            if (told.add(next.id())) {
                state.leaves().find(next.id()).ifPresent(drawing::sightsOf);
                state.points().of(next.id()).forEach(p -> p.leaf().filter(l -> !l.equals(next.id())).flatMap(state.leaves()::find)
                        .ifPresent(leaf -> drawing.sightTo(leaf, p)));
                journal.trace(next.id()).ifPresent(trace -> further.addAll(trace.restsOn()));
            }
        }
        return drawing;
    }

    private void sightTo(Leaf leaf, StoredPoint point) {
        sights.add(List.of(station(leaf), place(point.position().plan())));
    }

    private void sightsOf(Leaf leaf) {
        for (StationSolution.MarkResult mark : leaf.solved().marks()) {
            Optional<GridPoint> known = mark.known().map(p -> p.plan());
            known.ifPresent(at -> {
                sights.add(List.of(station(leaf), place(at)));
                marks.add(place(at));
            });
        }
    }

    private static double[] station(Leaf leaf) {
        return place(leaf.station().occupation().station().plan());
    }

    private static double[] place(GridPoint at) {
        return new double[] {at.easting(), at.northing()};
    }
}
