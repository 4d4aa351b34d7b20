package verge.app.rework;

import java.security.Principal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import verge.app.form.Answers;
import verge.app.journal.Author;
import verge.app.journal.EntryWords;
import verge.app.journal.JournalService;
import verge.app.journal.Value;
import verge.app.points.PointNames;
import verge.app.points.SitePoints;
import verge.app.pole.PrismTable;
import verge.app.words.StationWords;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;

/** Pages that correct one line or several. */
@Controller
@RequestMapping("/jobs/{job}/rework")
class ReworkController {
    /** More than so many of a file's points are not asked for at once: the one is named. */
    private static final int MOST_VALUES = 400;

    private final ReworkService reworks;
    private final JournalService journals;
    private final SitePoints points;
    private final PrismTable prisms;
    private final EntryWords words;

    ReworkController(ReworkService reworks, JournalService journals, SitePoints points, PrismTable prisms, EntryWords words) {
        this.reworks = reworks;
        this.journals = journals;
        this.points = points;
        this.prisms = prisms;
        this.words = words;
    }

    /** What belongs together in a line: what is typed, what is ticked, what was read. */
    record Group(String name, List<? extends Value<?>> typed, List<? extends Value<?>> ticks, List<? extends Value<?>> raw) {
        static Group of(String name, List<Value<?>> values) {
            return new Group(name, values.stream().filter(v -> v.asked() == Value.Asked.WORDS || v.asked() == Value.Asked.FIGURE).toList(),
                    values.stream().filter(v -> v.asked() == Value.Asked.TICK).toList(),
                    values.stream().filter(v -> v.asked() == Value.Asked.RAW).toList());
        }
    }

    /** @param about name of the point within the line that is meant; empty for all of it */
    @GetMapping("/{entry}")
    String one(@PathVariable UUID job, @PathVariable UUID entry, @RequestParam(name = "point", defaultValue = "") String about,
            Model model) {
        Journal journal = journals.journal(job);
        Entry found = reworks.open(journal, entry);
        Map<String, List<Value<?>>> groups = words.values(journal, found)
                .filter(v -> about.isBlank() || v.group().isEmpty() || v.group().equals(about)).limit(MOST_VALUES + 1L)
                .collect(Collectors.groupingBy(Value::group, LinkedHashMap::new, Collectors.toList()));
        boolean many = groups.values().stream().mapToInt(List::size).sum() > MOST_VALUES;
        model.addAttribute("entry", entry);
        model.addAttribute("line", found.sequence());
        model.addAttribute("kind", words.margin(found));
        model.addAttribute("text", words.countingText(journal, found));
        model.addAttribute("about", about);
        model.addAttribute("many", many);
        model.addAttribute("groups", many ? List.of() : groups.entrySet().stream().map(g -> Group.of(g.getKey(), g.getValue())).toList());
        offered(job, model);
        return "rework/one";
    }

    private void offered(UUID job, Model model) {
        model.addAttribute("names", PointNames.offered(points.state(job)));
        model.addAttribute("prisms", prisms.of(job));
    }

    /** A leaf to choose. */
    record LeafChoice(UUID entry, String words) {
    }

    @GetMapping
    String several(@PathVariable UUID job, @RequestParam Map<String, String> fields, Model model) {
        Journal journal = journals.journal(job);
        JobState state = journal.state();
        Entry last = journal.entries().get(journal.entries().size() - 1);
        model.addAttribute("a", new Answers(fields));
        model.addAttribute("kinds", SeveralAnswers.Kind.values());
        model.addAttribute("whats", SeveralAnswers.What.values());
        model.addAttribute("leaves", state.leaves().all().stream()
                .map(l -> new LeafChoice(l.entry(), "leaf " + l.number() + ", " + StationWords.of(l.written()))).toList());
        model.addAttribute("day", state.settings().times().localDate(last.at()).toString());
        model.addAttribute("clock", state.settings().times().clockAt(last.at()));
        model.addAttribute("unit", state.settings().figures().lengthUnit().symbol());
        model.addAttribute("air", state.settings().figures().air());
        offered(job, model);
        return "rework/several";
    }

    @PostMapping("/{entry}/preview")
    @ResponseBody
    Seen preview(@PathVariable UUID job, @PathVariable UUID entry, @RequestParam Map<String, String> fields) {
        return Seen.of(reworks.preview(job, entry, fields));
    }

    @PostMapping("/preview")
    @ResponseBody
    Seen preview(@PathVariable UUID job, @RequestParam Map<String, String> fields) {
        return Seen.of(reworks.preview(job, several(job, fields)));
    }

    private ReworkService.Several several(UUID job, Map<String, String> fields) {
        JobState state = journals.state(job);
        return SeveralAnswers.read(new Answers(fields), state, reworks.typed(job, state));
    }

    @PostMapping("/{entry}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void write(@PathVariable UUID job, @PathVariable UUID entry, @RequestParam UUID id, @RequestParam(defaultValue = "") String reason,
            @RequestParam(required = false) Long asOf,
            @RequestParam Map<String, String> fields, Principal person) {
        reworks.write(job, entry, fields, reason, asOf(asOf), new Author(id, person.getName(), "page"));
    }

    @PostMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void write(@PathVariable UUID job, @RequestParam UUID id, @RequestParam(defaultValue = "") String reason,
            @RequestParam(required = false) Long asOf, @RequestParam Map<String, String> fields, Principal person) {
        reworks.write(job, several(job, fields), reason, asOf(asOf), new Author(id, person.getName(), "page"));
    }

    private static OptionalLong asOf(Long seen) {
        return seen == null ? OptionalLong.empty() : OptionalLong.of(seen);
    }
}
