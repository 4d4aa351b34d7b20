package verge.app.occupation;

import java.util.List;
import java.util.UUID;
import java.util.function.Predicate;
import verge.app.report.ReportLine;
import verge.core.job.JobState;
import verge.core.occupation.ControlSeen;
import verge.core.settings.JobSettings;

/** Known marks that receivers stood on, as lines of reports: when, which, against what, how far off in plan and height. */
public final class ControlLines {
    private ControlLines() {
    }

    public static List<ReportLine> of(UUID job, JobState state, Predicate<ControlSeen> which) {
        JobSettings settings = state.settings();
        return ControlSeen.of(state).stream().filter(which).map(c -> new ReportLine(List.of(settings.times().whole(c.stood().at()), c.stood().name().text(), c.against().isPresent() ? "itself, earlier" : "what is known", settings.figures().apart(c.plan()),
                c.up().map(settings.figures()::difference).orElse("")), !c.within()).tracedBy(job, c.stood().entry())).toList();
    }
}
