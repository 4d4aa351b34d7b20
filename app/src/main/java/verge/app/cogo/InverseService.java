package verge.app.cogo;

import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.points.SitePoints;
import verge.core.coding.PointName;
import verge.core.cogo.InverseNoted;
import verge.core.cogo.SiteInverse;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.points.Origin;
import verge.core.points.PointSeen;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Inverses between points of a job. */
@Service
public class InverseService {
    private final JournalService journals;
    private final SitePoints points;

    InverseService(JournalService journals, SitePoints points) {
        this.journals = journals;
        this.points = points;
    }

    /** @throws SurveyException MISSING, POINT_UNKNOWN or COINCIDENT_POINTS */
    public SiteInverse.Result between(JobState state, String from, String to) {
        return state.inverse(position(state, "first point", from), position(state, "second point", to));
    }

    /** Writes an inverse into the field book. */
    public void note(UUID job, String from, String to, Author author) {
        points.takeOn(job, Origin.CONTROL, author.person(), from, to);
        journals.append(job, author, state -> {
            between(state, from, to);
            return new InverseNoted(seen(state, from), seen(state, to));
        });
    }

    private static PointSeen seen(JobState state, String typed) {
        PointName name = PointName.parse(typed);
        return state.points().own(name).map(point -> PointSeen.of(point, state.points().named(name)))
                .orElseGet(() -> PointSeen.named(name));
    }

    private static Position position(JobState state, String field, String typed) {
        if (typed.isBlank()) {
            throw new SurveyException(Problem.MISSING, field);
        }
        return state.points().find(PointName.parse(typed)).orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, typed)).position();
    }
}
