package verge.app.walkround;

import java.security.Principal;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import verge.app.check.FindingWords;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.problem.ProblemWords.Said;
import verge.core.check.Finding;
import verge.core.check.Remedy;
import verge.core.units.Figures;

/** What the walk-round found, what can be done about it there and then, and what is left as it is. */
@Controller
@RequestMapping("/jobs/{job}/walk-round")
class WalkRoundController {
    private final WalkRoundService walkRound;
    private final Remedies remedies;
    private final JournalService journals;
    private final FindingWords words;

    WalkRoundController(WalkRoundService walkRound, Remedies remedies, JournalService journals, FindingWords words) {
        this.walkRound = walkRound;
        this.remedies = remedies;
        this.journals = journals;
        this.words = words;
    }

    /**
     * @param weight wrong, doubtful or note
     * @param accepted the reason; empty if it still stands
     * @param ways what can be done at once
     */
    record FindingView(String kind, String about, String weight, String title, Said said, String accepted, List<Way> ways) {
    }

    /** @param leads to which page of the job; blank for one that changes something */
    record Way(int index, String words, String leads) {
    }

    @GetMapping
    String page(@PathVariable UUID job, Model model) {
        Figures figures = journals.state(job).settings().figures();
        List<WalkRoundService.Standing> all = walkRound.of(job);
        model.addAttribute("findings", all.stream().filter(s -> s.accepted().isEmpty()).map(s -> view(s, figures)).toList());
        model.addAttribute("accepted", all.stream().filter(s -> s.accepted().isPresent()).map(s -> view(s, figures)).toList());
        return "walkround/walkround";
    }

    private FindingView view(WalkRoundService.Standing standing, Figures figures) {
        Finding f = standing.finding();
        List<Way> ways = IntStream.range(0, f.remedies().size())
                .mapToObj(i -> new Way(i, words.remedy(f.remedies().get(i)), leads(f.remedies().get(i)))).toList();
        return new FindingView(f.kind().name(), f.about(), f.kind().weight().name().toLowerCase(Locale.ROOT), words.title(f.kind().name()),
                words.say(f, figures),
                standing.accepted().orElse(""), ways);
    }

    private static String leads(Remedy remedy) {
        return remedy instanceof Remedy.OpenSettings ? "settings" : remedy instanceof Remedy.OpenBase ? "setup/base"
                : remedy instanceof Remedy.OpenSessions ? "setup/static" : "";
    }

    /** Does what a finding offers; if it is not found any more, somebody has done it. */
    @PostMapping("/remedy")
    String remedy(@PathVariable UUID job, @RequestParam String kind, @RequestParam(defaultValue = "") String about, @RequestParam int way,
            Principal person) {
        Finding finding = walkRound.find(job, kind, about);
        remedies.apply(job, finding.remedies().get(Math.floorMod(way, finding.remedies().size())), Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/walk-round";
    }

    @PostMapping("/accept")
    String accept(@PathVariable UUID job, @RequestParam String kind, @RequestParam(defaultValue = "") String about,
            @RequestParam(defaultValue = "") String reason,
            Principal person) {
        walkRound.accept(job, kind, about, reason, Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/walk-round";
    }
}
