package verge.app.pole;

import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Typed;
import verge.core.job.JobState;
import verge.core.pole.TargetChosen;
import verge.core.problem.SurveyException;
import verge.core.reading.Target;
import verge.core.units.Length;

/** The prism on the pole: how high it is held and what its constant is. */
@Service
public class PoleService {
    private final JournalService journals;
    private final PrismTable prisms;

    PoleService(JournalService journals, PrismTable prisms) {
        this.journals = journals;
        this.prisms = prisms;
    }

    /**
     * Takes the prism for the shots to come; one that is already in use is not written down again.
     *
     * @param height in the job's unit or with one of its own, 0 to 10 m
     * @param constant a prism's name in the site's table, or its constant in millimetres or with a unit of its own, −100 to 100 mm
     * @throws SurveyException NOT_A_LENGTH or OUT_OF_RANGE; nothing is changed then
     */
    public Target choose(UUID job, String height, String constant, String person) {
        JobState state = journals.state(job);
        Target chosen = parse(job, state, height, constant);
        String name = prisms.with(job, chosen.prismConstant()).map(Prism::name).orElse("");
        if (!state.target().map(chosen::equals).orElse(false) || !state.prism().equals(name)) {
            journals.append(job, Author.atPage(person), new TargetChosen(chosen, name));
        }
        return chosen;
    }

    /** What is typed, without taking it for the shots to come. */
    public Target parse(UUID job, JobState state, String height, String constant) {
        return new Target(Typed.poleHeight(height, state.settings().figures().lengthUnit()), constant(job, state, constant));
    }

    /** A prism's name in the site's table, or its constant. */
    private Length constant(UUID job, JobState state, String typed) {
        return prisms.named(job, typed).map(Prism::constant)
                .orElseGet(() -> PrismTable.constant(typed, state.settings().figures().lengthUnit()));
    }

    /** How corrections of a job are read. */
    public Typed typed(UUID job, JobState state) {
        return new Typed(state.settings(), typed -> constant(job, state, typed));
    }
}
