package verge.app.job;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.core.journal.JobSettings;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.AngleUnit;
import verge.core.units.DirectionStyle;
import verge.core.units.LengthUnit;

/** Jobs for programs. */
@RestController
@RequestMapping("/api/v1/jobs")
class JobApi {
    private final JobService jobs;
    private final JournalService journals;

    JobApi(JobService jobs, JournalService journals) {
        this.jobs = jobs;
        this.journals = journals;
    }

    /** @param gridPerGround the flat site's scale factor */
    record JobBody(UUID id, UUID site, String siteName, String name, Instant madeAt, String madeBy, LengthUnit lengthUnit,
            AngleUnit angleUnit, DirectionStyle directionStyle, double gridPerGround) {
    }

    /** @param site an existing site's id */
    record NewJob(UUID site, String name, LengthUnit lengthUnit, AngleUnit angleUnit, DirectionStyle directionStyle, String gridPerGround) {
    }

    @Operation(summary = "All jobs")
    @GetMapping
    List<JobBody> all() {
        return jobs.jobs().stream().map(this::body).toList();
    }

    @Operation(summary = "One job with its settings")
    @GetMapping("/{job}")
    JobBody one(@PathVariable UUID job) {
        return body(jobs.job(job));
    }

    @Operation(summary = "Make a job on a flat site")
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    JobBody make(@RequestBody NewJob asked, Principal person) {
        if (asked.site() == null) {
            throw new SurveyException(Problem.MISSING, "site");
        }
        JobForm blank = JobForm.blank();
        JobForm form = new JobForm(asked.name() == null ? "" : asked.name(), or(asked.lengthUnit(), blank.lengthUnit()),
                or(asked.angleUnit(), blank.angleUnit()), or(asked.directionStyle(), blank.directionStyle()),
                or(asked.gridPerGround(), blank.scale()));
        return body(jobs.make(asked.site(), form.name(), form.settings(), new Author(UUID.randomUUID(), person.getName(), "program")));
    }

    private static <T> T or(T given, T usual) {
        return given == null ? usual : given;
    }

    private JobBody body(Job job) {
        JobSettings s = journals.state(job.id()).settings();
        return new JobBody(job.id(), job.siteId(), jobs.site(job.siteId()).name(), job.name(), job.madeAt(), job.madeBy(),
                s.figures().lengthUnit(), s.figures().angleUnit(), s.figures().directionStyle(), s.site().gridPerGround());
    }
}
