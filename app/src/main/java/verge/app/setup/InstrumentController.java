package verge.app.setup;

import java.security.Principal;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import verge.app.device.CalibrationService;
import verge.app.device.Drivers;
import verge.app.device.InstrumentDesk;
import verge.app.device.InstrumentSettings;
import verge.app.device.InstrumentWatch;
import verge.app.device.LinkForm;
import verge.app.device.StandIns;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.points.SitePoints;
import verge.app.pole.PrismTable;
import verge.app.problem.ProblemWords;
import verge.core.calibration.TwoFaceCalibration;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.job.Reach;
import verge.core.leaf.Leaf;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.reduction.AirEffect;
import verge.core.units.Angle;
import verge.core.units.AngleText;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.instruments.port.InstrumentSnapshot;
import verge.instruments.port.InstrumentSwitches;
import verge.instruments.port.TotalStation;

/** The bench for the instrument itself: links, level, air, prisms, modes, axis errors. */
@Controller
@RequestMapping("/jobs/{job}")
class InstrumentController {
    private final InstrumentDesk desk;
    private final InstrumentWatch watch;
    private final InstrumentSettings settings;
    private final CalibrationService calibrations;
    private final Drivers drivers;
    private final PrismTable prisms;
    private final StandIns standIns;
    private final JournalService journals;
    private final SitePoints sitePoints;
    private final ProblemWords words;

    InstrumentController(InstrumentDesk desk, InstrumentWatch watch, InstrumentSettings settings, CalibrationService calibrations,
            Drivers drivers, PrismTable prisms, StandIns standIns,
            JournalService journals, SitePoints sitePoints, ProblemWords words) {
        this.desk = desk;
        this.watch = watch;
        this.settings = settings;
        this.calibrations = calibrations;
        this.drivers = drivers;
        this.prisms = prisms;
        this.standIns = standIns;
        this.journals = journals;
        this.sitePoints = sitePoints;
        this.words = words;
    }

    @GetMapping("/setup/instrument")
    String bench(@PathVariable UUID job, Model model) {
        JobState state = sitePoints.state(job);
        Figures f = state.settings().figures();
        Reach reach = Reach.of(journals.journal(job));
        model.addAttribute("connected", desk.find(job).isPresent());
        model.addAttribute("known", desk.known(job));
        model.addAttribute("current", desk.instrument(job).orElse(null));
        model.addAttribute("standIn", standIns.instruments());
        model.addAttribute("drivers", drivers.instruments());
        model.addAttribute("kinds", drivers.instruments().stream().flatMap(d -> d.links().stream()).distinct().sorted().toList());
        model.addAttribute("words", words);
        model.addAttribute("airUnits", f.air());
        model.addAttribute("limit", Decimals.print(desk.levelLimit(job).arcSeconds(), 0));
        model.addAttribute("tilt", tilt(job, reach, f));
        settings.air(job).ifPresent(air -> air(model, job, air, reach, f));
        model.addAttribute("refraction", Decimals.print(settings.refraction(job), 2));
        model.addAttribute("times", settings.times(job));
        model.addAttribute("prisms", prisms.of(job).stream().map(p -> new PrismLine(p.id(), p.name(), Figures.metric().small(p.constant())))
                .toList());
        model.addAttribute("pairs", calibrations.pairs(job).size());
        model.addAttribute("determined", determined(calibrations.pairs(job), calibrations.sigma(job)).orElse(null));
        settings.calibration(job).ifPresent(c -> {
            model.addAttribute("calibration",
                    Determined.of(TwoFaceCalibration.determine(c.determined().pairs(), c.determined().sigmaAngle())));
            model.addAttribute("applied", c.determined().applied());
            model.addAttribute("calibratedAt", age(c.at()));
        });
        return "setup/instrument";
    }

    record PrismLine(UUID id, String name, String constant) {
    }

    /** Axis errors with their standard deviations, in words. */
    record Determined(String collimation, String trunnion, String index, String spread) {
        static Determined of(TwoFaceCalibration.Result r) {
            return new Determined(with(r.errors().collimation(), r.sigmaCollimation()),
                    r.trunnionFound() ? with(r.errors().trunnion(), r.sigmaTrunnion())
                    : "not found: no steep sight among them", with(r.errors().index(), r.sigmaIndex()),
                    SetupWords.seconds(r.sigmaReading()));
        }

        private static String with(Angle value, Angle sigma) {
            return Decimals.showSigned(value.arcSeconds(), 1) + "\u2033, \u03c3 " + SetupWords.seconds(sigma);
        }
    }

    private static Optional<Determined> determined(List<TwoFaceCalibration.Pair> pairs, Angle sigma) {
        return pairs.size() < TwoFaceCalibration.FEWEST_PAIRS ? Optional.empty()
                : Optional.of(Determined.of(TwoFaceCalibration.determine(pairs, sigma)));
    }

    /** What the tilt that is left does to a direction where the job looks most steeply. */
    private String tilt(UUID job, Reach reach, Figures f) {
        return desk.snapshot(job).flatMap(InstrumentSnapshot::condition).map(c -> {
            double effect = c.tilt().arcSeconds() * Math.tan(Math.min(reach.steepest().radians(), Math.toRadians(85)));
            String steep = AngleText.direction(reach.steepest(), f.angles().unit(), 0);
            boolean on = desk.snapshot(job).flatMap(InstrumentSnapshot::switches).map(InstrumentSwitches::compensator).orElse(true);
            return "At this job\u2019s steepest sight, " + steep + " off level, this tilt turns a direction by up to "
                    + Decimals.show(effect, 1) + "\u2033"
                    + (on ? "; the compensator takes it off." : ", and the compensator is off.");
        }).orElse("");
    }

    private void air(Model model, UUID job, InstrumentSettings.AirInUse air, Reach reach, Figures f) {
        model.addAttribute("airNow", f.air().temperature(air.air().temperatureCelsius()) + ", " + f.air()
                .pressure(air.air().pressureHectopascals()));
        model.addAttribute("airFrom", (air.typed() ? "typed " : "the instrument\u2019s sensors, ") + age(air.at()));
        model.addAttribute("airTyped", air.typed());
        model.addAttribute("temperature", f.air().temperatureTyped(air.air().temperatureCelsius()));
        model.addAttribute("pressure", f.air().pressureTyped(air.air().pressureHectopascals()));
        desk.snapshot(job).flatMap(InstrumentSnapshot::identity).ifPresent(i -> {
            AirEffect e = AirEffect.of(i.distanceMeter(), air.air(), reach.longest());
            model.addAttribute("ppm", Decimals.showSigned(e.ppm(), 1) + " ppm");
            model.addAttribute("worth", "At this job\u2019s longest sight, " + f.length(reach.longest()) + ", each degree Celsius is worth "
                    + millimetres(e.perDegree().metres())
                    + " and each hectopascal " + millimetres(e.perHectopascal().metres()) + ".");
        });
    }

    private static String millimetres(double metres) {
        return Decimals.showSigned(metres * 1000, 2) + " mm";
    }

    private static String age(Instant at) {
        long minutes = Duration.between(at, Instant.now()).toMinutes();
        return minutes < 1 ? "just now" : minutes < 120 ? minutes + " min ago" : minutes < 2880 ? minutes / 60 + " h ago" : minutes / 1440
                + " days ago";
    }

    @PostMapping("/instrument")
    String connect(@PathVariable UUID job, @ModelAttribute LinkForm form, @RequestParam(defaultValue = "false") boolean quick) {
        desk.connect(job, form);
        return "redirect:/jobs/" + job + (quick ? "/setup" : "/setup/instrument");
    }

    @PostMapping("/instrument/known")
    String connectKnown(@PathVariable UUID job, @RequestParam UUID instrument, @RequestParam(defaultValue = "false") boolean quick) {
        desk.connectKnown(job, instrument);
        return "redirect:/jobs/" + job + (quick ? "/setup" : "/setup/instrument");
    }

    @PostMapping("/instrument/disconnect")
    String disconnect(@PathVariable UUID job) {
        desk.disconnect(job);
        return "redirect:/jobs/" + job + "/setup/instrument";
    }

    @PostMapping("/instrument/level-limit")
    String levelLimit(@PathVariable UUID job, @RequestParam String seconds) {
        settings.levelLimit(job, seconds);
        return "redirect:/jobs/" + job + "/setup/instrument";
    }

    @PostMapping("/instrument/air")
    String air(@PathVariable UUID job, @RequestParam(defaultValue = "") String temperature,
            @RequestParam(defaultValue = "") String pressure,
            @RequestParam(defaultValue = "") String refraction) {
        settings.air(job, temperature, pressure);
        if (!refraction.isBlank()) {
            settings.refraction(job, refraction);
        }
        return "redirect:/jobs/" + job + "/setup/instrument";
    }

    @PostMapping("/instrument/times")
    String times(@PathVariable UUID job, @RequestParam int times) {
        settings.times(job, times);
        return "redirect:/jobs/" + job + "/setup/instrument";
    }

    @PostMapping("/instrument/prisms")
    String prism(@PathVariable UUID job, @RequestParam String name, @RequestParam String constant) {
        prisms.add(job, name, constant);
        return "redirect:/jobs/" + job + "/setup/instrument";
    }

    @PostMapping("/instrument/prisms/{prism}/remove")
    String removePrism(@PathVariable UUID job, @PathVariable UUID prism) {
        prisms.remove(job, prism);
        return "redirect:/jobs/" + job + "/setup/instrument";
    }

    /** @param deed face, search, compensator-on, compensator-off, laser-on, laser-off, or a mode */
    @PostMapping("/instrument/do/{deed}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @ResponseBody
    CompletableFuture<Void> deed(@PathVariable UUID job, @PathVariable String deed) {
        TotalStation station = desk.ready(job);
        return switch (deed) {
            case "face" -> station.changeFace();
            case "search" -> station.search();
            case "compensator-on", "compensator-off" -> station.set(InstrumentSwitches.Switch.COMPENSATOR, deed.endsWith("-on"));
            case "laser-on", "laser-off" -> station.set(InstrumentSwitches.Switch.LASER, deed.endsWith("-on"));
            case "prism", "lock", "reflectorless" -> station.mode(InstrumentSwitches.Mode.valueOf(deed.toUpperCase(Locale.ROOT)));
            default -> throw new SurveyException(Problem.NOT_FOUND, deed);
        };
    }

    /** Turns to a point by name, or to circle readings. */
    @PostMapping("/instrument/turn")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @ResponseBody
    CompletableFuture<Void> turn(@PathVariable UUID job, @RequestParam(defaultValue = "") String point,
            @RequestParam(defaultValue = "") String direction,
            @RequestParam(defaultValue = "") String zenith) {
        TotalStation station = desk.ready(job);
        JobState state = sitePoints.state(job);
        if (point.isBlank() && direction.isBlank()) {
            throw new SurveyException(Problem.MISSING, "point or direction");
        }
        if (point.isBlank()) {
            return station.turn(AngleText.parse(direction, state.settings().figures().angles().unit()),
                    zenith.isBlank() ? new Angle(Math.PI / 2) : AngleText.parse(zenith, state.settings().figures().angles().unit()));
        }
        Leaf leaf = state.leaves().open().orElseThrow(() -> new SurveyException(Problem.NO_SETUP));
        watch.requireStanding(job, leaf);
        PointName name = PointName.parse(point);
        var mark = state.points().find(name).orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, name.text())).position();
        Pointing way = leaf.station().wayTo(mark, state.target().map(Target::height).orElse(Length.ZERO));
        return station.turn(way.horizontalDirection(), way.zenith());
    }

    @PostMapping("/instrument/calibration/read")
    @ResponseBody
    CompletableFuture<Integer> readPair(@PathVariable UUID job) {
        return calibrations.read(job).thenApply(List::size);
    }

    @PostMapping("/instrument/calibration/store")
    String store(@PathVariable UUID job, @RequestParam(defaultValue = "false") boolean apply, Principal person) {
        calibrations.store(job, apply, Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/setup/instrument";
    }

    @PostMapping("/instrument/calibration/apply")
    String apply(@PathVariable UUID job, @RequestParam boolean on, Principal person) {
        settings.apply(job, on, Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/setup/instrument";
    }

    @PostMapping("/instrument/calibration/set-aside")
    String setAside(@PathVariable UUID job) {
        calibrations.setAside(job);
        return "redirect:/jobs/" + job + "/setup/instrument";
    }
}
