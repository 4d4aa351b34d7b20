package verge.app.base;

import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.points.SitePoints;
import verge.app.rework.ReworkService;
import verge.core.base.AgainstSky;
import verge.core.base.Base;
import verge.core.base.BaseEntries;
import verge.core.base.BaseSetUp;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Payload;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.rework.Change;
import verge.core.rework.Choice;

/** Says of a base, and of all that came back to its mark, where it truly stood. */
@Service
class BaseCorrections {
    private final ReworkService reworks;
    private final JournalService journals;
    private final SitePoints points;

    BaseCorrections(ReworkService reworks, JournalService journals, SitePoints points) {
        this.reworks = reworks;
        this.journals = journals;
        this.points = points;
    }

    /** @throws SurveyException NO_BASE */
    Base base(UUID job, UUID entry) {
        return journals.state(job).bases().under(entry).filter(b -> b.entry().equals(entry))
                .orElseThrow(() -> new SurveyException(Problem.NO_BASE));
    }

    /** What it would move. @throws SurveyException NO_BASE, as the form, or as {@link verge.core.rework.Correction#of} */
    ReworkService.Preview preview(UUID job, UUID entry, BaseForm form) {
        return reworks.preview(job, several(job, entry, form));
    }

    /**
     * @throws SurveyException as {@link #preview} and {@link ReworkService#write(UUID, ReworkService.Several, String, OptionalLong,
     *     Author)}
     */
    void write(UUID job, UUID entry, BaseForm form, String reason, OptionalLong asOf, Author author) {
        reworks.write(job, several(job, entry, form), reason, asOf, author);
    }

    private ReworkService.Several several(UUID job, UUID entry, BaseForm form) {
        Base base = base(job, entry);
        Choice bases = new Choice(Set.of(BaseSetUp.class), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.empty(), Set.of(base.mark()));
        if (form.from() == BaseForm.From.TYPED) {
            JobState state = journals.state(job);
            NamedPosition typed = form.typed(state.settings(), base.mark());
            requireSound(state, journals.journal(job), entry, typed, form);
            return new ReworkService.Several(List.of(BaseMarks.known(typed)), bases, new Change.BaseOver(base.mark(), base.mark()));
        }
        PointName known = form.mark();
        List<Payload> needed = points.toTakeOn(job, Origin.CONTROL, known.text());
        points.state(job).points().find(known).ifPresent(p ->
                requireSound(journals.state(job), journals.journal(job), entry, new NamedPosition(p.name(), p.code(), p.position()), form));
        return new ReworkService.Several(needed, bases, new Change.BaseOver(base.mark(), known));
    }

    /** As at a start: against what the sky said then. A correction has a reason anyway. */
    private static void requireSound(JobState state, Journal journal, UUID entry, NamedPosition mark, BaseForm form) {
        state.geodesy().earth(mark.position()).orElseThrow(() -> new SurveyException(Problem.BASE_WITHOUT_HEIGHT, mark.name().text()));
        BaseSetUp said = (BaseSetUp) journal.counting(journal.entry(entry).orElseThrow());
        said.sky().flatMap(sky -> said.antenna().known().flatMap(height -> BaseEntries.ground(sky, height, state.geodesy())))
                .map(ground -> AgainstSky.of(mark.position(), ground, state.geodesy()))
                .filter(off -> off.grade() != AgainstSky.Grade.NEAR && !form.sure()).ifPresent(off -> {
                    throw new SurveyException(Problem.BASE_OFF_SKY, BaseWords.most(off),
                            BaseWords.cause(off, mark.position(), state.settings()));
                });
    }
}
