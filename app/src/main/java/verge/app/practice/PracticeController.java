package verge.app.practice;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import verge.app.journal.JournalService;
import verge.core.geodesy.GridPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Figures;
import verge.core.units.LengthText;
import verge.instruments.standin.PracticeGround;
import verge.instruments.world.Outline;

/** The hands of a helper on the practice ground: carrying tripod and pole about, and seeing what stands where. */
@RestController
@RequestMapping("/jobs/{job}/practice")
class PracticeController {
    private static final double KNOCK_ARC_SECONDS = 95;
    private static final double BESIDE_METRES = 3;
    private final PracticeService practice;
    private final JournalService journals;

    PracticeController(PracticeService practice, JournalService journals) {
        this.practice = practice;
        this.journals = journals;
    }

    /**
     * What a helper on the practice ground sees.
     *
     * @param north of the pole, to place it on the sketch, in metres of the island's grid
     * @param tripod the mark it stands on, or empty
     * @param mount how high the satellite antenna is screwed on
     * @param lean of the pole from upright, in degrees
     * @param tape the instrument height that the tape shows, in the job's figures, or empty
     */
    record SceneView(double north, double east, String pole, String prism, String tripod, String tape, String mount, double lean) {
    }

    record OutlineView(String name, List<double[]> points) {
        static OutlineView of(Outline outline) {
            return new OutlineView(outline.name(), outline.points().stream().map(p -> new double[] {p.easting(), p.northing()}).toList());
        }
    }

    @GetMapping
    Map<String, Object> practice(@PathVariable UUID job) {
        return practice.ground(job).<Map<String, Object>>map(ground -> Map.of("scene", view(job, ground.look()),
                "outlines", ground.outlines().stream().map(OutlineView::of).toList())).orElse(Map.of());
    }

    @PostMapping("/pole")
    SceneView pole(@PathVariable UUID job, @RequestParam double north, @RequestParam double east) {
        return view(job, ground(job).pole(place(north, east)));
    }

    @PostMapping("/walk")
    SceneView walk(@PathVariable UUID job, @RequestParam double north, @RequestParam double east) {
        GridPoint step = place(north, east);
        return view(job, ground(job).walk(step.northing(), step.easting()));
    }

    @PostMapping("/go")
    SceneView go(@PathVariable UUID job, @RequestParam String mark) {
        return view(job, ground(job).go(mark));
    }

    @PostMapping("/stand")
    SceneView stand(@PathVariable UUID job, @RequestParam String mark) {
        return view(job, ground(job).stand(mark));
    }

    /** Puts the tripod down where the pole is, and the pole beside it. */
    @PostMapping("/stand-at-pole")
    SceneView standAtPole(@PathVariable UUID job) {
        PracticeGround ground = ground(job);
        ground.standAt(ground.look().tip().plan());
        return view(job, ground.walk(0, BESIDE_METRES));
    }

    /** Puts a prism on a tripod over a mark, or takes it away. */
    @PostMapping("/place")
    SceneView place(@PathVariable UUID job, @RequestParam String mark, @RequestParam String height) {
        PracticeGround ground = ground(job);
        return view(job, ground.place(mark, LengthText.parse(height, figures(job).lengthUnit()), ground.look().prismConstant()));
    }

    @PostMapping("/take")
    SceneView take(@PathVariable UUID job, @RequestParam String mark) {
        return view(job, ground(job).take(mark));
    }

    @PostMapping("/knock")
    SceneView knock(@PathVariable UUID job) {
        return view(job, ground(job).knock(KNOCK_ARC_SECONDS));
    }

    @PostMapping("/level")
    SceneView level(@PathVariable UUID job) {
        return view(job, ground(job).level());
    }

    /** Holds the pole askew until it is carried on. */
    @PostMapping("/lean")
    SceneView lean(@PathVariable UUID job, @RequestParam double degrees, @RequestParam double towards) {
        return view(job, ground(job).lean(degrees, towards));
    }

    @PostMapping("/extend")
    SceneView extend(@PathVariable UUID job, @RequestParam String height) {
        return view(job, ground(job).extend(LengthText.parse(height, figures(job).lengthUnit())));
    }

    private SceneView view(UUID job, PracticeGround.Sight sight) {
        Figures f = figures(job);
        GridPoint tip = sight.tip().plan();
        return new SceneView(tip.northing(), tip.easting(), f.length(sight.poleHeight()), Figures.metric().small(sight.prismConstant()),
                sight.occupied().map(PracticeGround.Occupied::mark).orElse(""), sight.occupied().map(o -> f.length(o.tape())).orElse(""),
                f.length(sight.mount()), sight.leanDegrees());
    }

    private Figures figures(UUID job) {
        return journals.state(job).settings().figures();
    }

    private static GridPoint place(double north, double east) {
        if (!(Math.abs(north) <= GridPoint.FARTHEST_METRES && Math.abs(east) <= GridPoint.FARTHEST_METRES)) {
            throw new SurveyException(Problem.NOT_A_NUMBER, north + ", " + east);
        }
        return new GridPoint(north, east);
    }

    private PracticeGround ground(UUID job) {
        return practice.hands(job);
    }
}
