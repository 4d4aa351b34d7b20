package verge.app.book;

import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import verge.app.job.JobService;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Field books as files. */
@Controller
class BookController {
    private final BookService books;
    private final JobService jobs;

    BookController(BookService books, JobService jobs) {
        this.books = books;
        this.jobs = jobs;
    }

    @GetMapping("/jobs/{job}/book.txt")
    ResponseEntity<byte[]> text(@PathVariable UUID job) {
        return file(job, "txt", new MediaType(MediaType.TEXT_PLAIN, StandardCharsets.UTF_8), books.asText(job));
    }

    @GetMapping("/jobs/{job}/book.json")
    ResponseEntity<byte[]> json(@PathVariable UUID job) {
        return file(job, "json", MediaType.APPLICATION_JSON, books.asJson(job));
    }

    private ResponseEntity<byte[]> file(UUID job, String suffix, MediaType type, String content) {
        String name = jobs.job(job).name().replaceAll("[^\\p{L}\\p{N} ._-]", "_") + " field book." + suffix;
        return ResponseEntity.ok().contentType(type)
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(name, StandardCharsets.UTF_8).build()
                .toString())
                .body(content.getBytes(StandardCharsets.UTF_8));
    }

    @PostMapping("/sites/{site}/books")
    String bringIn(@PathVariable UUID site, @RequestParam MultipartFile file, @RequestParam(defaultValue = "") String name,
            Principal person) {
        if (file.isEmpty()) {
            throw new SurveyException(Problem.FILE_EMPTY, String.valueOf(file.getOriginalFilename()));
        }
        return "redirect:/jobs/" + books.bringIn(site, name, file, person.getName()).id() + "/book";
    }
}
