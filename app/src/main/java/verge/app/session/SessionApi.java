package verge.app.session;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import verge.app.form.Answers;
import verge.app.journal.JournalService;
import verge.core.job.JobState;
import verge.core.session.EndOfSession;
import verge.core.session.RawOf;
import verge.core.session.RawSummary;
import verge.core.session.Session;
import verge.core.session.SessionFetched;
import verge.core.session.Sessions;
import verge.core.units.Length;

/** Static sessions for programs. */
@RestController
@RequestMapping("/api/v1/jobs/{job}/sessions")
class SessionApi {
    private final SessionService service;
    private final SessionFiles files;
    private final JournalService journals;

    SessionApi(SessionService service, SessionFiles files, JournalService journals) {
        this.service = service;
        this.files = files;
        this.journals = journals;
    }

    /**
     * @param entry that began it
     * @param height of the antenna's reference point over the mark, in metres; null where none follows from what was measured
     * @param ended null while it runs
     * @param observedSeconds without the gaps; null until its file was fetched, as what follows
     */
    record SessionBody(UUID entry, String mark, String letter, String file, String antenna, Double height, int seconds, Instant begun,
            Instant ended, Long observedSeconds, Long epochs, Integer fewest, Integer most, Long slips, Integer gaps, String sha256) {
    }

    @Operation(summary = "The static sessions of a job", description = "In the order in which they were begun; metres, seconds.")
    @GetMapping
    List<SessionBody> sessions(@PathVariable UUID job) {
        JobState state = journals.state(job);
        return state.all(new Sessions()).stream().map(s -> body(s, state)).toList();
    }

    private static SessionBody body(Session s, JobState state) {
        Optional<SessionFetched> raw = state.latest(new RawOf(s.entry()));
        Optional<RawSummary> sum = raw.map(SessionFetched::summary);
        return new SessionBody(s.entry(), s.said().mark().text(), s.said().name().letter(), s.said().name().file(),
                s.said().antenna().model().name(), s.height().map(Length::metres).orElse(null), s.said().seconds(), s.begun(),
                state.latest(new EndOfSession(s.entry())).map(EndOfSession.End::at).orElse(null),
                sum.map(r -> r.observed().toSeconds()).orElse(null), sum.map(RawSummary::epochs).orElse(null),
                sum.map(RawSummary::fewest).orElse(null), sum.map(RawSummary::most).orElse(null),
                sum.map(RawSummary::slips).orElse(null), sum.map(r -> r.gaps().size()).orElse(null),
                raw.map(r -> r.file().sha256()).orElse(null));
    }

    /**
     * @param fields as on the page: mark, baseline, seconds and systems (letters of RINEX) to begin; again and sure to end, 'true' or the
     *     codes of the problems that are no matter
     */
    record SessionOrder(UUID id, Map<String, String> fields) {
        private SessionForm form() {
            return new SessionForm(new Answers(fields == null ? Map.of() : fields));
        }
    }

    @Operation(summary = "Begin a session",
            description =
            "With the receiver and the antenna that stand under Set up, Static. Sending it again with the same id begins nothing.")
    @PostMapping
    CompletableFuture<SessionBody> begin(@PathVariable UUID job, @RequestBody SessionOrder said, Principal person) {
        return service.begin(job, said.id(), said.form(), person.getName()).thenApply(kept -> now(job, kept.entry().id()));
    }

    @Operation(summary = "End the session that runs")
    @PostMapping("/end")
    CompletableFuture<Void> end(@PathVariable UUID job, @RequestBody SessionOrder said, Principal person) {
        return service.end(job, said.id(), said.form(), person.getName()).thenAccept(kept -> { });
    }

    @Operation(summary = "Fetch a session's file from its receiver",
            description = "It is kept under its SHA-256 if it came as it lies on the card.")
    @PostMapping("/{entry}/fetch")
    CompletableFuture<SessionBody> fetch(@PathVariable UUID job, @PathVariable UUID entry, @RequestBody SessionOrder said,
            Principal person) {
        return service.fetch(job, entry, said.id(), person.getName()).thenApply(kept -> now(job, entry));
    }

    private SessionBody now(UUID job, UUID entry) {
        JobState state = journals.state(job);
        return body(SessionFiles.session(state, entry), state);
    }

    @Operation(summary = "A session's observations as RINEX 3", description =
            "With the mark and the antenna's height as the book has them now.")
    @GetMapping("/{entry}/observations")
    void observations(@PathVariable UUID job, @PathVariable UUID entry, HttpServletResponse response) throws IOException {
        SessionFiles.Raw raw = files.raw(job, entry);
        response.setContentType(MediaType.TEXT_PLAIN_VALUE);
        files.observations(raw, raw.journal().state().settings().work().crew(), response.getOutputStream());
    }
}
