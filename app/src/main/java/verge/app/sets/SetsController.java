package verge.app.sets;

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
import verge.app.journal.Author;
import verge.app.points.PointNames;
import verge.app.points.SitePoints;
import verge.app.pole.PrismTable;
import verge.app.setup.SetupWords;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.points.Origin;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Face;
import verge.core.sets.Round;
import verge.core.sets.SetMark;
import verge.core.sets.SetReduction;
import verge.core.settings.JobSettings;
import verge.core.units.Angle;
import verge.core.units.Decimals;
import verge.core.units.Figures;

/** The bench for sets of directions. */
@Controller
@RequestMapping("/jobs/{job}/setup/sets")
class SetsController {
    private final SetsService sets;
    private final SitePoints sitePoints;
    private final PrismTable prisms;

    SetsController(SetsService sets, SitePoints sitePoints, PrismTable prisms) {
        this.sets = sets;
        this.sitePoints = sitePoints;
        this.prisms = prisms;
    }

    /** A mark's means in finished text. @param known whether it is a known point already */
    record MeanLine(String mark, String direction, String sigmaDirection, String zenith, String sigmaZenith, String distance,
            String sigmaDistance, int sets, boolean known) {
    }

    /** What a set has left at a mark. */
    record ResidualLine(int set, String mark, String direction, String zenith, String distance, String collimation, boolean takenOut,
            String reason) {
    }

    /** A new mark with its coordinates, to be seen before it joins. */
    record NewMark(String mark, String place, String sigma, String how) {
    }

    @GetMapping
    String bench(@PathVariable UUID job, Model model) {
        JobState state = sitePoints.state(job);
        Optional<Round> round = sets.current(state);
        Figures f = state.settings().figures();
        model.addAttribute("names", PointNames.offered(state));
        model.addAttribute("prisms", prisms.of(job));
        model.addAttribute("unit", f.lengthUnit().symbol());
        model.addAttribute("setUp", state.leaves().open().isPresent());
        model.addAttribute("round", round.map(Round::entry).orElse(null));
        model.addAttribute("next", round.flatMap(Round::next).map(NextStep::of).orElse(null));
        model.addAttribute("planned", round.map(r -> SetKinds.planned(r.plan())).orElse(""));
        model.addAttribute("done", round.map(r -> r.shots().size()).orElse(0));
        model.addAttribute("all", round.map(r -> r.steps().size()).orElse(0));
        model.addAttribute("usualMarks",
                state.leaves().open().map(l -> l.written().arrangement().sightings().stream().map(s -> s.mark().text())
                .reduce((a, b) -> a + ", " + b).orElse("")).orElse(""));
        round.ifPresent(r -> reduced(model, state, r));
        return "sets/sets";
    }

    private static void reduced(Model model, JobState state, Round round) {
        Figures f = state.settings().figures();
        SetReduction.Result result = round.reduced();
        model.addAttribute("means", result.means().stream().map(m -> mean(state, m, f)).toList());
        model.addAttribute("residuals",
                result.residuals().stream().map(r -> new ResidualLine(r.set(), r.mark().text(), signed(r.direction()), signed(r.zenith()),
                r.distance().map(f::difference).orElse(""), signed(new Angle(r.faces().direction().radians() / 2)), false, "")).toList());
        model.addAttribute("takenOut", round.shots().stream().filter(s -> s.takenOut().isPresent())
                .map(s -> new ResidualLine(s.set(), s.mark().text(), "", "", "", "", true, s.takenOut().orElse("")))
                .distinct().toList());
        model.addAttribute("sigmas", sigmas(result, f));
        model.addAttribute("newMarks", round.next().isPresent() ? List.of() : round.plan().marks().stream()
                .filter(m -> state.points().find(m.name(), Origin.CONTROL).isEmpty())
                .flatMap(m -> newMark(state, round, m).stream()).toList());
    }

    private static MeanLine mean(JobState state, SetReduction.MarkMean m, Figures f) {
        return new MeanLine(m.mark().text(), SetsService.circle(f, m.direction()), m.sigmaDirection().map(SetupWords::seconds).orElse(""),
                SetsService.circle(f, m.zenith()),
                m.sigmaZenith().map(SetupWords::seconds).orElse(""), m.slope().map(f::bare).orElse(""),
                m.sigmaSlope().map(f::small).orElse(""), m.sets(),
                state.points().find(m.mark(), Origin.CONTROL).isPresent());
    }

    private static Optional<NewMark> newMark(JobState state, Round round, SetMark mark) {
        JobSettings settings = state.settings();
        return state.carried(round, mark.name()).map(o -> new NewMark(mark.name().text(), settings.place(o.position()),
                "\u03c3 " + settings.figures().small(o.sigma().plan()) + " in plan, " + settings.figures().small(o.sigma().up())
                + " in height",
                round.plan().sets() + " sets from " + state.leaves().find(round.plan().setup()).map(l -> l.written().station().text())
                .orElse("")
                + ", oriented by the known marks among them"));
    }

    private static String sigmas(SetReduction.Result r, Figures f) {
        return r.sigmaDirection().map(d -> "In one set: direction \u03c3 " + SetupWords.seconds(d) + r.sigmaZenith()
                .map(z -> ", zenith \u03c3 " + SetupWords.seconds(z)).orElse("")
                + r.sigmaDistance().map(s -> ", distance \u03c3 " + f.small(s)).orElse("") + ".").orElse("");
    }

    private static String signed(Angle angle) {
        return Decimals.showSigned(angle.arcSeconds(), 1) + "\u2033";
    }

    @PostMapping("/plan")
    String plan(@PathVariable UUID job, @RequestParam String marks, @RequestParam String count, @RequestParam String targetHeight,
            @RequestParam String prismConstant,
            @RequestParam(defaultValue = "30") String directions, @RequestParam(defaultValue = "5") String distance, Principal person) {
        sets.plan(job, marks, count, targetHeight, prismConstant, directions, distance, Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/setup/sets";
    }

    /** A pointing that is to be read, as a request names it, and in words. */
    record NextStep(int set, String mark, int face, String words) {
        static NextStep of(Round.Step s) {
            return new NextStep(s.set(), s.mark().text(), s.face() == Face.ONE ? 1 : 2, SetsService.words(s));
        }
    }

    /**
     * How the sets stand.
     *
     * @param next what is to be read, or null
     * @param before this pointing was stored by an earlier request whose answer was lost: nothing was measured now
     */
    record Progress(int done, int all, NextStep next, boolean before) {
    }

    /** Reads one pointing, which the request names: a repeated request must not be answered with the next one. */
    @PostMapping("/{plan}/pointings")
    @ResponseBody
    CompletableFuture<Progress> read(@PathVariable UUID job, @PathVariable UUID plan, @RequestParam UUID id, @RequestParam int set,
            @RequestParam String mark,
            @RequestParam int face, @RequestParam(defaultValue = "true") boolean turn, Principal person) {
        Round.Step step = new Round.Step(set, PointName.parse(mark), face == 2 ? Face.TWO : Face.ONE);
        return sets.read(job, id, plan, step, turn, person.getName()).thenApply(kept -> {
            Round r = sitePoints.state(job).sets().find(plan).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "these sets"));
            return new Progress(r.shots().size(), r.steps().size(), r.next().map(NextStep::of).orElse(null), kept.before());
        });
    }

    @PostMapping("/{plan}/take-out")
    String takeOut(@PathVariable UUID job, @PathVariable UUID plan, @RequestParam int set, @RequestParam(defaultValue = "") String mark,
            @RequestParam(defaultValue = "") String reason, Principal person) {
        sets.takeOut(job, plan, set, mark, reason, Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/setup/sets";
    }

    @PostMapping("/{plan}/carry")
    String carry(@PathVariable UUID job, @PathVariable UUID plan, @RequestParam String mark, Principal person) {
        sets.carry(job, plan, mark, Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/setup/sets";
    }
}
