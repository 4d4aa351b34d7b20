package verge.app.fit;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import verge.app.form.Answers;
import verge.app.job.JobService;
import verge.app.job.MovesView;
import verge.app.job.SettingsSeen;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.app.points.SitePoints;
import verge.app.system.LocalisedFile;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Similarity;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.SystemText;
import verge.core.geodesy.transformation.FitSettings;
import verge.core.geodesy.transformation.Localisation;
import verge.core.geodesy.transformation.Mark;
import verge.core.geodesy.transformation.Matching;
import verge.core.geodesy.transformation.Pair;
import verge.core.job.JobState;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.SettingsChosen;

/**
 * Localises a job: positions in a system that is known on the earth onto the site's own control, or somebody else's localisation held
 * against a measured mark.
 */
@Service
public class LocaliseService {
    /** Of a fit to marks as good as was said, one mark in a thousand lies farther off than so many standard deviations. */
    private static final double ALLOWED_SIGMAS = 3.3;
    private static final int LONGEST_NAME = 60;

    private final JobService jobs;
    private final JournalService journals;
    private final SitePoints points;
    private final MeasuredPositions measured;
    private final LocalisedFile localisations;

    LocaliseService(JobService jobs, JournalService journals, SitePoints points, MeasuredPositions measured, LocalisedFile localisations) {
        this.jobs = jobs;
        this.journals = journals;
        this.points = points;
        this.measured = measured;
        this.localisations = localisations;
    }

    JobState state(UUID job) {
        return points.state(job);
    }

    /** A measured mark held against somebody else's localisation: the known mark less what it makes of the position, in metres. */
    record Check(Pair pair, double north, double east, OptionalDouble height) {
        static Check of(CoordinateSystem.Localised system, Pair pair) {
            GridPoint site = system.move().place(pair.computed().position().plan());
            GridPoint known = pair.found().position().plan();
            OptionalDouble height = system.lift().isPresent() && pair.hasHeights()
                    ? OptionalDouble.of(pair.found().position().elevation().orElseThrow().metres() - pair.computed().position().elevation()
                    .orElseThrow().metres() - system.lift().get().at(site)) : OptionalDouble.empty();
            return new Check(pair, known.northing() - site.northing(), known.easting() - site.easting(), height);
        }

        double plan() {
            return Math.hypot(north, east);
        }

        double worst() {
            return Math.max(pair.inPlan() ? plan() : 0, pair.inHeight() ? Math.abs(height.orElse(0)) : 0);
        }
    }

    /**
     * Places outside what the marks span.
     *
     * @param metres of the farthest
     * @param worst standard deviation that the localisation has at any of the places, in plan or height, in metres
     */
    record Beyond(int count, int of, double metres, double worst) {
        static Beyond of(Localisation evidence, List<GridPoint> places) {
            Similarity back = evidence.fitted().similarity().reversed();
            List<Double> out = places.stream().map(evidence.hull()::beyond).filter(m -> m > 0).toList();
            return new Beyond(out.size(), places.size(), out.stream().mapToDouble(m -> m).max().orElse(0),
                    places.stream().map(p -> evidence.fitted().known(back.place(p)))
                    .mapToDouble(k -> Math.max(k.plan(), k.height().orElse(0))).max().orElse(0));
        }
    }

    /**
     * What was asked for, and what it comes to.
     *
     * @param evidence absent for somebody else's that came without its marks
     * @param allowed by how far a mark may be missed, in metres
     * @param checks of somebody else's, in the order of their pairs
     * @param positions that lie outside the marks, of those that were given
     * @param own likewise of the job's points
     */
    record Work(CoordinateSystem.Localised system, Optional<Localisation> evidence, boolean handedOn, double allowed, List<Check> checks,
            Optional<Beyond> positions, Optional<Beyond> own) {
        /**
         * @throws SurveyException LOCALISATION_WITHOUT_CHECK, LOCALISATION_HEIGHT_UNCHECKED if its heights would count unseen,
         *     LOCALISATION_MISSES
         */
        void requireChecked() {
            if (!handedOn) {
                return;
            }
            if (checks.stream().noneMatch(c -> c.pair().inPlan())) {
                throw new SurveyException(Problem.LOCALISATION_WITHOUT_CHECK);
            }
            if (system.lift().isPresent() && checks.stream().noneMatch(c -> c.pair().countsInHeight())) {
                throw new SurveyException(Problem.LOCALISATION_HEIGHT_UNCHECKED);
            }
            checks.stream().filter(c -> c.worst() > allowed).findFirst().ifPresent(c -> {
                throw new SurveyException(Problem.LOCALISATION_MISSES, c.pair().found().name(),
                        String.format(Locale.ROOT, "%.3f", c.worst()), String.format(Locale.ROOT, "%.3f", allowed));
            });
        }
    }

    /** How many lines the job's journal has. */
    int asOf(UUID job) {
        return journals.journal(job).entries().size();
    }

    /** What a localisation is called that nobody named. */
    String usualName(UUID job) {
        return jobs.job(job).name() + " grid";
    }

    /** What the job stands on now; empty if it is not localised. */
    Optional<Work> now(JobState state) {
        return state.settings().system() instanceof CoordinateSystem.Localised system
                ? Optional.of(work(state, new Answers(Map.of()), system, List.of(), List.of())) : Optional.empty();
    }

    /** @throws SurveyException what is lacking or wrong */
    Work work(UUID job, JobState state, Answers said) {
        Answers answers = MeasuredPositions.weighed(state, said);
        Optional<CoordinateSystem.Localised> handedOn = handedOn(answers);
        if (handedOn.isPresent() && answers.text("file").isEmpty() && answers.text("typed").isEmpty()) {
            return work(state, answers, handedOn.get(), List.of(), List.of());
        }
        MeasuredPositions.Group group = measured.read(job, state, answers, handedOn);
        List<Pair> pairs = pairs(state, group, answers.text("pairs"));
        if (handedOn.isPresent()) {
            return work(state, answers, handedOn.get(), pairs, group.marks());
        }
        String name = answers.text("name", usualName(job));
        CoordinateSystem.Localised made = CoordinateSystem.Localised.of(name.substring(0, Math.min(name.length(), LONGEST_NAME)),
                group.base(), group.geoid(), pairs, FitService.settings(state, answers, "SOLVED"));
        return work(state, answers, made, List.of(), group.marks());
    }

    private Optional<CoordinateSystem.Localised> handedOn(Answers answers) {
        return Optional.of(answers.text("theirs")).filter(t -> !t.isEmpty()).map(localisations::read);
    }

    private static Work work(JobState state, Answers answers, CoordinateSystem.Localised system, List<Pair> checked, List<Mark> marks) {
        FitSettings settings = FitService.settings(state, answers, "SOLVED");
        Optional<Localisation> evidence = system.evidence();
        List<GridPoint> placed = marks.stream().map(m -> system.move().place(m.position().plan())).toList();
        return new Work(system, evidence, !answers.text("theirs").isEmpty(),
                ALLOWED_SIGMAS * Math.hypot(settings.sigma(), system.settings().sigma()),
                checked.stream().map(c -> Check.of(system, c)).toList(),
                evidence.map(e -> Beyond.of(e, placed)),
                evidence.map(e -> Beyond.of(e, state.points().all().map(p -> p.position().plan()).toList())));
    }

    /** As they are typed; if none are, those that have one name. */
    private static List<Pair> pairs(JobState state, MeasuredPositions.Group group, String typed) {
        Map<String, Mark> marks = group.marks().stream().collect(Collectors.toMap(Mark::name, m -> m, (first, again) -> first));
        if (typed.isBlank()) {
            return control(state).stream().filter(p -> marks.containsKey(p.name().text()))
                    .map(p -> new Pair(marks.get(p.name().text()), new Mark(p.name().text(), p.position()))).toList();
        }
        return PairLines.read(typed).stream().map(line -> {
            if (!marks.containsKey(line.computed())) {
                throw new SurveyException(Problem.POINT_UNKNOWN, line.computed());
            }
            return new Pair(marks.get(line.computed()), new Mark(line.found(), FitService.found(state, line.found()).position()),
                    line.inPlan(), line.inHeight());
        }).toList();
    }

    private static List<StoredPoint> control(JobState state) {
        return state.points().all(Origin.CONTROL).toList();
    }

    /** @throws SurveyException what is lacking */
    Proposals propose(UUID job, JobState state, Answers said) {
        Answers answers = MeasuredPositions.weighed(state, said);
        MeasuredPositions.Group group = measured.read(job, state, answers, handedOn(answers));
        List<Mark> found = control(state).stream().map(p -> new Mark(p.name().text(), p.position())).toList();
        FitSettings settings = FitService.settings(state, answers, "SOLVED");
        GridPoint first = group.marks().get(0).position().plan();
        double ellipsoidPerGrid = 1 / SystemText.projection(group.base()).scale(first).point();
        return Proposals.of(group.marks(), found, settings.scale().isPresent()
                || Matching.canTry(group.marks().size(), found.size(), settings) ? settings
                : settings.with(OptionalDouble.of(ellipsoidPerGrid)));
    }

    /** What the job's coordinates do if it counts. */
    MovesView moves(UUID job, Work work) {
        var journal = journals.journal(job);
        return MovesView.of(journal.state(), journal.preview(chosen(journal.state(), work)));
    }

    /** Where its heights are left alone and it names no geoid, that of the job stays. */
    private static SettingsChosen chosen(JobState state, Work work) {
        CoordinateSystem.Localised system = work.system();
        return new SettingsChosen(state.settings()
                .in(system, system.lift().isEmpty() && system.geoid() instanceof GeoidChoice.None ? state.settings()
                .geoid() : system.geoid()));
    }

    /**
     * Makes it the job's coordinate system.
     *
     * @throws SurveyException what is lacking or wrong, for somebody else's what it misses, and if the settings are others than those that
     *     were seen
     */
    Kept choose(UUID job, Answers answers, Author author) {
        return journals.appendTogether(job, author, now -> {
            SettingsSeen.require(now, answers.text("asOf"));
            Work work = work(job, points.seeing(job, now.state()), answers);
            work.requireChecked();
            return List.of(chosen(now.state(), work));
        });
    }
}
