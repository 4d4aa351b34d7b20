package verge.app.leaf;

import java.security.Principal;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import verge.app.fieldbook.BookText;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.points.PointNames;
import verge.app.points.SitePoints;
import verge.app.pole.PrismTable;
import verge.app.setup.SetupDrawing;
import verge.app.setup.SetupView;
import verge.app.setup.SetupViews;
import verge.app.words.StationWords;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.leaf.Leaf;
import verge.core.settings.JobSettings;
import verge.core.setup.StationCheck;
import verge.core.units.Decimals;
import verge.core.units.Figures;

/** A leaf after it was accepted: its checks, its corrections, its end. */
@Controller
@RequestMapping("/jobs/{job}/setup/leaves")
class LeafController {
    private static final int MOVES_SHOWN = 12;

    private final LeafService leaves;
    private final SetupViews views;
    private final SetupDrawing drawing;
    private final JournalService journals;
    private final SitePoints sitePoints;
    private final PrismTable prisms;
    private final BookText text;

    LeafController(LeafService leaves, SetupViews views, SetupDrawing drawing, JournalService journals, SitePoints sitePoints,
            PrismTable prisms, BookText text) {
        this.leaves = leaves;
        this.views = views;
        this.drawing = drawing;
        this.journals = journals;
        this.sitePoints = sitePoints;
        this.prisms = prisms;
        this.text = text;
    }

    /** One leaf in a list. */
    record LeafLine(UUID leaf, int number, String words, String quality, boolean open, boolean closed) {
    }

    @GetMapping
    String list(@PathVariable UUID job, Model model) {
        JobState state = journals.state(job);
        Figures f = state.settings().figures();
        Optional<UUID> open = state.leaves().open().map(Leaf::entry);
        List<LeafLine> lines = state.leaves().all().stream().map(l -> new LeafLine(l.entry(), l.number(), StationWords.of(l.written()),
                "\u03c3 " + f.small(l.station().covariance().position().plan()) + ", " + leaves.checks(job, l).size() + " checks",
                open.equals(Optional.of(l.entry())), state.leaves().isClosed(l.entry()))).toList();
        model.addAttribute("leaves", lines);
        return "leaf/leaves";
    }

    /** The leaf that is worked on, wherever one is; else the list. */
    @GetMapping("/open")
    String open(@PathVariable UUID job) {
        return "redirect:/jobs/" + job + "/setup/leaves" + journals.state(job).leaves().open().map(l -> "/" + l.entry()).orElse("");
    }

    /** A check in words. */
    record CheckLine(String time, String mark, String turned, SetupView.MisfitView across, SetupView.MisfitView distance,
            SetupView.MisfitView height, boolean within, boolean independent) {
    }

    @GetMapping("/{leaf}")
    String leaf(@PathVariable UUID job, @PathVariable UUID leaf, Model model) {
        Journal journal = journals.journal(job);
        JobState state = sitePoints.state(job);
        Leaf found = leaves.leaf(job, leaf);
        Figures f = state.settings().figures();
        List<CheckLine> checks = leaves.checks(job, found).stream().map(c -> line(found, c, state.settings())).toList();
        model.addAttribute("leafId", leaf);
        model.addAttribute("number", found.number());
        model.addAttribute("occupation", StationWords.of(found.written()));
        model.addAttribute("view", views.view(found.written(), found.solved(), state));
        model.addAttribute("reason", found.written().reason());
        model.addAttribute("checks", checks);
        model.addAttribute("unchecked", checks.stream().noneMatch(CheckLine::independent));
        model.addAttribute("drift", drift(leaves.checks(job, found)).orElse(""));
        model.addAttribute("marks", leaves.checkMarks(job, found));
        model.addAttribute("names", PointNames.offered(state));
        model.addAttribute("prisms", prisms.of(job));
        model.addAttribute("open", state.leaves().open().map(l -> l.entry().equals(leaf)).orElse(false));
        model.addAttribute("closed", state.leaves().isClosed(leaf));
        model.addAttribute("unit", f.lengthUnit().symbol());
        model.addAttribute("changes", text.changes(journal, leaf, state.settings().times()::brief));
        return "leaf/leaf";
    }

    private static CheckLine line(Leaf leaf, LeafService.Check c, JobSettings settings) {
        Figures f = settings.figures();
        Optional<StationCheck> o = c.outcome();
        return new CheckLine(settings.times().brief(c.entry().at()), c.taken().mark().text(),
                o.map(x -> Decimals.showSigned(x.turned().arcSeconds(), 0) + "\u2033").orElse(""),
                SetupView.MisfitView.of(o.map(StationCheck::across), f), SetupView.MisfitView.of(o.map(StationCheck::distance), f),
                SetupView.MisfitView.of(o.flatMap(StationCheck::height), f), o.map(StationCheck::within).orElse(false),
                !LeafService.sighted(leaf, c.taken().mark()));
    }

    /** A warning if the last check says that the circle has turned. */
    static Optional<String> drift(List<LeafService.Check> checks) {
        return checks.stream().reduce((first, next) -> next).flatMap(LeafService.Check::outcome).filter(o -> !o.across().within())
                .map(o -> "The instrument has drifted: the last check finds the circle turned by "
                + Decimals.showSigned(o.turned().arcSeconds(), 0)
                        + "\u2033, where " + Decimals.show(3 * o.across().sigma()
                        .metres() / Math.max(1e-9, Math.abs(o.across().difference().metres())) * Math.abs(o.turned().arcSeconds()), 0)
                        + "\u2033 would be chance. Set up again; what was measured since the last good check is doubtful.");
    }

    @GetMapping("/{leaf}/drawing")
    @ResponseBody
    SetupDrawing.Drawn drawing(@PathVariable UUID job, @PathVariable UUID leaf) {
        Leaf found = leaves.leaf(job, leaf);
        return drawing.draw(job, found.written(), found.solved());
    }

    /** What a check found, in words. */
    record Checked(boolean within, String words) {
    }

    @PostMapping("/check")
    @ResponseBody
    CompletableFuture<Checked> check(@PathVariable UUID job, @RequestParam UUID id, @RequestParam String mark,
            @RequestParam(defaultValue = "") String targetHeight,
            @RequestParam(defaultValue = "") String prismConstant, Principal person) {
        return leaves.check(job, id, mark, targetHeight, prismConstant, person.getName()).thenApply(kept -> {
            JobState state = journals.state(job);
            Figures f = state.settings().figures();
            String before = kept.before()
                    ? " That was before the last answer was lost; nothing was read now. Read again for the mark the pole is on." : "";
            return state.leaves().open().flatMap(l -> leaves.checks(job, l).stream().filter(c -> c.entry().id().equals(kept.entry().id()))
                    .findFirst()).flatMap(LeafService.Check::outcome)
                    .map(o -> new Checked(o.within(), (o.within() ? "The setup holds: " : "The setup does not hold: ")
                    + LeafKinds.differences(o, f) + "." + before))
                    .orElse(new Checked(false, "The mark is no longer known."));
        });
    }

    @PostMapping("/{leaf}/close")
    String close(@PathVariable UUID job, @PathVariable UUID leaf, Principal person) {
        leaves.close(job, leaf, Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/setup/leaves/" + leaf;
    }

    @PostMapping("/{leaf}/reopen")
    String reopen(@PathVariable UUID job, @PathVariable UUID leaf, Principal person) {
        leaves.reopen(job, leaf, Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/setup/leaves/" + leaf;
    }
}
