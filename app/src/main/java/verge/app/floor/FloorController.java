package verge.app.floor;

import java.security.Principal;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import verge.app.journal.Author;
import verge.app.points.PointNames;
import verge.app.points.SitePoints;
import verge.core.floor.Storey;
import verge.core.journal.JobState;
import verge.core.journal.Origin;
import verge.core.units.Figures;

/** The bench for working floor by floor. */
@Controller
@RequestMapping("/jobs/{job}/floors")
class FloorController {
    private static final int BLANK_ROWS = 2;

    private final FloorService floors;
    private final SitePoints points;

    FloorController(FloorService floors, SitePoints points) {
        this.floors = floors;
        this.points = points;
    }

    /**
     * @param level as it is typed
     * @param reach from where to where, in words
     * @param points what lies there, in words
     */
    record FloorLine(String name, String level, String reach, String points, boolean here) {
    }

    @GetMapping
    String bench(@PathVariable UUID job, Model model) {
        JobState state = points.state(job);
        List<FloorLine> lines = state.floor().floors().fromTheTop().stream().map(s -> line(state, s)).toList();
        model.addAttribute("floors", lines);
        model.addAttribute("rows", Stream.concat(lines.stream(), IntStream.range(0, BLANK_ROWS).mapToObj(i -> new FloorLine("", "", "", "", false))).toList());
        model.addAttribute("withoutHeight", state.points().filter(p -> p.position().elevation().isEmpty()).count());
        model.addAttribute("names", PointNames.withHeight(state));
        model.addAttribute("unit", state.settings().figures().lengthUnit().symbol());
        return "floor/floors";
    }

    private static FloorLine line(JobState state, Storey s) {
        Figures f = state.settings().figures();
        String points = PointNames.countOn(state, s, Origin.CONTROL) + " known, " + PointNames.countOn(state, s, Origin.MEASURED) + " measured";
        return new FloorLine(s.floor().name(), f.bare(s.floor().level().asLength()), FloorWords.reach(s, f), points, state.floor().here().equals(Optional.of(s)));
    }

    @PostMapping
    String name(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> rows, Principal person) {
        floors.name(job, rows.getOrDefault("name", List.of()), rows.getOrDefault("level", List.of()), Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/floors";
    }

    @PostMapping("/here")
    String workOn(@PathVariable UUID job, @RequestParam String floor, Principal person) {
        floors.workOn(job, floor, Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/floors";
    }
}
