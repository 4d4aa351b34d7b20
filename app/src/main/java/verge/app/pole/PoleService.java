package verge.app.pole;

import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.core.journal.JobState;
import verge.core.journal.Payload;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Target;
import verge.core.units.Decimals;
import verge.core.units.Length;
import verge.core.units.LengthText;

/** The prism on the pole: how high it is held and what its constant is. */
@Service
public class PoleService {
    private static final Length HIGHEST = new Length(10);
    /** No prism or reflecting tape is this far off; a slip of the finger or of the unit is. */
    private static final Length LARGEST_CONSTANT = new Length(0.1);
    private static final double MILLIMETRES_PER_METRE = 1000;

    private final JournalService journals;

    PoleService(JournalService journals) {
        this.journals = journals;
    }

    /**
     * Takes the prism for the shots to come; one that is already in use is not written down again.
     *
     * @param height in the job's unit or with one of its own, 0 to 10 m
     * @param constant as marked on the prism, in millimetres or with a unit of its own, −100 to 100 mm
     * @throws SurveyException NOT_A_LENGTH or OUT_OF_RANGE; nothing is changed then
     */
    public Target choose(UUID job, String height, String constant, String person) {
        JobState state = journals.state(job);
        Target chosen = parse(state, height, constant);
        if (!state.target().map(chosen::equals).orElse(false)) {
            journals.append(job, Author.atPage(person), new Payload.TargetChosen(chosen));
        }
        return chosen;
    }

    private static Target parse(JobState state, String height, String constant) {
        return new Target(height(state, height), constant(state, constant));
    }

    private static Length height(JobState state, String typed) {
        Length height = LengthText.parse(typed, state.settings().figures().lengthUnit());
        if (height.metres() < 0 || height.compareTo(HIGHEST) > 0) {
            throw new SurveyException(Problem.OUT_OF_RANGE, "pole height", typed, "0 m", "10 m");
        }
        return height;
    }

    /** A bare number is in millimetres in every job: that is how prisms are marked. */
    private static Length constant(JobState state, String typed) {
        Length constant = Decimals.parse(typed).map(millimetres -> new Length(millimetres / MILLIMETRES_PER_METRE))
                .orElseGet(() -> LengthText.parse(typed, state.settings().figures().lengthUnit()));
        if (constant.abs().compareTo(LARGEST_CONSTANT) > 0) {
            throw new SurveyException(Problem.OUT_OF_RANGE, "prism constant", typed, "\u2212100 mm", "100 mm");
        }
        return constant;
    }
}
