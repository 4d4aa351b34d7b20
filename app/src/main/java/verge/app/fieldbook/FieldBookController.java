package verge.app.fieldbook;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.AbstractList;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import verge.app.form.Answers;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.journal.EntryWords;
import verge.app.journal.JournalService;
import verge.app.problem.ProblemWords;
import verge.app.search.JobIndex;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.problem.SurveyException;
import verge.core.search.Sought;

/** The whole journal of a job, latest first, with its lines struck through and brought back. */
@Controller
@RequestMapping("/jobs/{job}/book")
class FieldBookController {
    private static final int LINES_A_PAGE = 100;

    private final JournalService journals;
    private final JobService jobs;
    private final BookText text;
    private final TurnText turns;
    private final EntryWords words;
    private final JobIndex index;
    private final ProblemWords problems;

    FieldBookController(JournalService journals, JobService jobs, BookText text, TurnText turns, EntryWords words, JobIndex index,
            ProblemWords problems) {
        this.words = words;
        this.index = index;
        this.problems = problems;
        this.journals = journals;
        this.jobs = jobs;
        this.text = text;
        this.turns = turns;
    }

    /**
     * @param line that the page is to show; without one, the page is meant, the latest lines first
     * @param day that the page is to begin at, as 2026-06-01
     */
    @GetMapping
    String book(@PathVariable UUID job, @RequestParam(name = "page", defaultValue = "0") int asked,
            @RequestParam(required = false) Integer line, @RequestParam(defaultValue = "") String day,
            @RequestParam MultiValueMap<String, String> sent, Model model) {
        Journal journal = journals.journal(job);
        Answers answers = Answers.of(sent);
        List<Integer> places = places(job, journal, answers, model);
        int total = places.size();
        int page = line != null ? Math.max(0, total - line) / LINES_A_PAGE : day.isBlank() ? asked : pageOf(day, places, journal);
        int from = (int) Math.min(Math.max(page, 0L) * LINES_A_PAGE, total);
        int to = Math.min(from + LINES_A_PAGE, total);
        List<Entry> latestFirst = new ArrayList<>(places.subList(total - to, total - from).stream().map(journal.entries()::get).toList());
        Collections.reverse(latestFirst);
        model.addAttribute("runs", BookText.runs(latestFirst).stream().map(run -> run.stream().map(e -> text.line(journal, e)).toList())
                .toList());
        model.addAttribute("total", total);
        model.addAttribute("all", journal.entries().size());
        model.addAttribute("a", answers);
        model.addAttribute("filtered", !BookFilter.isEmpty(answers));
        model.addAttribute("choices", choices(journal));
        model.addAttribute("query", query(answers));
        model.addAttribute("undo", journal.lastDone().map(d -> turns.of(journal, d)).orElse(null));
        model.addAttribute("redo", journal.lastUndone().map(d -> turns.of(journal, d)).orElse(null));
        model.addAttribute("brought", jobs.job(job).broughtIn().orElse(null));
        model.addAttribute("earlierPage", to < total ? page + 1 : null);
        model.addAttribute("laterPage", page > 0 ? page - 1 : null);
        return "fieldbook/book";
    }

    /** What there is to filter by. @param leaves id and words */
    record Choices(List<String> kinds, List<String> people, List<String[]> leaves) {
    }

    private Choices choices(Journal journal) {
        TreeSet<String> kinds = new TreeSet<>();
        TreeSet<String> people = new TreeSet<>();
        journal.entries().forEach(e -> {
            kinds.add(words.margin(e));
            people.add(e.person());
        });
        return new Choices(List.copyOf(kinds), List.copyOf(people), journal.state().leaves().all().stream()
                .map(l -> new String[] {l.entry().toString(), "leaf " + l.number() + " at " + l.written().station()}).toList());
    }

    /** The filter as it goes on with the address of another page. */
    private static String query(Answers a) {
        return BookFilter.FIELDS.stream().filter(field -> !a.text(field).isBlank())
                .map(field -> "&" + field + "=" + URLEncoder.encode(a.text(field), StandardCharsets.UTF_8)).collect(Collectors.joining());
    }

    /** The places of the lines that fit, from 0; what cannot be read of the filter is told, and none fits. */
    private List<Integer> places(UUID job, Journal journal, Answers a, Model model) {
        int size = journal.entries().size();
        if (BookFilter.isEmpty(a)) {
            return new AbstractList<>() {
                @Override
                public Integer get(int index) {
                    return index;
                }

                @Override
                public int size() {
                    return size;
                }
            };
        }
        try {
            Sought text = Sought.of(a.text("text"));
            BookFilter filter = BookFilter.read(a, journal.state(), text.isEmpty() ? Optional.empty()
                    : Optional.of(index.lines(job, journal, text)));
            return IntStream.range(0, size).filter(i -> filter.fits(journal.entries().get(i), journal, words)).boxed().toList();
        } catch (SurveyException unfit) {
            model.addAttribute("said", problems.say(unfit));
            return List.of();
        }
    }

    /** The page with the last line of a day, or of the last day before it that has any. */
    private static int pageOf(String day, List<Integer> places, Journal journal) {
        try {
            Instant end = LocalDate.parse(day).plusDays(1).atStartOfDay(journal.state().settings().work().zone()).toInstant();
            int before = (int) places.stream().filter(i -> journal.entries().get(i).at().isBefore(end)).count();
            return Math.max(0, places.size() - Math.max(1, before)) / LINES_A_PAGE;
        } catch (DateTimeException noDay) {
            return 0;   // a browser sends what its picker gives
        }
    }

    @PostMapping("/undo")
    String undo(@PathVariable UUID job, @RequestParam UUID seen, Principal person) {
        journals.undo(job, Author.atPage(person.getName()), seen);
        return "redirect:/jobs/" + job + "/book";
    }

    /** What would be taken back now, for the foot of any page; no content if nothing can be. */
    @GetMapping("/undo")
    @ResponseBody
    ResponseEntity<TurnText.Turn> undoable(@PathVariable UUID job) {
        Journal journal = journals.journal(job);
        return journal.lastDone().map(d -> ResponseEntity.ok(turns.of(journal, d))).orElse(ResponseEntity.noContent().build());
    }

    /** Takes it back from the foot of a page, which stays where it is. */
    @PostMapping("/undo-here")
    ResponseEntity<Void> undoHere(@PathVariable UUID job, @RequestParam UUID seen, Principal person) {
        journals.undo(job, Author.atPage(person.getName()), seen);
        return ResponseEntity.noContent().build();
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
