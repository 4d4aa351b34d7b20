package verge.app.gaps;

import java.security.Principal;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import verge.app.journal.Author;
import verge.core.gaps.Gap;
import verge.core.gaps.WorkBounded;
import verge.core.geodesy.GridPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** The bench of gaps, and their marks on the sketch. */
@Controller
@RequestMapping("/jobs/{job}/gaps")
class GapController {
    private final GapService gaps;

    GapController(GapService gaps) {
        this.gaps = gaps;
    }

    /** @param metres radius of an empty circle; 0 for what has none */
    record Mark(UUID id, double north, double east, double metres) {
    }

    /** @param area corners of the area of interest as east, north */
    record Marks(List<Mark> marks, List<double[]> area) {
    }

    @GetMapping
    String bench(@PathVariable UUID job, Model model) {
        WorkBounded bounds = gaps.bounds(job);
        model.addAttribute("job", job);
        model.addAttribute("gaps", gaps.atOnce(job).orElse(null));
        model.addAttribute("points", gaps.points(job));
        model.addAttribute("works", gaps.works(job));
        model.addAttribute("work", bounds.work());
        model.addAttribute("corners", bounds.outline().size());
        return "gaps/gaps";
    }

    /** What was found, for a page that was shown before it was. */
    @GetMapping("/found")
    String found(@PathVariable UUID job, Model model) {
        model.addAttribute("job", job);
        model.addAttribute("gaps", gaps.gaps(job));
        return "gaps/gaps :: found";
    }

    @GetMapping("/marks")
    @ResponseBody
    Marks marks(@PathVariable UUID job) {
        return new Marks(gaps.gaps(job).stream().filter(g -> g.gap().at().isPresent()).map(g -> mark(g.id(), g.gap())).toList(),
                gaps.bounds(job).outline().stream().map(p -> new double[] {p.easting(), p.northing()}).toList());
    }

    private static Mark mark(UUID id, Gap gap) {
        GridPoint at = gap.at().orElseThrow();
        return new Mark(id, at.northing(), at.easting(), gap.kind() == Gap.Kind.HOLE
                || gap.kind() == Gap.Kind.NOT_REACHED ? gap.metres() : 0);
    }

    @PostMapping("/{gap}/away")
    String putAway(@PathVariable UUID job, @PathVariable UUID gap, @RequestParam(defaultValue = "") String reason, Principal person) {
        gaps.putAway(job, gap, reason, Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/gaps";
    }

    /** What is to be measured: with corners another area, with 'everywhere' all among the shots, else the area as it was. */
    @PostMapping("/bounds")
    String bound(@PathVariable UUID job, @RequestParam(defaultValue = "") List<Double> north,
            @RequestParam(defaultValue = "") List<Double> east, @RequestParam(required = false) String work,
            @RequestParam(defaultValue = "false") boolean everywhere, Principal person) {
        if (north.size() != east.size() || Stream.concat(north.stream(), east.stream())
                .anyMatch(figure -> figure == null || !Double.isFinite(figure))) {
            throw new SurveyException(Problem.REQUEST_UNFIT);
        }
        WorkBounded before = gaps.bounds(job);
        List<GridPoint> drawn = IntStream.range(0, north.size()).mapToObj(i -> new GridPoint(north.get(i), east.get(i))).toList();
        gaps.bound(job, everywhere ? List.of() : drawn.isEmpty() ? before.outline() : drawn, work == null ? before.work() : work.strip(),
                Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/gaps";
    }
}
