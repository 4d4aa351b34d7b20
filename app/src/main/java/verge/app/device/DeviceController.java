package verge.app.device;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseBody;
import verge.core.geodesy.GridPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.LengthText;
import verge.core.units.LengthUnit;
import verge.instruments.standin.PracticeGround;
import verge.instruments.world.Outline;

/** Linking a job to its instrument, and the practice ground's carrying about. */
@Controller
@RequestMapping("/jobs/{job}")
class DeviceController {
    private final InstrumentDesk desk;
    private final PracticeService practice;

    DeviceController(InstrumentDesk desk, PracticeService practice) {
        this.desk = desk;
        this.practice = practice;
    }

    @PostMapping("/instrument")
    String connect(@PathVariable UUID job, @RequestParam String address) {
        desk.connect(job, address);
        return "redirect:/jobs/" + job + "/setup";
    }

    @PostMapping("/instrument/disconnect")
    String disconnect(@PathVariable UUID job) {
        desk.disconnect(job);
        return "redirect:/jobs/" + job + "/setup";
    }

    /** Where the pole stands and where the tripod, in metres of the island's grid. */
    record SceneView(double north, double east, double poleMetres, String tripod, Double tapeMetres) {
        static SceneView of(PracticeGround.Sight sight) {
            GridPoint tip = sight.tip().plan();
            return new SceneView(tip.northing(), tip.easting(), sight.poleHeight().metres(),
                    sight.occupied().map(PracticeGround.Occupied::mark).orElse(null),
                    sight.occupied().map(o -> o.tape().metres()).orElse(null));
        }
    }

    record OutlineView(String name, List<double[]> points) {
        static OutlineView of(Outline outline) {
            return new OutlineView(outline.name(), outline.points().stream().map(p -> new double[] {p.easting(), p.northing()}).toList());
        }
    }

    @GetMapping("/practice")
    @ResponseBody
    Map<String, Object> practice(@PathVariable UUID job) {
        return practice.ground(job).<Map<String, Object>>map(ground -> Map.of("scene", SceneView.of(ground.look()),
                "outlines", ground.outlines().stream().map(OutlineView::of).toList())).orElse(Map.of());
    }

    @PostMapping("/practice/pole")
    @ResponseBody
    SceneView pole(@PathVariable UUID job, @RequestParam double north, @RequestParam double east) {
        return SceneView.of(ground(job).pole(new GridPoint(north, east)));
    }

    @PostMapping("/practice/walk")
    @ResponseBody
    SceneView walk(@PathVariable UUID job, @RequestParam double north, @RequestParam double east) {
        return SceneView.of(ground(job).walk(north, east));
    }

    @PostMapping("/practice/go")
    @ResponseBody
    SceneView go(@PathVariable UUID job, @RequestParam String mark) {
        return SceneView.of(ground(job).go(mark));
    }

    @PostMapping("/practice/stand")
    @ResponseBody
    SceneView stand(@PathVariable UUID job, @RequestParam String mark) {
        return SceneView.of(ground(job).stand(mark));
    }

    @PostMapping("/practice/extend")
    @ResponseBody
    SceneView extend(@PathVariable UUID job, @RequestParam String height) {
        return SceneView.of(ground(job).extend(LengthText.parse(height, LengthUnit.METRE)));
    }

    private PracticeGround ground(UUID job) {
        return practice.ground(job).orElseThrow(() -> new SurveyException(Problem.NO_INSTRUMENT));
    }
}
