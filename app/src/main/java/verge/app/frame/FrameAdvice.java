package verge.app.frame;

import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.core.annotation.AnnotatedElementUtils;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerMapping;
import verge.app.account.Account;
import verge.app.account.AccountService;
import verge.app.base.BaseViews;
import verge.app.practice.PracticeService;
import verge.app.fieldbook.BookText;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.job.SettingsWords;
import verge.app.journal.JournalService;
import verge.app.live.InstrumentViews;
import verge.app.pole.PrismTable;
import verge.app.problem.ProblemWords;
import verge.app.receiver.ReceiverViews;
import verge.app.walkround.WalkRoundService;
import verge.app.words.StationWords;
import verge.core.check.Finding;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.points.Origin;
import verge.core.problem.Problem;
import verge.core.units.Figures;
import verge.core.units.PlanAxes;

/** Puts the notebook's frame round every page of a job, and the person's paint round every page. */
@ControllerAdvice(annotations = Controller.class)
class FrameAdvice {
    /** Benches that belong to measuring without standing under its address. */
    private static final List<String> OF_MEASURING = List.of("/strings", "/attributes", "/codes", "/photos", "/gaps");
    private static final int MOST_LINES_NAMED = 5;
    private static final int FOOT_LINES = 10;

    private final AccountService accounts;
    private final JobService jobs;
    private final JournalService journals;
    private final PracticeService practice;
    private final InstrumentViews instruments;
    private final ReceiverViews receivers;
    private final BaseViews bases;
    private final SettingsWords settingsWords;
    private final BookText bookText;
    private final WalkRoundService walkRound;
    private final ProblemWords problems;

    FrameAdvice(AccountService accounts, JobService jobs, JournalService journals, PracticeService practice,
            InstrumentViews instruments, ReceiverViews receivers, BaseViews bases, SettingsWords settingsWords, BookText bookText,
            WalkRoundService walkRound, ProblemWords problems) {
        this.accounts = accounts;
        this.jobs = jobs;
        this.journals = journals;
        this.practice = practice;
        this.instruments = instruments;
        this.receivers = receivers;
        this.bases = bases;
        this.settingsWords = settingsWords;
        this.bookText = bookText;
        this.walkRound = walkRound;
        this.problems = problems;
    }

    @ModelAttribute
    void paint(Principal person, Model model) {
        Account account = person == null ? null : accounts.find(person.getName()).orElse(null);
        model.addAttribute("paint", account == null ? "day" : account.paint());
        model.addAttribute("person", account == null ? "" : account.fullName());
    }

    @ModelAttribute
    void frame(HttpServletRequest request, @PathVariable(name = "job", required = false) UUID job, Model model) {
        if (job != null && isPage(request)) {
            // before the rest: what changes meanwhile is told on the next page
            model.addAttribute("figuresMark", FiguresInForce.mark(journals.state(job).settings()));
            model.addAttribute("frame", view(job, request.getRequestURI()));
        }
    }

    /**
     * What is answered in JSON has no frame round it, nor has what is sent; unless it is a page's own address with more in it than an
     * address can hold.
     */
    private static boolean isPage(HttpServletRequest request) {
        return !(request.getAttribute(HandlerMapping.BEST_MATCHING_HANDLER_ATTRIBUTE) instanceof HandlerMethod method) ? request.getMethod()
                .equals("GET")
                : isAsked(method) && !AnnotatedElementUtils.hasAnnotation(method.getMethod(), ResponseBody.class)
                && !AnnotatedElementUtils.hasAnnotation(method.getBeanType(), ResponseBody.class);
    }

    private static boolean isAsked(HandlerMethod method) {
        RequestMapping mapping = AnnotatedElementUtils.findMergedAnnotation(method.getMethod(), RequestMapping.class);
        return mapping != null && List.of(mapping.method()).contains(RequestMethod.GET);
    }

    private FrameView view(UUID id, String path) {
        Job job = jobs.job(id);
        Journal journal = journals.journal(id);
        JobState state = journal.state();
        Figures figures = state.settings().figures();
        List<BookText.FootLine> foot = journal.after(journal.entries().size() - FOOT_LINES).stream()
                .map(e -> bookText.footLine(journal, e)).toList();
        String leaf = state.leaves().open().map(l -> "leaf " + l.number() + " \u00b7 " + StationWords.of(l.written())).orElse("");
        FrameView.Says says = new FrameView.Says(job.name(), jobs.site(job.siteId()).name(), settingsWords.system(state.settings()),
                settingsWords.speaks(state.settings()), figures.lengthUnit().symbol(), leaf,
                state.floor().here().map(s -> s.floor().name()).orElse(""), practice.ground(id).isPresent());
        FrameView.Held held = state.target().map(t -> new FrameView.Held(figures.length(t.height()),
                Figures.metric().small(t.prismConstant()), figures.bare(t.height()), PrismTable.typed(t), state.prism()))
                .orElse(new FrameView.Held("", "", "", "", state.prism()));
        return new FrameView(id, job.siteId(), says, held, trouble(job), axes(figures.axes()), tabs(state, path), foot,
                instruments.view(id, state), receivers.view(id, state).orElse(null),
                bases.view(id, state).filter(b -> !b.title().isEmpty()).orElse(null), mark(id, journal));
    }

    private static String lines(List<Long> numbers) {
        return (numbers.size() == 1 ? "line " : "lines ") + numbers.stream().limit(MOST_LINES_NAMED).map(String::valueOf)
                .collect(Collectors.joining(", ")) + (numbers.size() > MOST_LINES_NAMED ? " and more" : "");
    }

    private ProblemWords.Said trouble(Job job) {
        List<Long> unread = journals.state(job.id()).unreadLines();
        return journals.damage(job.id()).map(d -> problems.say(Problem.JOURNAL_DAMAGED, List.of(d.line())))
                .orElse(!unread.isEmpty() ? problems.say(Problem.LINES_UNREAD, List.of(lines(unread))) : job.archived()
                ? problems.say(Problem.JOB_PUT_AWAY, List.of()) : null);
    }

    private FrameView.WalkRoundMark mark(UUID job, Journal journal) {
        List<Finding> open = walkRound.open(job, journal);
        return new FrameView.WalkRoundMark(open.size(), open.stream().findFirst()
                .map(f -> f.kind().weight().name().toLowerCase(Locale.ROOT)).orElse(""));
    }

    private static List<FrameView.Axis> axes(PlanAxes axes) {
        FrameView.Axis north = new FrameView.Axis("northing", axes.north(), axes.northName());
        FrameView.Axis east = new FrameView.Axis("easting", axes.east(), axes.eastName());
        return axes.northFirst() ? List.of(north, east) : List.of(east, north);
    }

    private static List<FrameView.Tab> tabs(JobState state, String path) {
        return Arrays.stream(Phase.values()).map(phase -> new FrameView.Tab(phase.title(), phase.initials(), phase.path(), phase.key(),
                path.endsWith("/" + phase.path()) || path.contains("/" + phase.path() + "/") || phase == Phase.MEASURE
                && OF_MEASURING.stream().anyMatch(path::contains) || phase == Phase.PREPARE
                && (path.endsWith("/ground") || path.endsWith("/floors") || path.endsWith("/walk-round")),
                done(phase, state))).toList();
    }

    private static boolean done(Phase phase, JobState state) {
        return switch (phase) {
            case PREPARE -> state.points().count(Origin.CONTROL) > 0;
            case SET_UP -> state.leaves().open().isPresent();
            case MEASURE, COMPUTE, STAKE, HAND_OVER -> false;
        };
    }
}
