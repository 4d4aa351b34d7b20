package verge.app.job;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import verge.app.form.Answers;
import verge.app.journal.JournalService;
import verge.app.problem.ProblemWords;
import verge.core.problem.SurveyException;
import verge.core.settings.JobSettings;

/** What answers come to, in words, as they are being given. */
@Component
class JobSummary {
    private static final int MOST_COMPARED = 20;

    private final JobService jobs;
    private final JournalService journals;
    private final SettingsAnswers settingsAnswers;
    private final SettingsWords words;
    private final SettingsDoubts doubts;
    private final ProblemWords problemWords;

    JobSummary(JobService jobs, JournalService journals, SettingsAnswers settingsAnswers, SettingsWords words, SettingsDoubts doubts,
            ProblemWords problemWords) {
        this.jobs = jobs;
        this.journals = journals;
        this.settingsAnswers = settingsAnswers;
        this.words = words;
        this.doubts = doubts;
        this.problemWords = problemWords;
    }

    /** @param job whose settings are being changed; absent for a new one */
    void put(Model model, Answers answers, UUID site, Optional<Job> job) {
        try {
            JobSettings settings = settingsAnswers.read(answers, site, job.map(j -> journals.state(j.id()).settings()));
            model.addAttribute("sentences", words.sentences(settings));
            model.addAttribute("differences", words.differences(settings, others(site, job)));
            model.addAttribute("doubts", doubts.of(settings));
        } catch (SurveyException notYet) {
            model.addAttribute("unanswered", problemWords.say(notYet));
        }
    }

    /** The site's other jobs that are at work, latest first. */
    private Map<String, JobSettings> others(UUID site, Optional<Job> job) {
        Map<String, JobSettings> others = new LinkedHashMap<>();
        jobs.jobs(site).stream().filter(j -> !j.archived() && job.map(own -> !own.id().equals(j.id())).orElse(true)).limit(MOST_COMPARED)
                .forEach(j -> journals.readable(j.id()).ifPresent(other -> others.put(j.name(), other.state().settings())));
        return others;
    }
}
