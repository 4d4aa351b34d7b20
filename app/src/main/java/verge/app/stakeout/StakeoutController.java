package verge.app.stakeout;

import java.security.Principal;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Stream;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.util.UriComponentsBuilder;
import verge.app.floor.FloorWords;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.app.points.PointNames;
import verge.app.points.PointService;
import verge.app.points.SitePoints;
import verge.app.problem.ProblemWords;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.problem.SurveyException;
import verge.core.units.Figures;

/** The bench for staking points: the list of what is to be staked, and the guide to one of them. */
@Controller
@RequestMapping("/jobs/{job}/stake")
class StakeoutController {
    private static final int LINES_SHOWN = 200;

    private final StakeoutService stakes;
    private final PointService points;
    private final JournalService journals;
    private final SitePoints sitePoints;
    private final ProblemWords words;

    StakeoutController(StakeoutService stakes, PointService points, JournalService journals, SitePoints sitePoints, ProblemWords words) {
        this.stakes = stakes;
        this.points = points;
        this.journals = journals;
        this.sitePoints = sitePoints;
        this.words = words;
    }

    /** One point of the work list. */
    record WorkLine(String name, String kind, boolean done) {
    }

    /** The points of one kind: control and design never mix in a list. */
    record Group(String title, List<WorkLine> lines) {
    }

    /** What is being staked, in finished text. */
    record AimView(String name, String kind, String elevation, String facing, String facingTyped, String planTolerance,
            String heightTolerance, String next) {
    }

    /** The staking page's own settings, as they stand in its address. */
    record Settings(String facing, String planTolerance, String heightTolerance) {
    }

    @GetMapping
    String bench(@PathVariable UUID job, @RequestParam(defaultValue = "") String point, Settings settings, Model model) {
        JobState state = sitePoints.state(job);
        List<WorkLine> work = work(state);
        List<WorkLine> listed = work.stream().limit(LINES_SHOWN).toList();
        model.addAttribute("work", listed);
        model.addAttribute("groups", Stream.of(new Group("Design", of(listed, Origin.DESIGN)),
                new Group("Computed", of(listed, Origin.COMPUTED)), new Group("Control", of(listed, Origin.CONTROL)))
                .filter(g -> !g.lines().isEmpty()).toList());
        model.addAttribute("total", work.size());
        model.addAttribute("done", work.stream().filter(WorkLine::done).count());
        model.addAttribute("first", work.stream().filter(w -> !w.done()).findFirst().map(WorkLine::name).orElse(null));
        model.addAttribute("unit", state.settings().figures().lengthUnit().symbol());
        model.addAttribute("metresPerUnit", state.settings().figures().lengthUnit().metresPerUnit());
        model.addAttribute("settings", settings);
        if (!point.isBlank()) {
            try {
                StakeoutAim aim = aim(state, point, settings);
                model.addAttribute("aim", view(state, aim, work));
            } catch (SurveyException cannot) {
                model.addAttribute("said", words.say(cannot));
            }
        }
        return "stakeout/stake";
    }

    private static StakeoutAim aim(JobState state, String point, Settings s) {
        return StakeoutAim.parse(state, point, orEmpty(s.facing()), orEmpty(s.planTolerance()), orEmpty(s.heightTolerance()));
    }

    private static String orEmpty(String text) {
        return text == null ? "" : text;
    }

    private static List<WorkLine> work(JobState state) {
        return PointNames.stakeable(state).stream().map(name -> line(state, name)).toList();
    }

    private static List<WorkLine> of(List<WorkLine> lines, Origin origin) {
        return lines.stream().filter(w -> w.kind().equals(origin.word())).toList();
    }

    private static WorkLine line(JobState state, PointName name) {
        String kind = state.points().design(name).map(p -> p.origin().word()).orElse("");
        return new WorkLine(name.text(), kind, state.points().find(name, Origin.STAKED).isPresent());
    }

    private static AimView view(JobState state, StakeoutAim aim, List<WorkLine> work) {
        Figures f = state.settings().figures();
        StoredPoint design = aim.design();
        String kind = design.origin().word();
        String next = work.stream().filter(w -> !w.done() && w.kind().equals(kind) && !w.name().equals(design.name().text()))
                .filter(w -> new PointName(w.name()).compareTo(design.name()) > 0).findFirst().map(WorkLine::name).orElse("");
        return new AimView(design.name().text(), (kind + " " + design.code()).strip(),
                design.position().elevation().map(e -> f.length(e.asLength())).orElse("none"), aim.facingWords(state), aim.facingTyped(),
                f.bare(aim.tolerance().plan()), f.bare(aim.tolerance().height()), next);
    }

    @PostMapping("/design")
    String key(@PathVariable UUID job, @RequestParam String name, @RequestParam String northing, @RequestParam String easting,
            @RequestParam(defaultValue = "") String elevation, Principal person) {
        PointName keyed = points.key(job, name, northing, easting, elevation, Author.atPage(person.getName()));
        return "redirect:" + UriComponentsBuilder.fromPath("/jobs/{job}/stake").queryParam("point", "{point}").encode()
                .buildAndExpand(job, keyed.text()).toUriString();
    }

    /** What was stored, in words for the message strip. */
    record Stored(String said) {
    }

    @PostMapping("/stakes")
    @ResponseBody
    CompletableFuture<Stored> store(@PathVariable UUID job, @RequestParam UUID id, @RequestParam String point,
            @RequestParam(defaultValue = "") String reason, @RequestParam(defaultValue = "") String by, Settings settings,
            Principal person) {
        StakeoutAim aim = aim(sitePoints.state(job), point, settings);
        CompletableFuture<Kept> kept = by.equals("receiver") ? stakes.storeByReceiver(job, id, aim, reason, person.getName())
                : stakes.store(job, id, aim, reason, person.getName());
        return kept.thenApply(k -> new Stored(stored(journals.state(job), k)));
    }

    private static String stored(JobState state, Kept kept) {
        Figures f = state.settings().figures();
        Optional<StoredPoint> point = state.points().of(kept.entry().id()).stream().findFirst();
        String off = point.map(p -> "Stored " + p.name() + p.staked().map(d ->
                ": staked minus design " + state.settings().offset(d.north(), d.east())
                        + d.up().map(u -> ", H " + f.difference(u)).orElse("")).orElse("") + ".").orElse("Stored.")
                        + point.flatMap(p -> FloorWords.elsewhere(state, p)).map(" "::concat).orElse("");
        return kept.before() ? off
                + " That was before the last answer was lost; nothing was measured now. Store again for the place the pole is at." : off;
    }
}
