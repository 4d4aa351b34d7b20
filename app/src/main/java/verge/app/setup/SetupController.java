package verge.app.setup;

import java.security.Principal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
import verge.app.device.InstrumentDesk;
import verge.app.device.StandIns;
import verge.app.journal.Author;
import verge.app.points.PointNames;
import verge.app.points.SitePoints;
import verge.app.pole.PrismTable;
import verge.app.problem.ProblemWords;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.problem.SurveyException;
import verge.core.reading.Target;
import verge.core.settings.JobSettings;
import verge.core.setup.Arrangement;
import verge.core.units.Figures;

/** The bench for setting up. */
@Controller
@RequestMapping("/jobs/{job}/setup")
class SetupController {
    private final SetupService setups;
    private final SetupViews views;
    private final SetupDrawing drawing;
    private final DesignFaces faces;
    private final SitePoints sitePoints;
    private final InstrumentDesk desk;
    private final StandIns standIns;
    private final PrismTable prisms;
    private final ProblemWords words;

    SetupController(SetupService setups, SetupViews views, SetupDrawing drawing, DesignFaces faces, SitePoints sitePoints,
            InstrumentDesk desk,
            StandIns standIns, PrismTable prisms, ProblemWords words) {
        this.setups = setups;
        this.views = views;
        this.drawing = drawing;
        this.faces = faces;
        this.sitePoints = sitePoints;
        this.desk = desk;
        this.standIns = standIns;
        this.prisms = prisms;
        this.words = words;
    }

    @GetMapping
    String bench(@PathVariable UUID job, Model model) {
        JobState state = sitePoints.state(job);
        Figures f = state.settings().figures();
        SetupInHand hand = setups.inHand(job);
        Optional<SetupService.Proposal> proposal = setups.proposal(job);
        SetupForm form = hand.form();
        model.addAttribute("satellites", state.settings().work().tools().equals(Set.of(JobSettings.Tool.SATELLITES)));
        model.addAttribute("names", PointNames.offered(state));
        model.addAttribute("prisms", prisms.of(job));
        model.addAttribute("connected", desk.find(job).isPresent());
        model.addAttribute("known", desk.known(job));
        model.addAttribute("standIn", standIns.instruments());
        model.addAttribute("unit", f.lengthUnit().symbol());
        model.addAttribute("kinds", Arrangement.Kind.values());
        model.addAttribute("words", words);
        model.addAttribute("seen", setups.digest(job));
        model.addAttribute("kind", form.kind());
        model.addAttribute("form", filled(state, form));
        model.addAttribute("zeroKnown", SetupTyped.confirmedBefore(state, form.kind()));
        model.addAttribute("faces", form.kind() == Arrangement.Kind.BUILDING ? faces.names(faces.walls(job, state)) : List.of());
        model.addAttribute("check", proposal.map(p -> views.view(job, p)).orElse(null));
        model.addAttribute("next", proposal.flatMap(p -> p.solution().flatMap(s -> views.next(job, state, p.written(), s)))
                .map(n -> n.mark() + " would bring the error in plan at the work from " + f.small(n.before()) + " to " + f.small(n.after())
                + ".").orElse(""));
        state.leaves().open().ifPresent(leaf -> model.addAttribute("leaf", views.view(leaf.written(), leaf.solved(), state)));
        model.addAttribute("openLeaf", state.leaves().open().map(l -> l.entry()).orElse(null));
        model.addAttribute("leafCount", state.leaves().count());
        return "setup/setup";
    }

    /** Every field that the page has, with what was typed or what is usual. */
    private static Map<String, String> filled(JobState state, SetupForm form) {
        Figures f = state.settings().figures();
        Map<String, String> fields = new HashMap<>();
        for (String field : new String[] {"station", "instrumentHeight", "mark", "azimuth", "north", "east", "elevation", "carried",
                "faces", "heightFrom", "scaleFree",
            "noGroundMark", "face", "level"}) {
            fields.put(field, form.get(field));
        }
        if (fields.get("heightFrom").isEmpty()) {
            fields.put("heightFrom", form.kind() == Arrangement.Kind.KNOWN_POINT
                    || form.kind() == Arrangement.Kind.ASSUMED ? "STATION" : "MARKS");
        }
        fields.put("targetHeight", state.target().map(t -> f.bare(t.height())).orElse(form.get("targetHeight")));
        fields.put("prismConstant", state.target().map(t -> constant(state, t)).orElse(form.get("prismConstant")));
        return fields;
    }

    private static String constant(JobState state, Target target) {
        return state.prism().isEmpty() ? PrismTable.typed(target) : state.prism();
    }

    @PostMapping("/kind")
    String kind(@PathVariable UUID job, @RequestParam String kind) {
        setups.kind(job, kind);
        return "redirect:/jobs/" + job + "/setup";
    }

    @PostMapping("/mark")
    @ResponseBody
    CompletableFuture<SetupView> read(@PathVariable UUID job, @RequestParam Map<String, String> fields, Principal person) {
        return setups.read(job, fields, person.getName()).thenApply(p -> views.view(job, p));
    }

    @PostMapping("/face")
    @ResponseBody
    CompletableFuture<SetupView> readFace(@PathVariable UUID job, @RequestParam Map<String, String> fields, Principal person) {
        return setups.readFace(job, fields, person.getName()).thenApply(p -> views.view(job, p));
    }

    @PostMapping("/recheck")
    @ResponseBody
    SetupView recheck(@PathVariable UUID job, @RequestParam Map<String, String> fields, Principal person) {
        return views.view(job, setups.recheck(job, fields, person.getName()));
    }

    @PostMapping("/marks/{index}/remove")
    String remove(@PathVariable UUID job, @PathVariable int index) {
        setups.remove(job, false, index);
        return "redirect:/jobs/" + job + "/setup";
    }

    @PostMapping("/faces/{index}/remove")
    String removeFace(@PathVariable UUID job, @PathVariable int index) {
        setups.remove(job, true, index);
        return "redirect:/jobs/" + job + "/setup";
    }

    /**
     * A wall that can be shot at. Places are [east, north] in metres of the grid.
     *
     * @param edge what the edge at its first end is called
     */
    record WallBody(String name, String edge, double[] from, double[] to) {
    }

    @GetMapping("/faces")
    @ResponseBody
    List<WallBody> faces(@PathVariable UUID job) {
        return faces.walls(job, sitePoints.state(job)).stream()
                .map(w -> new WallBody(w.name(), DesignFaces.edge(w), new double[] {w.from().easting(), w.from().northing()},
                new double[] {w.to().easting(), w.to().northing()})).toList();
    }

    @PostMapping("/faces/match")
    String match(@PathVariable UUID job) {
        setups.matchFaces(job);
        return "redirect:/jobs/" + job + "/setup";
    }

    /** What of the setup in hand, or else of the open leaf, is drawn into the sketch. */
    @GetMapping("/drawing")
    @ResponseBody
    Optional<SetupDrawing.Drawn> drawing(@PathVariable UUID job) {
        return setups.proposal(job).flatMap(p -> p.solution().map(s -> drawing.draw(job, p.written(), s)));
    }

    /** The target that last stood over a mark, as it would be typed. */
    record LastTarget(String targetHeight, String prismConstant) {
    }

    @GetMapping("/last-target")
    @ResponseBody
    Optional<LastTarget> lastTarget(@PathVariable UUID job, @RequestParam String mark) {
        JobState state = sitePoints.state(job);
        try {
            return state.sets().lastTarget(PointName.parse(mark)).map(t -> new LastTarget(state.settings().figures().bare(t.height()),
                    prisms.with(job, t.prismConstant()).map(p -> p.name()).orElse(PrismTable.typed(t))));
        } catch (SurveyException notAName) {
            return Optional.empty();
        }
    }

    @PostMapping("/accept")
    String accept(@PathVariable UUID job, @RequestParam UUID id, @RequestParam(defaultValue = "") String seen,
            @RequestParam(defaultValue = "") String reason,
            Principal person) {
        UUID leaf = setups.accept(job, seen, reason, new Author(id, person.getName(), "page")).entry().id();
        return "redirect:/jobs/" + job + "/setup/leaves/" + leaf;
    }

    @PostMapping("/discard")
    String discard(@PathVariable UUID job) {
        setups.discard(job);
        return "redirect:/jobs/" + job + "/setup";
    }
}
