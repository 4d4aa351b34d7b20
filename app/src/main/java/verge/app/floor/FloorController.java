package verge.app.floor;

import java.math.BigDecimal;
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
import verge.core.job.JobState;
import verge.core.points.Origin;
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
        model.addAttribute("rows", Stream.concat(lines.stream(), IntStream.range(0, BLANK_ROWS)
                .mapToObj(i -> new FloorLine("", "", "", "", false))).toList());
        model.addAttribute("withoutHeight", state.points().countFlat());
        model.addAttribute("names", PointNames.withHeight(state));
        model.addAttribute("unit", state.settings().figures().lengthUnit().symbol());
        return "floor/floors";
    }

    private static FloorLine line(JobState state, Storey s) {
        Figures f = state.settings().figures();
        String points = PointNames.countOn(state, s, Origin.CONTROL) + " known, " + PointNames.countOn(state, s, Origin.MEASURED)
                + " measured";
        return new FloorLine(s.floor().name(), f.bare(s.floor().level().asLength()), FloorWords.reach(s, f), points,
                state.floor().here().equals(Optional.of(s)));
    }

    @PostMapping
    String name(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> rows, Principal person) {
        List<String> names = rows.getOrDefault("name", List.of());
        List<String> levels = rows.getOrDefault("level", List.of());
        JobState state = points.state(job);
        List<String> exact = IntStream.range(0, levels.size())
                .mapToObj(i -> i < names.size() ? exact(state, names.get(i).strip(), levels.get(i).strip()) : levels.get(i)).toList();
        floors.name(job, names, exact, Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/floors";
    }

    /** A level that comes back as it was shown was not typed: it keeps the digits that the page does not show. */
    private static String exact(JobState state, String name, String level) {
        return state.floor().floors().named(name).map(s -> s.floor().level().asLength())
                .filter(l -> state.settings().figures().bare(l).equals(level))
                .map(l -> BigDecimal.valueOf(l.metres()).toPlainString() + " m").orElse(level);
    }

    @PostMapping("/here")
    String workOn(@PathVariable UUID job, @RequestParam String floor, Principal person) {
        floors.workOn(job, floor, Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/floors";
    }
}
