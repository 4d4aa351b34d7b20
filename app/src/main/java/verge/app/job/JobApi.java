package verge.app.job;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import verge.app.form.Answers;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.job.Moves;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.SettingsChosen;

/** Jobs for programs. Settings are the answers to the same questions as on the page, under the same names. */
@RestController
@RequestMapping("/api/v1/jobs")
class JobApi {
    private final JobService jobs;
    private final JournalService journals;
    private final SettingsAnswers settingsAnswers;
    private final StarterService starters;

    JobApi(JobService jobs, JournalService journals, SettingsAnswers settingsAnswers, StarterService starters) {
        this.jobs = jobs;
        this.journals = journals;
        this.settingsAnswers = settingsAnswers;
        this.starters = starters;
    }

    /**
     * @param broughtInBy who brought in the field book that it was made of, or null
     * @param broughtInLines how many of its first entries are from that book, written by whom they name
     * @param settings the answers that give the job's settings; in a list, none of a job whose journal cannot be read
     */
    record JobBody(UUID id, UUID site, String siteName, String name, Instant madeAt, String madeBy, boolean archived, String broughtInBy,
            Long broughtInLines, Map<String, String> settings) {
    }

    /**
     * @param site an existing site's id
     * @param from a starter or a job to begin from: metric, survey-feet, or an id
     * @param settings answers that differ from it
     */
    record NewJob(UUID site, String name, String from, Map<String, String> settings) {
    }

    /** @param carry whether points given before keep their place rather than their coordinates */
    record Change(Map<String, String> settings, Boolean carry) {
    }

    /** What a change does to the coordinates shown; metres. */
    record MovesBody(long moved, long kept, double largest, double mean, List<String> gone) {
    }

    @Operation(summary = "All jobs")
    @GetMapping
    List<JobBody> all() {
        return jobs.jobs().stream().map(j -> body(j, journals.readable(j.id()).map(Journal::state))).toList();
    }

    @Operation(summary = "One job with its settings")
    @GetMapping("/{job}")
    JobBody one(@PathVariable UUID job) {
        return body(jobs.job(job));
    }

    @Operation(summary = "Make a job")
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    JobBody make(@RequestBody NewJob asked, Principal person) {
        if (asked.site() == null) {
            throw new SurveyException(Problem.MISSING, "site");
        }
        Answers answers = settingsAnswers.write(starters.settings(asked.from() == null ? "metric" : asked.from()))
                .with(or(asked.settings()));
        return body(jobs.make(asked.site(), asked.name() == null ? "" : asked.name(),
                settingsAnswers.read(answers, asked.site(), Optional.empty()),
                Author.ofProgram(person.getName())));
    }

    @Operation(summary = "What a change of settings would move")
    @PostMapping("/{job}/settings/preview")
    MovesBody preview(@PathVariable UUID job, @RequestBody Change change) {
        Journal journal = journals.journal(job);
        Moves moves = Moves.between(journal.state(), journal.preview(chosen(job, journal.state(), change)));
        return new MovesBody(moves.moved().size(), moves.kept(), moves.largest().metres(), moves.mean().metres(),
                moves.gone().stream().map(Object::toString).toList());
    }

    @Operation(summary = "Change a job's settings", description =
            "Answers that are not sent stay as they are. Striking the entry undoes it.")
    @PutMapping("/{job}/settings")
    JobBody change(@PathVariable UUID job, @RequestBody Change change, Principal person) {
        journals.appendTogether(job, Author.ofProgram(person.getName()), journal -> {
            SettingsChosen chosen = chosen(job, journal.state(), change);
            journal.preview(chosen);
            return List.of(chosen);
        });
        return body(jobs.job(job));
    }

    private SettingsChosen chosen(UUID job, JobState state, Change change) {
        Answers answers = settingsAnswers.write(state.settings()).with(or(change.settings()));
        return new SettingsChosen(settingsAnswers.read(answers, jobs.job(job).siteId(), Optional.of(state.settings())),
                Boolean.TRUE.equals(change.carry()));
    }

    private static Map<String, String> or(Map<String, String> given) {
        return given == null ? Map.of() : given;
    }

    private JobBody body(Job job) {
        return body(job, Optional.of(journals.state(job.id())));
    }

    private JobBody body(Job job, Optional<JobState> state) {
        return new JobBody(job.id(), job.siteId(), jobs.site(job.siteId()).name(), job.name(), job.madeAt(), job.madeBy(), job.archived(),
                job.broughtIn().map(Job.BroughtIn::by).orElse(null), job.broughtIn().map(Job.BroughtIn::lines).orElse(null),
                state.map(s -> settingsAnswers.write(s.settings()).texts()).orElse(Map.of()));
    }
}
