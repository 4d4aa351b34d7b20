package verge.app.rework;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import verge.app.form.Answers;
import verge.app.journal.Author;
import verge.app.journal.EntryWords;
import verge.app.journal.JournalService;
import verge.core.job.JobState;
import verge.core.job.Journal;

/** Corrections for programs, typed and told as on the pages. */
@RestController
@RequestMapping("/api/v1/jobs/{job}")
@Tag(name = "Journal")
class ReworkApi {
    private static final int MOST_VALUES = 10_000;

    private final ReworkService reworks;
    private final JournalService journals;
    private final EntryWords words;

    ReworkApi(ReworkService reworks, JournalService journals, EntryWords words) {
        this.reworks = reworks;
        this.journals = journals;
        this.words = words;
    }

    /** @param now as it would be typed, in the unit beside it or the job's own */
    record ValueBody(String field, String group, String label, String now, String unit) {
    }

    /**
     * @param id of the entry to be written; sent again, it is written once
     * @param fields what is typed otherwise; what is not among them stays
     * @param asOf number of the last entry that was seen; if somebody has changed the lines since, nothing is written
     */
    record Correction(UUID id, Map<String, String> fields, String reason, Long asOf) {
        Map<String, String> typed() {
            return fields == null ? Map.of() : fields;
        }

        OptionalLong seen() {
            return asOf == null ? OptionalLong.empty() : OptionalLong.of(asOf);
        }

        String why() {
            return reason == null ? "" : reason;
        }

        Author by(Principal person) {
            return new Author(id == null ? UUID.randomUUID() : id, person.getName(), "program");
        }
    }

    @Operation(summary = "What of an entry can be corrected", description =
            "Every raw value, name, target and condition, as it counts now.")
    @GetMapping("/entries/{entry}/values")
    List<ValueBody> values(@PathVariable UUID job, @PathVariable UUID entry) {
        Journal journal = journals.journal(job);
        return words.values(journal, reworks.open(journal, entry))
                .map(v -> new ValueBody(v.field(), v.group(), v.label(), v.now(), v.unit())).limit(MOST_VALUES).toList();
    }

    @Operation(summary = "What a correction would move", description = "Nothing is written.")
    @PostMapping("/entries/{entry}/corrections/preview")
    Seen preview(@PathVariable UUID job, @PathVariable UUID entry, @RequestBody Correction said) {
        return Seen.of(reworks.preview(job, entry, said.typed()));
    }

    @Operation(summary = "Correct an entry",
            description = "What was written stays to be read, with the correction beside it; a reason is needed.")
    @PostMapping("/entries/{entry}/corrections")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void write(@PathVariable UUID job, @PathVariable UUID entry, @RequestBody Correction said, Principal person) {
        reworks.write(job, entry, said.typed(), said.why(), said.seen(), said.by(person));
    }

    @Operation(summary = "What a correction of several entries would move",
            description =
            "Fields: kind.SHOT, kind.STAKE, kind.CHECK, kind.SETUP, kind.SETS (any text); day, from, to by the job's clocks; leaf, code, "
            + "prism, names; "
            + "what: POLE_BY with by, POLE_WAS with height, PRISM_WAS with other-prism, EXCHANGED with one and other, CODE_WAS with "
                    + "other-code, AIR_WAS with temperature and pressure.")
    @PostMapping("/corrections/preview")
    Seen preview(@PathVariable UUID job, @RequestBody Correction said) {
        return Seen.of(reworks.preview(job, several(job, said)));
    }

    @Operation(summary = "Correct several entries at once", description = "All or none; the same fields.")
    @PostMapping("/corrections")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void write(@PathVariable UUID job, @RequestBody Correction said, Principal person) {
        reworks.write(job, several(job, said), said.why(), said.seen(), said.by(person));
    }

    private ReworkService.Several several(UUID job, Correction said) {
        JobState state = journals.state(job);
        return SeveralAnswers.read(new Answers(said.typed()), state, reworks.typed(job, state));
    }
}
