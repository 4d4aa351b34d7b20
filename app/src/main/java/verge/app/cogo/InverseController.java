package verge.app.cogo;

import java.security.Principal;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.util.UriComponentsBuilder;
import verge.app.journal.Author;
import verge.app.points.PointNames;
import verge.app.points.SitePoints;
import verge.app.problem.ProblemWords;
import verge.core.job.JobState;
import verge.core.problem.SurveyException;

/** The bench for the inverse between two points. */
@Controller
@RequestMapping("/jobs/{job}/compute")
class InverseController {
    private final InverseService inverses;
    private final SitePoints points;
    private final ProblemWords words;

    InverseController(InverseService inverses, SitePoints points, ProblemWords words) {
        this.inverses = inverses;
        this.points = points;
        this.words = words;
    }

    @GetMapping("/inverse")
    String bench(@PathVariable UUID job, @RequestParam(defaultValue = "") String from, @RequestParam(defaultValue = "") String to,
            Model model) {
        JobState state = points.state(job);
        model.addAttribute("from", from);
        model.addAttribute("to", to);
        model.addAttribute("names", PointNames.offered(state));
        if (!from.isBlank() && !to.isBlank()) {
            try {
                model.addAttribute("result", InverseView.of(from, to, inverses.between(state, from, to), state.settings()));
            } catch (SurveyException cannot) {
                model.addAttribute("said", words.say(cannot));
            }
        }
        return "cogo/inverse";
    }

    /** The address that it had before. */
    @GetMapping(params = {"from", "to"})
    String ofOld(@PathVariable UUID job, @RequestParam String from, @RequestParam String to) {
        return address(job, from, to);
    }

    @PostMapping("/note")
    String note(@PathVariable UUID job, @RequestParam String from, @RequestParam String to, Principal person) {
        inverses.note(job, from, to, Author.atPage(person.getName()));
        return address(job, from, to);
    }

    private static String address(UUID job, String from, String to) {
        return "redirect:" + UriComponentsBuilder.fromPath("/jobs/{job}/compute/inverse").queryParam("from", "{from}")
                .queryParam("to", "{to}")
                .encode().buildAndExpand(job, from, to).toUriString();
    }
}
