package verge.app.receiver;

import java.io.IOException;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.HttpStatus;
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
import org.springframework.web.multipart.MultipartFile;
import verge.app.device.StandIns;
import verge.app.form.Answers;
import verge.app.journal.JournalService;
import verge.app.problem.ProblemWords;
import verge.core.job.JobState;
import verge.core.occupation.Limits;
import verge.core.occupation.Manner;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.RadioChannel;
import verge.core.units.Angle;
import verge.core.units.Decimals;
import verge.core.units.Length;
import verge.core.units.LengthUnit;
import verge.instruments.ntrip.CasterSetting;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.receiver.ReceiverSnapshot;
import verge.instruments.receiver.Receiver;

/** The bench for a satellite receiver: its link, its sky, corrections, antenna, how it is set. */
@Controller
@RequestMapping("/jobs/{job}")
class ReceiverController {
    private static final double FARTHEST_LIMIT = 10;
    private static final double OLDEST_SECONDS = 120;
    private static final double WORST_PDOP = 50;
    private static final double STEEPEST_DEGREES = 80;
    private static final String TO_BENCH = "/setup/receiver";

    private final ReceiverDesk desk;
    private final ReceiverViews views;
    private final AntennaTable antennas;
    private final StandIns standIns;
    private final ReceiverBench bench;
    private final JournalService journals;
    private final ProblemWords words;

    ReceiverController(ReceiverDesk desk, ReceiverViews views, AntennaTable antennas, StandIns standIns, ReceiverBench bench,
            JournalService journals, ProblemWords words) {
        this.desk = desk;
        this.views = views;
        this.antennas = antennas;
        this.standIns = standIns;
        this.bench = bench;
        this.journals = journals;
        this.words = words;
    }

    @GetMapping(TO_BENCH)
    String bench(@PathVariable UUID job, Model model) {
        JobState state = journals.state(job);
        bench.show(Seat.rover(job), standIns.receivers(), model);
        model.addAttribute("view", views.view(job, state).orElse(null));
        model.addAttribute("sky", views.sky(job, state).orElse(null));
        model.addAttribute("caster", known(job).orElse(null));
        ReceiverBench.showRadio(desk.snapshot(Seat.rover(job)).flatMap(ReceiverSnapshot::condition).flatMap(ReceiverCondition::radio)
                .flatMap(ConditionWords::channel).orElse(RadioChannel.USUAL), model);
        model.addAttribute("baseChannel", state.bases().open().flatMap(b -> b.sending().channel()).orElse(null));
        Manner manner = desk.how(Seat.rover(job)).manner();
        model.addAttribute("manner", manner);
        model.addAttribute("limitPlan", state.settings().figures().bare(manner.limits().plan()));
        model.addAttribute("limitHeight", state.settings().figures().bare(manner.limits().height()));
        return "receiver/receiver";
    }

    private static String back(UUID job) {
        return "redirect:/jobs/" + job + TO_BENCH;
    }

    @PostMapping("/receiver/corrections")
    String corrections(@PathVariable UUID job, @ModelAttribute CasterForm form) {
        desk.corrections(Seat.rover(job), Optional.of(form.parse(known(job))));
        return back(job);
    }

    @PostMapping("/receiver/corrections/none")
    String noCorrections(@PathVariable UUID job) {
        desk.corrections(Seat.rover(job), Optional.empty());
        return back(job);
    }

    private Optional<CasterSetting> known(UUID job) {
        return desk.receiver(Seat.rover(job)).flatMap(KnownReceiver::caster);
    }

    /** The streams that a caster offers, as a part of the bench. @throws SurveyException as {@link ReceiverBench#streams} */
    @PostMapping("/receiver/streams")   // a password has no place in an address
    String streams(@PathVariable UUID job, @ModelAttribute CasterForm form, Model model) {
        model.addAttribute("streams", bench.streams(Seat.rover(job), form, known(job)));
        return "receiver/parts :: streams";
    }

    /** The antenna as it is typed, drawn to scale, as a part of the bench; or what is wrong with it. */
    @GetMapping("/receiver/antenna/drawn")
    String drawn(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent, Model model) {
        model.addAttribute("words", words);
        model.addAttribute("drawing", AntennaDrawing.of(bench.antenna(Seat.rover(job), Answers.of(sent)),
                journals.state(job).settings().figures()));
        return "receiver/parts :: drawing";
    }

    @PostMapping("/receiver/antennas")
    String typeAntenna(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent) {
        antennas.type(job, Answers.of(sent), journals.state(job).settings().figures().lengthUnit());
        return back(job);
    }

    @PostMapping("/receiver/antennas/file")
    String takeAntenna(@PathVariable UUID job, @RequestParam MultipartFile file, @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String reading) throws IOException {
        antennas.take(job, antennas.read(file.getInputStream(), String.valueOf(file.getOriginalFilename()), reading), name);
        return back(job);
    }

    /** How a point is made. @throws SurveyException NOT_A_LENGTH, OUT_OF_RANGE */
    @PostMapping("/receiver/manner")
    String manner(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent) {
        Answers a = Answers.of(sent);
        LengthUnit unit = journals.state(job).settings().figures().lengthUnit();
        Limits usual = Limits.USUAL;
        Limits limits = new Limits(a.metres("plan", "\u03c3 in plan", unit, FARTHEST_LIMIT).map(Length::new).orElse(usual.plan()),
                a.metres("height", "\u03c3 in height", unit, FARTHEST_LIMIT).map(Length::new).orElse(usual.height()),
                a.number("age", "age of the corrections", 0, OLDEST_SECONDS), a.number("pdop", "PDOP", 1, WORST_PDOP),
                Angle.ofDegrees(a.number("tilt", "lean of the pole", 0, STEEPEST_DEGREES)));
        desk.manner(Seat.rover(job), new Manner(a.count("epochs", "number of solutions", 1, Integer.MAX_VALUE), a.ticked("waits"), limits));
        return back(job);
    }

    /** On which channel its radio listens; it sends nothing. Fails as {@link Receiver#set}. */
    @PostMapping("/receiver/radio")
    CompletableFuture<String> radio(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent) {
        RadioChannel channel = ReceiverBench.channel(Answers.of(sent));
        return desk.ready(Seat.rover(job))
                .set("RADIO", Double.toString(channel.megahertz()), Double.toString(channel.kilohertzApart()), channel.modulation(), "0")
                .thenApply(done -> back(job));
    }

    /** @param what MASK, SYSTEMS, TILT, LOG or INITIALISE; fails as {@link Receiver#set} */
    @PostMapping("/receiver/set")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @ResponseBody
    CompletableFuture<Void> set(@PathVariable UUID job, @RequestParam String what, @RequestParam(defaultValue = "") String value) {
        Receiver receiver = desk.ready(Seat.rover(job));
        return switch (what.toUpperCase(Locale.ROOT)) {
            case "MASK" -> receiver.set("MASK", Double.toString(mask(value)));
            case "SYSTEMS" -> receiver.set("SYSTEMS", systems(value));
            case "TILT", "LOG" -> receiver.set(what.toUpperCase(Locale.ROOT), value.equals("1") ? "1" : "0");
            case "INITIALISE" -> receiver.set("INITIALISE");
            default -> throw new SurveyException(Problem.NOT_FOUND, what);
        };
    }

    private static double mask(String typed) {
        return Decimals.parse(typed.replace("\u00b0", "")).filter(d -> d >= 0 && d < 90)
                .orElseThrow(() -> new SurveyException(Problem.OUT_OF_RANGE, "elevation mask", typed, "0\u00b0", "90\u00b0"));
    }

    /** Letters only, each once: nothing else may get into a sentence. */
    private static String systems(String typed) {
        String letters = typed.toUpperCase(Locale.ROOT).chars().filter(c -> "GREC".indexOf(c) >= 0).distinct()
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append).toString();
        if (letters.isEmpty()) {
            throw new SurveyException(Problem.MISSING, "system of satellites");
        }
        return letters;
    }
}
