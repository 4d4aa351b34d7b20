package verge.app.session;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import verge.app.device.StandIns;
import verge.app.form.Answers;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.points.PointNames;
import verge.app.points.SitePoints;
import verge.app.receiver.ReceiverBench;
import verge.app.receiver.Seat;
import verge.app.report.PdfPress;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.session.Baseline;
import verge.core.session.EndOfSession;
import verge.core.session.RawOf;
import verge.core.session.RawSummary;
import verge.core.session.Session;
import verge.core.session.SessionFetched;
import verge.core.session.Sessions;
import verge.core.settings.JobSettings;
import verge.core.units.DurationText;

/** The bench for static sessions, what came of them as files, and the book of occupations. */
@Controller
@RequestMapping("/jobs/{job}")
class SessionController {
    private static final int USUAL_SECONDS = 15;

    private final SessionService service;
    private final SessionViews views;
    private final SessionFiles files;
    private final Occupations occupations;
    private final PdfPress press;
    private final ReceiverBench bench;
    private final SitePoints points;
    private final StandIns standIns;
    private final JournalService journals;

    SessionController(SessionService service, SessionViews views, SessionFiles files, Occupations occupations, PdfPress press,
            ReceiverBench bench, SitePoints points, StandIns standIns, JournalService journals) {
        this.service = service;
        this.views = views;
        this.files = files;
        this.occupations = occupations;
        this.press = press;
        this.bench = bench;
        this.points = points;
        this.standIns = standIns;
        this.journals = journals;
    }

    /**
     * A session of the job, in a list.
     *
     * @param until blank while it runs
     * @param observed what its file comes to; blank until that was fetched
     * @param odd what must not be passed over; blank if nothing
     * @param left whether nothing writes it although it has not ended
     */
    record SessionLine(UUID entry, String mark, String file, String from, String until, String observed, String digest, String odd,
            boolean left) {
    }

    @GetMapping("/setup/static")
    String show(@PathVariable UUID job, Model model) {
        JobState state = points.state(job);
        bench.show(Seat.session(job), standIns.receivers(), model);
        List<Session> sessions = state.all(new Sessions());
        Optional<Session> last = sessions.stream().reduce((first, next) -> next);
        model.addAttribute("view", views.view(job, state).orElse(null));
        model.addAttribute("names", PointNames.offered(state).stream().map(PointName::text).toList());
        model.addAttribute("steps", SessionForm.STEPS);
        model.addAttribute("seconds", last.map(s -> s.said().seconds()).orElse(USUAL_SECONDS));
        model.addAttribute("baseline", last.flatMap(s -> s.said().baseline()).flatMap(Baseline::to).map(PointName::text).orElse(""));
        model.addAttribute("sessions", sessions.stream().map(s -> line(job, s, state)).toList());
        return "session/session";
    }

    private SessionLine line(UUID job, Session s, JobState state) {
        JobSettings settings = state.settings();
        Optional<EndOfSession.End> end = state.latest(new EndOfSession(s.entry()));
        Optional<SessionFetched> raw = state.latest(new RawOf(s.entry()));
        Optional<RawSummary> sum = raw.map(SessionFetched::summary);
        String observed = sum.map(r -> DurationText.of(r.observed()) + ", " + SessionWords.summary(r)).orElse("");
        String odd = end.flatMap(e -> s.sank(e.said()))
                .map(by -> "Its antenna\u2019s height, measured again, differs by " + settings.figures().difference(by) + ". ").orElse("")
                + sum.filter(s::isOfAnotherTime)
                .map(r -> "The file was written from " + settings.times().whole(r.first()) + " on, not when the session was. ").orElse("")
                + sum.filter(s::isOtherAntenna).map(r -> "The file names the antenna " + r.antenna().strip() + ". ").orElse("")
                + sum.flatMap(r -> s.said().baseline().map(Baseline::wants).filter(w -> r.observed().compareTo(w) < 0))
                .map(w -> "Too short: its baseline wants " + DurationText.of(w) + ". ").orElse("");
        return new SessionLine(s.entry(), s.said().mark().text(), s.said().name().file(), settings.times().whole(s.begun()),
                end.map(e -> settings.times().until(s.begun(), e.at())).orElse(""), observed, raw.map(r -> r.file().sha256()).orElse(""),
                odd.strip(), service.isLeft(job, state, s));
    }

    /** How it is now, as a part of the bench. */
    @GetMapping("/static/now")
    String now(@PathVariable UUID job, Model model) {
        model.addAttribute("view", views.view(job, journals.state(job)).orElse(null));
        return "session/session :: now";
    }

    @PostMapping("/static/begin")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @ResponseBody
    CompletableFuture<Void> begin(@PathVariable UUID job, @RequestParam UUID id, @RequestParam MultiValueMap<String, String> sent,
            Principal person) {
        return service.begin(job, id, new SessionForm(Answers.of(sent)), person.getName()).thenAccept(kept -> { });
    }

    /** Lets a receiver that was without power write on. */
    @PostMapping("/static/again")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @ResponseBody
    CompletableFuture<Void> again(@PathVariable UUID job) {
        return service.takeUp(job);
    }

    @PostMapping("/static/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @ResponseBody
    CompletableFuture<Void> end(@PathVariable UUID job, @RequestParam UUID id, @RequestParam MultiValueMap<String, String> sent,
            Principal person) {
        return service.end(job, id, new SessionForm(Answers.of(sent)), person.getName()).thenAccept(kept -> { });
    }

    @PostMapping("/static/{entry}/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endLeft(@PathVariable UUID job, @PathVariable UUID entry, @RequestParam UUID id, Principal person) {
        service.endLeft(job, entry, new Author(id, person.getName(), "page"));
    }

    @PostMapping("/static/{entry}/fetch")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @ResponseBody
    CompletableFuture<Void> fetch(@PathVariable UUID job, @PathVariable UUID entry, @RequestParam UUID id, Principal person) {
        return service.fetch(job, entry, id, person.getName()).thenAccept(kept -> { });
    }

    /** As it came from the receiver, byte for byte. */
    @GetMapping("/static/{entry}/raw")
    void raw(@PathVariable UUID job, @PathVariable UUID entry, HttpServletResponse response) throws IOException {
        SessionFiles.Raw raw = files.raw(job, entry);
        attach(response, raw.fetched().file().name());
        Files.copy(raw.path(), response.getOutputStream());
    }

    /**
     * Observations as RINEX 3, with what the book says now. Written as it is read, by the request's own thread: a day of epochs has no room
     * in memory.
     */
    @GetMapping("/static/{entry}/observations")
    void observations(@PathVariable UUID job, @PathVariable UUID entry, HttpServletResponse response) throws IOException {
        SessionFiles.Raw raw = files.raw(job, entry);
        attach(response, raw.session().said().name().file() + "_MO.rnx");
        files.observations(raw, agency(raw), response.getOutputStream());
    }

    /** What the satellites said of themselves as RINEX 3. */
    @GetMapping("/static/{entry}/navigation")
    void navigation(@PathVariable UUID job, @PathVariable UUID entry, HttpServletResponse response) throws IOException {
        SessionFiles.Raw raw = files.raw(job, entry);
        attach(response, raw.session().said().name().file() + "_MN.rnx");
        files.navigation(raw, agency(raw), response.getOutputStream());
    }

    private static String agency(SessionFiles.Raw raw) {
        return raw.journal().state().settings().work().crew();
    }

    private static void attach(HttpServletResponse response, String name) {
        response.setContentType(MediaType.APPLICATION_OCTET_STREAM_VALUE);
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(name).build().toString());
    }

    @GetMapping("/occupations")
    String book(@PathVariable UUID job, Model model) {
        model.addAllAttributes(occupations.model(job));
        return "report/occupations";
    }

    @GetMapping("/occupations.pdf")
    ResponseEntity<byte[]> pdf(@PathVariable UUID job) {
        return press.file("report/occupations", occupations.model(job));
    }

    @GetMapping("/occupations.csv")
    ResponseEntity<byte[]> csv(@PathVariable UUID job) {
        return ResponseEntity.ok().contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename("occupations.csv").build().toString())
                .body(occupations.csv(job).getBytes(StandardCharsets.UTF_8));
    }
}
