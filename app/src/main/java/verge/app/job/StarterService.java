package verge.app.job;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import verge.app.journal.JournalService;
import verge.app.journal.PayloadJson;
import verge.core.geodesy.GroundUse;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.Figures;

/** What a new job can begin from: starters that ship, starters that were kept, and the jobs there are. */
@Service
public class StarterService {
    private static final String METRIC = "metric";
    private static final String SURVEY_FEET = "survey-feet";
    private static final String KIND = "settings";

    private final StarterRepository starters;
    private final JobService jobs;
    private final JournalService journals;
    private final PayloadJson json;

    StarterService(StarterRepository starters, JobService jobs, JournalService journals, PayloadJson json) {
        this.starters = starters;
        this.jobs = jobs;
        this.journals = journals;
        this.json = json;
    }

    /**
     * Something to begin from.
     *
     * @param key under which it is asked for
     * @param source what it is: 'starter' or 'job'
     */
    public record Choice(String key, String name, String source) {
    }

    /** All there is to begin from at a site: what ships, what was kept, the site's jobs, then the others'. */
    public List<Choice> choices(UUID site) {
        List<Choice> all = new ArrayList<>(List.of(new Choice(METRIC, "Metric", "starter"),
                new Choice(SURVEY_FEET, "US survey feet", "starter")));
        all.addAll(kept());
        Stream<Job> byNearness = jobs.jobs().stream()
                .sorted(Comparator.comparing((Job j) -> !j.siteId().equals(site)).thenComparing(Job::madeAt, Comparator.reverseOrder()));
        byNearness.forEach(j -> all.add(new Choice(j.id().toString(), j.name(), "job")));
        return all;
    }

    /** The starters that somebody kept. */
    public List<Choice> kept() {
        return starters.findAllByOrderByName().stream().map(s -> new Choice(s.id().toString(), s.name(), "starter")).toList();
    }

    /**
     * The settings of a choice. A ground factor and a running copy belong to one job and are left out.
     *
     * @throws SurveyException NOT_FOUND
     */
    public JobSettings settings(String key) {
        if (key.equals(METRIC)) {
            return JobSettings.flat(Figures.metric(), 1);
        } else if (key.equals(SURVEY_FEET)) {
            return JobSettings.flat(Figures.surveyFeet(), 1);
        }
        UUID id = id(key);
        return starters.findById(id).map(this::read).orElseGet(() -> general(journals.state(jobs.job(id).id()).settings()));
    }

    private static UUID id(String key) {
        try {
            return UUID.fromString(key);
        } catch (IllegalArgumentException none) {
            throw new SurveyException(Problem.NOT_FOUND, "starter " + key);
        }
    }

    private JobSettings read(Starter starter) {
        return ((SettingsChosen) json.read(new PayloadJson.Written(KIND, starter.version(), starter.settings()))).settings();
    }

    private static JobSettings general(JobSettings s) {
        GroundUse ground = s.ground().kind() == GroundUse.Kind.GRID ? GroundUse.GRID : GroundUse.GROUND_DISTANCES;
        JobSettings.Work work = new JobSettings.Work(s.work().crew(), s.work().tools(), s.work().noteFields(), "", s.work().zone());
        return s.with(ground).with(work);
    }

    /** Keeps a job's settings as a starter. @throws SurveyException NAME_UNFIT or STARTER_NAME_TAKEN */
    public void keep(UUID job, String typedName, String person) {
        String name = ShelfName.parse(typedName, "starter");
        if (starters.existsByNameIgnoreCase(name)) {
            throw new SurveyException(Problem.STARTER_NAME_TAKEN, name);
        }
        PayloadJson.Written written = json.write(new SettingsChosen(general(journals.state(job).settings())));
        try {
            starters.saveAndFlush(new Starter(name, written.version(), written.json(), person));
        } catch (DataIntegrityViolationException keptInTheSameMoment) {
            throw new SurveyException(Problem.STARTER_NAME_TAKEN, name);
        }
    }

    /** Throws a kept starter away; those that ship stay. */
    public void forget(String key) {
        starters.deleteById(id(key));
    }
}
