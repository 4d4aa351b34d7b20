package verge.app.runningcopy;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.UUID;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import verge.app.job.JobService;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Hands a job's running copy out. */
@Controller
class RunningCopyController {
    private final RunningCopy copies;
    private final JobService jobs;

    RunningCopyController(RunningCopy copies, JobService jobs) {
        this.copies = copies;
        this.jobs = jobs;
    }

    @GetMapping("/jobs/{job}/running-copy")
    ResponseEntity<Resource> fetch(@PathVariable UUID job) {
        Path file = copies.file(jobs.job(job).id()).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "a running copy of this job"));
        return ResponseEntity.ok().contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(file.getFileName().toString(), StandardCharsets.UTF_8).build().toString())
                .body(new FileSystemResource(file));
    }
}
