package verge.app.book;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.parameters.RequestBody;
import java.io.InputStream;
import java.security.Principal;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import verge.app.files.IncomingFiles;

/** Field books for programs. */
@RestController
class BookApi {
    private final BookService books;
    private final IncomingFiles incoming;

    BookApi(BookService books, IncomingFiles incoming) {
        this.books = books;
        this.incoming = incoming;
    }

    @Operation(summary = "A job's field book",
            description = "Every entry as it was written; as JSON, or as the plain text of docs/field-book-format.md.")
    @GetMapping(path = "/api/v1/jobs/{job}/book", produces = MediaType.APPLICATION_JSON_VALUE)
    String json(@PathVariable UUID job) {
        return books.asJson(job);
    }

    @Operation(summary = "A job's field book as plain text")
    @GetMapping(path = "/api/v1/jobs/{job}/book.txt", produces = "text/plain;charset=UTF-8")
    String text(@PathVariable UUID job) {
        return books.asText(job);
    }

    /** @param job its id */
    record Made(UUID job) {
    }

    @Operation(summary = "Make a job from a field book", description = "Either form. The name defaults to the book's own.")
    @RequestBody(description = "The book",
            content = @Content(mediaType = "application/octet-stream", schema = @Schema(type = "string", format = "binary")),
            required = true)
    @PostMapping("/api/v1/sites/{site}/books")
    @ResponseStatus(HttpStatus.CREATED)
    Made bringIn(@PathVariable UUID site, @RequestParam(defaultValue = "") String name, @Parameter(hidden = true) InputStream content,
            Principal person) {
        return new Made(incoming.with(content, kept -> books.bringIn(site, name, kept, person.getName())).id());
    }

    /** @param same whether every bit of every point came out as it was */
    record Replayed(boolean same) {
    }

    @Operation(summary = "Replay a job", description = "Drops its points and computes them again from its journal.")
    @PostMapping("/api/v1/jobs/{job}/replay")
    Replayed replay(@PathVariable UUID job) {
        return new Replayed(books.replay(job));
    }
}
