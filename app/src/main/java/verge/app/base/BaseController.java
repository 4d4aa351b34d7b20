package verge.app.base;

import java.security.Principal;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
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
import verge.app.occupation.ControlLines;
import verge.app.points.PointNames;
import verge.app.points.SitePoints;
import verge.app.receiver.CasterForm;
import verge.app.receiver.ReceiverBench;
import verge.app.receiver.Seat;
import verge.app.report.PdfPress;
import verge.app.rework.Seen;
import verge.core.base.AgainstSky;
import verge.core.base.Base;
import verge.core.base.EndOf;
import verge.core.coding.PointName;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.occupation.BaseByMark;
import verge.core.occupation.ControlSeen;
import verge.core.satellite.RadioChannel;
import verge.core.settings.JobSettings;
import verge.core.units.Figures;

/** The bench for a base: its receiver, its mark, how it sends, and what it truly stood on. */
@Controller
@RequestMapping("/jobs/{job}")
class BaseController {
    private static final String TO_BENCH = "/setup/base";
    private static final Duration SOON = Duration.ofMinutes(2);

    private final BaseService service;
    private final BaseDesk bases;
    private final BaseMarks marks;
    private final BaseViews views;
    private final BaseCorrections corrections;
    private final BaseReport report;
    private final PdfPress press;
    private final ReceiverBench bench;
    private final SitePoints points;
    private final StandIns standIns;
    private final JournalService journals;

    BaseController(BaseService service, BaseDesk bases, BaseMarks marks, BaseViews views, BaseCorrections corrections, BaseReport report,
            PdfPress press, ReceiverBench bench, SitePoints points, StandIns standIns,
            JournalService journals) {
        this.service = service;
        this.bases = bases;
        this.marks = marks;
        this.views = views;
        this.corrections = corrections;
        this.report = report;
        this.press = press;
        this.bench = bench;
        this.points = points;
        this.standIns = standIns;
        this.journals = journals;
    }

    /**
     * A base of the job, in a list.
     *
     * @param until blank while it sends
     * @param measured how many points were measured from it
     * @param left whether none is it although it has not ended
     */
    record BaseLine(UUID entry, String mark, String from, String until, boolean provisional, long measured, boolean left) {
    }

    @GetMapping(TO_BENCH)
    String show(@PathVariable UUID job, Model model) {
        JobState state = points.state(job);
        bench.show(Seat.base(job), standIns.receivers(), model);
        BaseSetting setting = bases.setting(job);
        model.addAttribute("view", views.view(job, state).orElse(null));
        model.addAttribute("setting", setting);
        model.addAttribute("caster", setting.caster().orElse(null));
        ReceiverBench.showRadio(setting.channel().orElse(RadioChannel.USUAL), model);
        model.addAttribute("names", Stream.concat(state.bases().all().stream().map(Base::mark), PointNames.offered(state).stream())
                .map(PointName::text).distinct().toList());
        model.addAttribute("free", free(state));
        again(job, state, model);
        model.addAttribute("bases", lines(job, journals.journal(job)));
        model.addAttribute("checks", checks(journals.journal(job)));
        return "base/base";
    }

    private static String free(JobState state) {
        PointName name = new PointName("BASE1");
        while (!state.points().named(name).isEmpty()) {
            name = name.successor();
        }
        return name.text();
    }

    private void again(UUID job, JobState state, Model model) {
        model.addAttribute("again", marks.again(job, state).map(a -> again(a, state)).orElse(null));
    }

    /**
     * An earlier base where the antenna stands now.
     *
     * @param name under which the job would know its mark
     * @param job
     * @param entry of another job's; null for the job's own
     */
    record Again(String mark, String shift, String name, UUID job, UUID entry) {
    }

    private static Again again(BaseMarks.Earlier a, JobState state) {
        PointName mark = a.here().mark();
        String shift = BaseWords.shift(a.here(), state.settings());
        return a.of().map(o -> new Again(a.mark(), shift, state.points().named(mark).isEmpty() ? mark.text() : free(state), o.job(),
                a.here().earlier().entry())).orElseGet(() -> new Again(a.mark(), shift, mark.text(), null, null));
    }

    private List<BaseLine> lines(UUID job, Journal journal) {
        JobState state = journal.state();
        JobSettings settings = state.settings();
        return state.bases().all().stream().map(b -> {
            Instant from = journal.entry(b.entry()).orElseThrow().at();
            String until = state.latest(new EndOf(b.entry())).flatMap(journal::entry).map(e -> settings.times().until(from, e.at()))
                    .orElse("");
            return new BaseLine(b.entry(), b.mark().text(), settings.times().whole(from), until, b.provisional(),
                    state.bases().measuredFrom(b),
                    service.isLeft(job, state, b.entry()));
        }).toList();
    }

    /**
     * A known mark, or one measured before, that was stood on.
     *
     * @param against what it was held against
     * @param slip what would explain it; blank if nothing does
     */
    record CheckLine(UUID entry, String mark, String at, String against, String plan, String up, boolean within, String slip) {
    }

    private static List<CheckLine> checks(Journal journal) {
        JobState state = journal.state();
        JobSettings settings = state.settings();
        Figures f = settings.figures();
        return ControlSeen.of(state).stream()
                .map(c -> new CheckLine(c.stood().entry(), c.stood().name().text(), settings.times().whole(c.stood().at()),
                c.against().map(b -> "itself, " + apart(Duration.between(b.at(), c.stood().at())) + " before").orElse("what is known"),
                f.apart(c.plan()), c.up().map(f::difference).orElse(""), c.within(), ControlLines.slip(journal, c))).toList();
    }

    /** Soon after each other, satellites stand alike, and two times are hardly two. */
    private static String apart(Duration between) {
        return between.compareTo(SOON) < 0 ? between.toSeconds() + " s" : between.toHours() < 2 ? between.toMinutes()
                + " min" : between.toDays() < 2 ? between.toHours() + " h" : between.toDays() + " days";
    }

    /** How it is now, as a part of the bench. */
    @GetMapping("/base/now")
    String now(@PathVariable UUID job, Model model) {
        JobState state = journals.state(job);
        model.addAttribute("view", views.view(job, state).orElse(null));
        again(job, state, model);
        return "base/base :: now";
    }

    /**
     * What the sky says of a mark while it is chosen.
     *
     * @param words blank while nothing can be said
     * @param grade near, question, stop or blank
     */
    record Held(String words, String grade) {
    }

    @GetMapping("/base/held")
    @ResponseBody
    Held held(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent) {
        BaseMarks.Wanted wanted = marks.wanted(job, new BaseForm(Answers.of(sent)));
        JobSettings settings = journals.state(job).settings();
        return wanted.against().map(off ->
                new Held((wanted.noted().isEmpty() ? "" : "Taken over as it is there, " + wanted.noted() + ". ") + "The sky says: off by "
                + BaseWords.off(off, settings) + ". " + BaseWords.cause(off, wanted.position().orElseThrow(), settings), grade(off)))
                .orElseGet(() -> wanted.again()
                .map(a -> new Held("A base stood here before, over " + a.mark() + ". A new start shifts all that follows against what was: "
                + BaseWords.shift(a.here(), settings) + ".", "question"))
                .orElse(new Held("Provisional until its true place is known.", "near")));
    }

    private static String grade(AgainstSky off) {
        return off.grade().name().toLowerCase(Locale.ROOT);
    }

    @PostMapping("/base/streams")   // a password has no place in an address
    String streams(@PathVariable UUID job, @ModelAttribute CasterForm form, Model model) {
        model.addAttribute("streams", bench.streams(Seat.base(job), form, bases.setting(job).caster()));
        return "receiver/parts :: streams";
    }

    @PostMapping("/base/start")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @ResponseBody
    CompletableFuture<Void> start(@PathVariable UUID job, @RequestParam UUID id, @RequestParam MultiValueMap<String, String> sent,
            Principal person) {
        return service.start(job, id, new BaseForm(Answers.of(sent)), person.getName()).thenAccept(kept -> { });
    }

    /** Lets a receiver that was off send again as it was started. */
    @PostMapping("/base/again")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @ResponseBody
    CompletableFuture<Void> goOn(@PathVariable UUID job) {
        return service.goOn(job);
    }

    @PostMapping("/base/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @ResponseBody
    CompletableFuture<Void> end(@PathVariable UUID job, @RequestParam UUID id, Principal person) {
        return service.end(job, id, person.getName()).thenAccept(kept -> { });
    }

    @PostMapping("/base/{entry}/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endLeft(@PathVariable UUID job, @PathVariable UUID entry, @RequestParam UUID id, Principal person) {
        service.endLeft(job, entry, new Author(id, person.getName(), "page"));
    }

    /** A known mark that was measured from a base, and where it puts the base. */
    record ByMark(String mark, String place, String first, String second, String elevation) {
    }

    @GetMapping(TO_BENCH + "/{entry}/correct")
    String correct(@PathVariable UUID job, @PathVariable UUID entry, Model model) {
        Base base = corrections.base(job, entry);
        JobState state = points.state(job);
        JobSettings settings = state.settings();
        Figures f = settings.figures();
        Journal journal = journals.journal(job);
        model.addAttribute("base", base);
        model.addAttribute("setUp", journal.entry(entry).orElseThrow().sequence());
        model.addAttribute("place", state.geodesy().position(base.ground().place(ReferenceEllipsoid.WGS84)).map(settings::place)
                .orElse(""));
        model.addAttribute("measured", state.bases().measuredFrom(base));
        model.addAttribute("names", PointNames.offered(state).stream().map(PointName::text).toList());
        model.addAttribute("unit", f.lengthUnit().symbol());
        model.addAttribute("byMarks", BaseByMark.of(journal, base.mark()).stream().map(b -> {
            List<JobSettings.Coordinate> plan = settings.coordinates(b.base().plan());
            return new ByMark(b.mark().text(), settings.place(b.base()), plan.get(0).figure(), plan.get(1).figure(),
                    b.base().elevation().map(e -> f.bare(e.asLength())).orElse(""));
        }).toList());
        return "base/correct";
    }

    @GetMapping(TO_BENCH + "/{entry}/report")
    String report(@PathVariable UUID job, @PathVariable UUID entry, Model model) {
        model.addAllAttributes(report.model(job, entry));
        return "report/base";
    }

    @GetMapping(TO_BENCH + "/{entry}/report.pdf")
    ResponseEntity<byte[]> pdf(@PathVariable UUID job, @PathVariable UUID entry) {
        return press.file("report/base", report.model(job, entry));
    }

    @PostMapping("/base/{entry}/correct/preview")
    @ResponseBody
    Seen preview(@PathVariable UUID job, @PathVariable UUID entry, @RequestParam MultiValueMap<String, String> sent) {
        return Seen.of(corrections.preview(job, entry, new BaseForm(Answers.of(sent))));
    }

    @PostMapping("/base/{entry}/correct")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void write(@PathVariable UUID job, @PathVariable UUID entry, @RequestParam UUID id, @RequestParam(defaultValue = "") String reason,
            @RequestParam(required = false) Long asOf, @RequestParam MultiValueMap<String, String> sent, Principal person) {
        corrections.write(job, entry, new BaseForm(Answers.of(sent)), reason,
                Optional.ofNullable(asOf).map(OptionalLong::of).orElse(OptionalLong.empty()), new Author(id, person.getName(), "page"));
    }
}
