package verge.app.cogo;

import java.util.List;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.core.cogo.InverseNoted;
import verge.core.job.JobState;
import verge.core.problem.SurveyException;

/** Inverses noted, in journals and in the book. */
@Component
final class InverseKind extends EntryKind<InverseNoted> {
    InverseKind() {
        super(InverseNoted.class, "inverse", 1, "inverse");
    }

    @Override
    public String text(InverseNoted says, InBook in) {
        return says.from() + " to " + says.to();
    }

    @Override
    public String result(InverseNoted says, InBook in) {
        JobState state = in.state();
        try {
            return state.find(says.from()).flatMap(a -> state.find(says.to()).map(b -> state.inverse(a.position(), b.position())))
                    .map(r -> in.figures().direction(r.azimuth()) + "  " + in.figures().length(r.ground()) + " ground").orElse("");
        } catch (SurveyException coincident) {
            return "";
        }
    }
    @Override
    public List<Value<InverseNoted>> values(InverseNoted says, InBook in) {
        return new Values<>(says, in).name("from", "", "From", says.from(), (was, from) -> new InverseNoted(from, was.to())).name("to", "", "To", says.to(), (was, to) -> new InverseNoted(was.from(), to)).all();
    }
}
