package verge.app.system;

import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import verge.app.form.Answers;
import verge.app.problem.ProblemWords;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.SystemCatalogue;
import verge.core.geodesy.system.SystemText;
import verge.core.problem.SurveyException;

/** Parts of the question 'where': finding a system, describing it, trying a position in it. */
@Controller
@RequestMapping("/systems")
class SystemController {
    private static final int MOST_LISTED = 12;

    private final SystemLibrary library;
    private final SystemAnswers answers;
    private final TestPosition tests;
    private final ProblemWords problemWords;

    SystemController(SystemLibrary library, SystemAnswers answers, TestPosition tests, ProblemWords problemWords) {
        this.library = library;
        this.answers = answers;
        this.tests = tests;
        this.problemWords = problemWords;
    }

    @GetMapping("/search")
    String search(@RequestParam(defaultValue = "") String q, @RequestParam(defaultValue = "") String near, Model model) {
        try {
            SystemCatalogue.Found found = library.search(q, near(near), MOST_LISTED);
            model.addAttribute("rows", found.rows());
            model.addAttribute("total", found.total());
            model.addAttribute("asked", !q.isBlank() || !near.isBlank());
        } catch (SurveyException unfit) {
            model.addAttribute("unfit", problemWords.say(unfit));
        }
        return "system/parts :: found";
    }

    static Optional<Geographic> near(String typed) {
        return typed.isBlank() ? Optional.empty() : Optional.of(Geographic.parse(typed.strip()));
    }

    /** What the answers to 'where' come to. */
    @PostMapping("/describe")
    String describe(@RequestParam MultiValueMap<String, String> sent, Model model) {
        Answers a = Answers.of(sent);
        try {
            CoordinateSystem system = answers.read(a);
            if (system instanceof CoordinateSystem.OnEarth p) {
                boolean deprecated = system instanceof CoordinateSystem.Projected published && library.row(published.code())
                        .map(SystemCatalogue.Row::deprecated).orElse(false);
                model.addAttribute("view", SystemView.of(p, SystemText.projection(p), near(a.text("near")), deprecated));
            } else if (system instanceof CoordinateSystem.LatLonOnly only) {
                model.addAttribute("latLonOnly", only.name());
            }
        } catch (SurveyException unfit) {
            return "system/parts :: described";   // the summary beside it says what is wrong
        }
        return "system/parts :: described";
    }

    /** A position through the system and back. */
    @PostMapping("/test")
    String test(@RequestParam MultiValueMap<String, String> sent, Model model) {
        try {
            model.addAttribute("test", tests.of(Answers.of(sent)));
        } catch (SurveyException unfit) {
            model.addAttribute("unfit", problemWords.say(unfit));
        }
        return "system/parts :: tested";
    }
}
