package verge.app.job;

import java.security.Principal;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import verge.app.form.Answers;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.problem.ProblemWords;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.problem.SurveyException;
import verge.core.settings.SettingsChosen;

/** Changing a job's settings: what moves is shown before it is done, and striking the line in the field book undoes it. */
@Controller
@RequestMapping("/jobs/{job}/settings")
class JobSettingsController {
    private final JobService jobs;
    private final JournalService journals;
    private final SettingsAnswers settingsAnswers;
    private final Questions questions;
    private final JobSummary summary;
    private final ProblemWords problemWords;

    JobSettingsController(JobService jobs, JournalService journals, SettingsAnswers settingsAnswers, Questions questions,
            JobSummary summary,
            ProblemWords problemWords) {
        this.jobs = jobs;
        this.journals = journals;
        this.settingsAnswers = settingsAnswers;
        this.questions = questions;
        this.summary = summary;
        this.problemWords = problemWords;
    }

    @GetMapping
    String form(@PathVariable UUID job, Model model) {
        return page(jobs.job(job), settingsAnswers.write(journals.state(job).settings()), model);
    }

    @PostMapping("/summary")
    String summary(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent, Model model) {
        Job own = jobs.job(job);
        summary.put(model, Answers.of(sent), own.siteId(), Optional.of(own));
        return "job/questions :: told";
    }

    /** Changes at once what moves nothing; what moves points only when it was seen. */
    @PostMapping
    String change(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent, Model model, Principal person) {
        Answers answers = Answers.of(sent);
        Job own = jobs.job(job);
        try {
            Journal journal = journals.journal(job);
            JobState before = journal.state();
            SettingsChosen chosen = new SettingsChosen(
                    settingsAnswers.read(answers, own.siteId(), Optional.of(before.settings())), answers.ticked("carry"));
            MovesView moves = MovesView.of(before, journal.preview(chosen));
            boolean system = !before.settings().system().equals(chosen.settings().system());
            if ((moves.any() || system && before.points().count() > 0) && !answers.text("seen").equals(moves.seen())) {
                model.addAttribute("moves", moves);
                model.addAttribute("systemChanges", system);
                return page(own, answers, model);
            }
            if (!chosen.settings().equals(before.settings())) {
                journals.appendTogether(job, Author.atPage(person.getName()), now -> {
                    SettingsSeen.require(now, answers.text("asOf"));
                    return List.of(chosen);
                });
            }
            return "redirect:/jobs/" + job + "/prepare";
        } catch (SurveyException unfit) {
            model.addAttribute("said", problemWords.say(unfit));
            return page(own, answers, model);
        }
    }

    private String page(Job job, Answers answers, Model model) {
        model.addAttribute("job", job);
        model.addAttribute("asOf", journals.journal(job.id()).entries().size());
        model.addAttribute("site", jobs.site(job.siteId()));
        questions.ask(model, answers, job.siteId());
        summary.put(model, answers, job.siteId(), Optional.of(job));
        return "job/settings";
    }
}
