package verge.app.setup;

import java.security.Principal;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import verge.app.device.InstrumentDesk;
import verge.app.device.PracticeService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.points.PointNames;
import verge.app.points.SitePoints;
import verge.core.journal.JobState;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.instruments.port.InstrumentCondition;
import verge.instruments.port.InstrumentSnapshot;

/** The bench for connecting and setting up. */
@Controller
@RequestMapping("/jobs/{job}/setup")
class SetupController {
    private final SetupService setups;
    private final JournalService journals;
    private final SitePoints sitePoints;
    private final InstrumentDesk desk;
    private final PracticeService practice;

    SetupController(SetupService setups, JournalService journals, SitePoints sitePoints, InstrumentDesk desk, PracticeService practice) {
        this.setups = setups;
        this.journals = journals;
        this.sitePoints = sitePoints;
        this.desk = desk;
        this.practice = practice;
    }

    @GetMapping
    String bench(@PathVariable UUID job, Model model) {
        JobState state = sitePoints.state(job);
        Optional<InstrumentSnapshot> instrument = desk.snapshot(job);
        Optional<SetupService.Proposal> proposal = setups.proposal(job);
        model.addAttribute("names", PointNames.offered(state));
        model.addAttribute("connected", instrument.isPresent());
        model.addAttribute("standInAddress", practice.address().orElse(""));
        model.addAttribute("unit", state.settings().figures().lengthUnit().symbol());
        model.addAttribute("air", state.settings().figures().air());
        model.addAttribute("form", proposal.map(p -> typed(state.settings().figures(), p)).orElseGet(() -> blank(state, instrument)));
        model.addAttribute("check", proposal.map(p -> CheckView.of(p, state.settings().figures())).orElse(null));
        state.openLeaf().ifPresent(leaf -> model.addAttribute("leaf", CheckView.of(
                new SetupService.Proposal(leaf.written(), leaf.solved()), state.settings().figures())));
        return "setup/setup";
    }

    private static SetupForm typed(Figures f, SetupService.Proposal p) {
        return new SetupForm(p.written().station().text(), p.written().backsight().text(), f.bare(p.written().instrumentHeight()),
                f.bare(p.written().target().height()), millimetres(p.written().target().prismConstant().metres()),
                f.air().temperatureTyped(p.written().air().temperatureCelsius()), f.air().pressureTyped(p.written().air().pressureHectopascals()));
    }

    private static SetupForm blank(JobState state, Optional<InstrumentSnapshot> instrument) {
        Figures f = state.settings().figures();
        Optional<InstrumentCondition> air = instrument.flatMap(InstrumentSnapshot::condition);
        return new SetupForm("", "", "", state.target().map(t -> f.bare(t.height())).orElse(""),
                state.target().map(t -> millimetres(t.prismConstant().metres())).orElse(""),
                air.map(c -> f.air().temperatureTyped(c.temperatureCelsius())).orElse(""),
                air.map(c -> f.air().pressureTyped(c.pressureHectopascals())).orElse(""));
    }

    private static String millimetres(double metres) {
        return Decimals.print(metres * 1000, 1);
    }

    @PostMapping("/backsight")
    @ResponseBody
    CompletableFuture<CheckView> measureBacksight(@PathVariable UUID job, @ModelAttribute SetupForm form, Principal person) {
        return setups.measureBacksight(job, form, person.getName()).thenApply(p -> CheckView.of(p, journals.state(job).settings().figures()));
    }

    @PostMapping("/recheck")
    @ResponseBody
    CheckView recheck(@PathVariable UUID job, @ModelAttribute SetupForm form, Principal person) {
        return CheckView.of(setups.recheck(job, form, person.getName()), journals.state(job).settings().figures());
    }

    @PostMapping("/accept")
    String accept(@PathVariable UUID job, @RequestParam UUID id, @RequestParam(defaultValue = "") String reason, Principal person) {
        setups.accept(job, reason, new Author(id, person.getName(), "page"));
        return "redirect:/jobs/" + job + "/measure";
    }

    @PostMapping("/discard")
    String discard(@PathVariable UUID job) {
        setups.discard(job);
        return "redirect:/jobs/" + job + "/setup";
    }
}
