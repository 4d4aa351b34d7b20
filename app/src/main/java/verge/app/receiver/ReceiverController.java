package verge.app.receiver;

import java.io.IOException;
import java.util.Comparator;
import java.util.List;
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
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.job.JobState;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.AntennaHeight;
import verge.core.satellite.AntennaModel;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.SolvedPosition;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.LengthText;
import verge.core.units.LengthUnit;
import verge.instruments.ntrip.CasterSetting;
import verge.instruments.ntrip.CorrectionLink;
import verge.instruments.ntrip.SourceTable;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.receiver.ReceiverSnapshot;
import verge.instruments.receiver.StreamReceiver;

/** The bench for a satellite receiver: its link, its sky, corrections, antenna, how it is set. */
@Controller
@RequestMapping("/jobs/{job}")
class ReceiverController {
    private static final double KILOMETRE = 1_000;
    private static final String TO_BENCH = "/setup/receiver";

    private final ReceiverDesk desk;
    private final ReceiverViews views;
    private final AntennaTable antennas;
    private final StandIns standIns;
    private final JournalService journals;
    private final ProblemWords words;

    ReceiverController(ReceiverDesk desk, ReceiverViews views, AntennaTable antennas, StandIns standIns, JournalService journals, ProblemWords words) {
        this.desk = desk;
        this.views = views;
        this.antennas = antennas;
        this.standIns = standIns;
        this.journals = journals;
        this.words = words;
    }

    /** A stream of a caster. @param away how far its base is, as far as the list says; blank if it does not */
    public record StreamLine(String mountpoint, String place, String away, boolean wantsPosition, boolean open, boolean chosen) {
    }

    @GetMapping(TO_BENCH)
    String bench(@PathVariable UUID job, Model model) {
        return shown(job, List.of(), model);
    }

    private String shown(UUID job, List<StreamLine> streams, Model model) {
        JobState state = journals.state(job);
        Figures f = state.settings().figures();
        Optional<KnownReceiver> current = desk.receiver(job);
        Optional<CasterSetting> caster = current.flatMap(KnownReceiver::caster);
        ReceiverDesk.HowMeasured how = desk.how(job);
        model.addAttribute("current", current.orElse(null));
        model.addAttribute("known", desk.known(job));
        model.addAttribute("view", views.view(job, state).orElse(null));
        model.addAttribute("sky", views.sky(job, state).orElse(null));
        model.addAttribute("offered", standIns.receivers());
        model.addAttribute("offeredCaster", standIns.caster().orElse(""));
        model.addAttribute("caster", caster.orElse(null));
        model.addAttribute("streams", streams);
        model.addAttribute("antennas", antennas.of(job));
        model.addAttribute("antenna", how.antenna().map(a -> a.model().name()).orElseGet(() -> told(job)));
        model.addAttribute("height", how.antenna().map(a -> f.bare(a.height().measured())).orElse(""));
        model.addAttribute("to", how.antenna().map(a -> a.height().to()).orElse(AntennaHeight.To.MOUNT));
        model.addAttribute("ways", AntennaHeight.To.values());
        model.addAttribute("drawing", how.antenna().map(a -> AntennaDrawing.of(a, f)).orElse(null));
        model.addAttribute("epochs", how.epochs());
        model.addAttribute("unit", f.lengthUnit().symbol());
        model.addAttribute("words", words);
        return "receiver/receiver";
    }

    /** The antenna that the receiver says it has. */
    private String told(UUID job) {
        return desk.snapshot(job).flatMap(ReceiverSnapshot::condition).map(ReceiverCondition::antenna).map(AntennaTable::tight).orElse("");
    }

    @PostMapping("/receiver")
    String connect(@PathVariable UUID job, @RequestParam String address, @RequestParam(defaultValue = "") String name) {
        desk.connect(job, address, name);
        return back(job);
    }

    @PostMapping("/receiver/known")
    String connectKnown(@PathVariable UUID job, @RequestParam UUID receiver) {
        desk.connectKnown(job, receiver);
        return back(job);
    }

    @PostMapping("/receiver/disconnect")
    String disconnect(@PathVariable UUID job) {
        desk.disconnect(job);
        return back(job);
    }

    private static String back(UUID job) {
        return "redirect:/jobs/" + job + TO_BENCH;
    }

    @PostMapping("/receiver/corrections")
    String corrections(@PathVariable UUID job, @ModelAttribute CasterForm form) {
        desk.corrections(job, Optional.of(form.parse(known(job))));
        return back(job);
    }

    @PostMapping("/receiver/corrections/none")
    String noCorrections(@PathVariable UUID job) {
        desk.corrections(job, Optional.empty());
        return back(job);
    }

    private Optional<CasterSetting> known(UUID job) {
        return desk.receiver(job).flatMap(KnownReceiver::caster);
    }

    /** The streams that a caster offers, the nearest first, as a part of the bench. @throws SurveyException as the form, or CASTER_WITHOUT_TABLE */
    @PostMapping("/receiver/streams")   // a password has no place in an address
    String streams(@PathVariable UUID job, @ModelAttribute CasterForm form, Model model) {
        CasterSetting caster = form.parseForTable(known(job));
        try {
            model.addAttribute("streams", lines(job, CorrectionLink.table(caster), form.mountpoint()));
        } catch (IOException failed) {
            throw new SurveyException(Problem.CASTER_WITHOUT_TABLE, caster.host() + ":" + caster.port(), String.valueOf(failed.getMessage()));
        }
        return "receiver/receiver :: streams";
    }

    private List<StreamLine> lines(UUID job, SourceTable table, String chosen) {
        Optional<EarthPlace> here = desk.snapshot(job).flatMap(ReceiverSnapshot::now).flatMap(SolvedPosition::place);
        return table.streams().stream().sorted(Comparator.comparingDouble(s -> away(s, here))).map(s -> {
            double metres = away(s, here);
            return new StreamLine(s.mountpoint(), s.place(), Double.isFinite(metres) ? Decimals.show(metres / KILOMETRE, 1) + " km" : "", s.wantsPosition(), s.open(), s.mountpoint().equals(chosen));
        }).toList();
    }

    private static double away(SourceTable.Stream stream, Optional<EarthPlace> here) {
        return here.flatMap(h -> stream.at().map(at -> centred(new EarthPlace(at, h.height())).minus(centred(h)).length())).orElse(Double.POSITIVE_INFINITY);
    }

    private static EarthCentred centred(EarthPlace place) {
        return EarthCentred.of(place, ReferenceEllipsoid.WGS84);
    }

    /** The antenna as it is typed, drawn to scale, as a part of the bench; or what is wrong with it. */
    @GetMapping("/receiver/antenna/drawn")
    String drawn(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent, Model model) {
        model.addAttribute("words", words);
        model.addAttribute("drawing", AntennaDrawing.of(typed(job, Answers.of(sent)), journals.state(job).settings().figures()));
        return "receiver/receiver :: drawing";
    }

    @PostMapping("/receiver/antenna")
    String antenna(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent) {
        desk.antenna(job, typed(job, Answers.of(sent)));
        return back(job);
    }

    /** @throws SurveyException MISSING, NAME_UNFIT, NOT_A_LENGTH, OUT_OF_RANGE, or as {@link AntennaOverMark#reference} */
    private AntennaOverMark typed(UUID job, Answers a) {
        LengthUnit unit = journals.state(job).settings().figures().lengthUnit();
        AntennaModel model = antennas.antenna(job, a.text("antenna")).withoutCentres();
        AntennaOverMark made = new AntennaOverMark(model, new AntennaHeight(LengthText.parse(a.required("height", "antenna height"), unit), a.choice("to", AntennaHeight.To.class, AntennaHeight.To.MOUNT)));
        made.reference();
        return made;
    }

    @PostMapping("/receiver/antennas")
    String typeAntenna(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent) {
        antennas.type(job, Answers.of(sent), journals.state(job).settings().figures().lengthUnit());
        return back(job);
    }

    @PostMapping("/receiver/antennas/file")
    String takeAntenna(@PathVariable UUID job, @RequestParam MultipartFile file, @RequestParam(defaultValue = "") String name) throws IOException {
        antennas.take(job, file.getInputStream(), name);
        return back(job);
    }

    @PostMapping("/receiver/epochs")
    String epochs(@PathVariable UUID job, @RequestParam int epochs) {
        desk.epochs(job, epochs);
        return back(job);
    }

    /** @param what MASK, SYSTEMS, TILT, LOG or INITIALISE; fails as {@link StreamReceiver#set} */
    @PostMapping("/receiver/set")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @ResponseBody
    CompletableFuture<Void> set(@PathVariable UUID job, @RequestParam String what, @RequestParam(defaultValue = "") String value) {
        StreamReceiver receiver = desk.ready(job);
        return switch (what.toUpperCase(Locale.ROOT)) {
            case "MASK" -> receiver.set("MASK", Double.toString(mask(value)));
            case "SYSTEMS" -> receiver.set("SYSTEMS", systems(value));
            case "TILT", "LOG" -> receiver.set(what.toUpperCase(Locale.ROOT), value.equals("1") ? "1" : "0");
            case "INITIALISE" -> receiver.set("INITIALISE");
            default -> throw new SurveyException(Problem.NOT_FOUND, what);
        };
    }

    private static double mask(String typed) {
        return Decimals.parse(typed.replace("\u00b0", "")).filter(d -> d >= 0 && d < 90).orElseThrow(() -> new SurveyException(Problem.OUT_OF_RANGE, "elevation mask", typed, "0\u00b0", "90\u00b0"));
    }

    /** Letters only, each once: nothing else may get into a sentence. */
    private static String systems(String typed) {
        String letters = typed.toUpperCase(Locale.ROOT).chars().filter(c -> "GREC".indexOf(c) >= 0).distinct().collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append).toString();
        if (letters.isEmpty()) {
            throw new SurveyException(Problem.MISSING, "system of satellites");
        }
        return letters;
    }
}
