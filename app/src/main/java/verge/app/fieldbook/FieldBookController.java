package verge.app.fieldbook;

import java.security.Principal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.core.job.Journal;
import verge.core.journal.Entry;

/** The whole journal of a job, latest first, with its lines struck through and brought back. */
@Controller
@RequestMapping("/jobs/{job}/book")
class FieldBookController {
    private static final int LINES_A_PAGE = 100;

    private final JournalService journals;
    private final JobService jobs;
    private final BookText text;
    private final TurnText turns;

    FieldBookController(JournalService journals, JobService jobs, BookText text, TurnText turns) {
        this.journals = journals;
        this.jobs = jobs;
        this.text = text;
        this.turns = turns;
    }

    /** @param line that the page is to show; without one, the page is meant, the latest lines first */
    @GetMapping
    String book(@PathVariable UUID job, @RequestParam(name = "page", defaultValue = "0") int asked,
            @RequestParam(required = false) Integer line, Model model) {
        Journal journal = journals.journal(job);
        int total = journal.entries().size();
        int page = line == null ? asked : Math.max(0, total - line) / LINES_A_PAGE;
        int from = (int) Math.min(Math.max(page, 0L) * LINES_A_PAGE, total);
        int to = Math.min(from + LINES_A_PAGE, total);
        List<Entry> latestFirst = new ArrayList<>(journal.between(total - to, total - from));
        Collections.reverse(latestFirst);
        model.addAttribute("runs", BookText.runs(latestFirst).stream().map(run -> run.stream().map(e -> text.line(journal, e)).toList())
                .toList());
        model.addAttribute("total", total);
        model.addAttribute("undo", journal.lastDone().map(d -> turns.of(journal, d)).orElse(null));
        model.addAttribute("redo", journal.lastUndone().map(d -> turns.of(journal, d)).orElse(null));
        model.addAttribute("brought", jobs.job(job).broughtIn().orElse(null));
        model.addAttribute("earlierPage", to < total ? page + 1 : null);
        model.addAttribute("laterPage", page > 0 ? page - 1 : null);
        return "fieldbook/book";
    }

    @PostMapping("/undo")
    String undo(@PathVariable UUID job, @RequestParam UUID seen, Principal person) {
        journals.undo(job, Author.atPage(person.getName()), seen);
        return "redirect:/jobs/" + job + "/book";
    }

    @PostMapping("/redo")
    String redo(@PathVariable UUID job, @RequestParam UUID seen, Principal person) {
        journals.redo(job, Author.atPage(person.getName()), seen);
        return "redirect:/jobs/" + job + "/book";
    }

    @PostMapping("/{entry}/strike")
    String strike(@PathVariable UUID job, @PathVariable UUID entry, Principal person) {
        journals.strike(job, Author.atPage(person.getName()), entry);
        return at(job, entry);
    }

    @PostMapping("/{entry}/restore")
    String restore(@PathVariable UUID job, @PathVariable UUID entry, Principal person) {
        journals.restore(job, Author.atPage(person.getName()), entry);
        return at(job, entry);
    }

    /** The page of the book that a line is on. */
    private String at(UUID job, UUID entry) {
        return "redirect:/jobs/" + job + "/book" + journals.journal(job).entry(entry).map(e -> "?line=" + e.sequence()).orElse("");
    }
}
