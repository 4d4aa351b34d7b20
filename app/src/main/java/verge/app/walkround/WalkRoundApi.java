package verge.app.walkround;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import verge.app.check.FindingWords;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.problem.ProblemWords.Said;
import verge.core.check.Finding;
import verge.core.units.Figures;

/** The walk-round for programs. */
@RestController
@RequestMapping("/api/v1/jobs/{job}/walk-round")
class WalkRoundApi {
    private final WalkRoundService walkRound;
    private final JournalService journals;
    private final FindingWords words;

    WalkRoundApi(WalkRoundService walkRound, JournalService journals, FindingWords words) {
        this.walkRound = walkRound;
        this.journals = journals;
        this.words = words;
    }

    /** @param accepted why it is left as it is; null if it still stands */
    record FindingBody(String kind, Finding.Weight weight, String about, String wrong, String means, String next, List<String> remedies,
            String accepted) {
    }

    record Acceptance(String kind, String about, String reason) {
    }

    @Operation(summary = "What the walk-round finds", description = "The worst first; what was accepted comes last, with its reason.")
    @GetMapping
    List<FindingBody> findings(@PathVariable UUID job) {
        Figures figures = journals.state(job).settings().figures();
        return walkRound.of(job).stream().map(s -> body(s, figures)).toList();
    }

    private FindingBody body(WalkRoundService.Standing standing, Figures figures) {
        Finding f = standing.finding();
        Said said = words.say(f, figures);
        return new FindingBody(f.kind().name(), f.kind().weight(), f.about(), said.wrong(), said.means(), said.next(),
                f.remedies().stream().map(words::remedy).toList(),
                standing.accepted().orElse(null));
    }

    @Operation(summary = "Leave a finding as it is", description = "The reason is kept in the field book.")
    @PostMapping("/acceptances")
    void accept(@PathVariable UUID job, @RequestBody Acceptance acceptance, Principal person) {
        walkRound.accept(job, acceptance.kind(), acceptance.about() == null ? "" : acceptance.about(),
                acceptance.reason() == null ? "" : acceptance.reason(),
                Author.ofProgram(person.getName()));
    }
}
