package verge.app.journal;

import io.swagger.v3.oas.annotations.Operation;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import verge.core.job.Journal;
import verge.core.journal.Entry;

/** Journals for programs. */
@RestController
class JournalApi {
    private final JournalService journals;
    private final PayloadJson json;

    JournalApi(JournalService journals, PayloadJson json) {
        this.journals = journals;
        this.json = json;
    }

    /** @param payload as stored, in SI units */
    record EntryBody(UUID id, long sequence, Instant at, String person, String device, String kind, int version, JsonNode payload,
            boolean struck) {
    }

    @Operation(summary = "A job's journal, in order", description = "Every entry as it was written; lengths in metres, angles in radians.")
    @GetMapping("/api/v1/jobs/{job}/journal")
    List<EntryBody> journal(@PathVariable UUID job, @RequestParam(defaultValue = "0") long after) {
        Journal journal = journals.journal(job);
        return journal.after(after).stream().map(e -> body(journal, e)).toList();
    }

    private EntryBody body(Journal journal, Entry entry) {
        PayloadJson.Written written = json.write(entry.payload());
        return new EntryBody(entry.id(), entry.sequence(), entry.at(), entry.person(), entry.device(), written.kind(), written.version(),
                json.tree(written), journal.state().isStruck(entry.id()));
    }
}
