package verge.app.search;

import java.security.Principal;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.points.PointNames;
import verge.app.points.PointService;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Looking for anything: what is told while it is typed, and what is done with a place that was typed. */
@Controller
class SearchController {
    private final SearchService search;
    private final ShelfSearch shelf;
    private final UsedLately used;
    private final JournalService journals;
    private final PointService points;

    SearchController(SearchService search, ShelfSearch shelf, UsedLately used, JournalService journals, PointService points) {
        this.search = search;
        this.shelf = shelf;
        this.used = used;
        this.journals = journals;
        this.points = points;
    }

    @GetMapping("/jobs/{job}/search/found")
    String found(@PathVariable UUID job, @RequestParam(defaultValue = "") String typed, Principal person, Model model) {
        Found found = search.find(job, person.getName(), typed);
        model.addAttribute("found", found);
        model.addAttribute("lately", found.typed().isEmpty() ? search.lately(job, person.getName()) : List.of());
        return "search/found :: found";
    }

    /** Over all jobs and sites. */
    @GetMapping("/search/found")
    String found(@RequestParam(defaultValue = "") String typed, Model model) {
        model.addAttribute("found", shelf.find(typed));
        model.addAttribute("lately", List.of());
        return "search/found :: found";
    }

    @PostMapping("/jobs/{job}/search/used")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void use(@PathVariable UUID job, @RequestParam String thing, Principal person) {
        used.use(job, person.getName(), thing);
    }

    /** A place that was typed, with a point to be made there. */
    @GetMapping("/jobs/{job}/search/place")
    String place(@PathVariable UUID job, @RequestParam double north, @RequestParam double east,
            @RequestParam(required = false) Double height, Model model) {
        Position at = position(north, east, height);
        model.addAttribute("job", job);
        model.addAttribute("place", journals.state(job).settings().place(at));
        model.addAttribute("north", north);
        model.addAttribute("east", east);
        model.addAttribute("height", height);
        model.addAttribute("name", PointNames.next(journals.journal(job)));
        return "search/found :: place";
    }

    /** Makes a typed place a point. Its coordinates are those of the grid, as the place was told. */
    @PostMapping("/jobs/{job}/search/place")
    String make(@PathVariable UUID job, @RequestParam double north, @RequestParam double east,
            @RequestParam(required = false) Double height, @RequestParam String name,
            Principal person) {
        points.keep(job, name, position(north, east, height), Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/book";
    }

    private static Position position(double north, double east, Double height) {
        if (!(Math.abs(north) <= GridPoint.FARTHEST_METRES && Math.abs(east) <= GridPoint.FARTHEST_METRES) || height != null
                && !(Math.abs(height) <= GridPoint.FARTHEST_METRES)) {
            throw new SurveyException(Problem.REQUEST_UNFIT);
        }
        return new Position(new GridPoint(north, east), Optional.ofNullable(height).map(Elevation::new));
    }
}
