package verge.app.importing;

import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseBody;
import verge.app.coding.Codebooks;
import verge.app.files.SiteFileService;
import verge.app.job.JobService;
import verge.core.coding.Codebook;
import verge.formats.codebook.CodebookWriter;

/** A table of codes as it was understood, to take along in either of its forms. */
@Controller
@RequestMapping("/jobs/{job}/prepare/import/{file}")
class CodebookController {
    private final JobService jobs;
    private final SiteFileService files;
    private final Codebooks codebooks;

    CodebookController(JobService jobs, SiteFileService files, Codebooks codebooks) {
        this.jobs = jobs;
        this.files = files;
        this.codebooks = codebooks;
    }

    @GetMapping("/codes.json")
    @ResponseBody
    ResponseEntity<String> json(@PathVariable UUID job, @PathVariable UUID file) {
        return taken(MediaType.APPLICATION_JSON, "codes.json", CodebookWriter.json(book(job, file)));
    }

    @GetMapping("/codes.csv")
    @ResponseBody
    ResponseEntity<String> csv(@PathVariable UUID job, @PathVariable UUID file) {
        return taken(new MediaType("text", "csv", StandardCharsets.UTF_8), "codes.csv", CodebookWriter.csv(book(job, file)));
    }

    private Codebook book(UUID job, UUID file) {
        return codebooks.look(files.file(jobs.job(job).siteId(), file)).book();
    }

    private static ResponseEntity<String> taken(MediaType type, String name, String text) {
        return ResponseEntity.ok().contentType(type)
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(name).build().toString()).body(text);
    }
}
