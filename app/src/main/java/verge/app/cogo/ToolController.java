package verge.app.cogo;

import java.security.Principal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RequestParam;
import tools.jackson.databind.json.JsonMapper;
import verge.app.form.Answers;
import verge.app.journal.Author;
import verge.app.points.PointNames;
import verge.app.problem.ProblemWords;
import verge.app.search.UsedLately;
import verge.app.words.Words;
import verge.core.cogo.Slot;
import verge.core.cogo.Tool;
import verge.core.job.JobState;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** The bench of each computation: what it wants, and what comes out while it is given. */
@Controller
@RequestMapping("/jobs/{job}/compute")
class ToolController {
    /** What is given by points. */
    private static final Slot.Kind[] PICKED = {Slot.Kind.POINT, Slot.Kind.POINTS, Slot.Kind.LINE};

    private final ComputeService computations;
    private final ComputeWords words;
    private final ProblemWords problems;
    private final JsonMapper json;
    private final UsedLately used;

    ToolController(ComputeService computations, ComputeWords words, ProblemWords problems, JsonMapper json, UsedLately used) {
        this.used = used;
        this.computations = computations;
        this.words = words;
        this.problems = problems;
        this.json = json;
    }

    /** A field of the bench. @param choices word and its text */
    record Field(Slot slot, String label, List<String[]> choices) {
    }

    record Listed(String group, List<Tile> tools) {
    }

    /**
     * A computation to be chosen.
     *
     * @param path its address under that of computing
     * @param words all that it may be looked for by
     * @param counts with how many selected points it can begin, parted by blanks; 5 stands for more
     */
    record Tile(String path, String title, String hint, String words, String counts, ToolDrawing drawing) {
    }

    private static final String BENCH = "bench:compute/";
    private static final int MOST_POINTS_TOLD_APART = 5;
    private static final int MOST_USED_SHOWN = 4;

    private Tile tile(Tool tool) {
        List<Tool> ofOne = Tool.ofPoint();
        String counts = IntStream.rangeClosed(1, MOST_POINTS_TOLD_APART)
                .filter(n -> n == 1 ? ofOne.contains(tool) : Tool.ofPoints(n).contains(tool)).mapToObj(String::valueOf)
                .collect(Collectors.joining(" "));
        return new Tile("tools/" + tool, words.tool(tool), words.hint(tool), String.join(" ", words.tool(tool), words.hint(tool),
                Words.of("search.also." + tool)), counts, ToolDrawing.of(tool.name()));
    }

    /** Benches of their own that compute. */
    private static List<Tile> benches() {
        return List.of(bench("inverse", "INVERSE", "2"), bench("fit", "FIT", "2 3 4 5"), bench("localise", "LOCALISE", ""));
    }

    private static Tile bench(String path, String door, String counts) {
        String title = Words.of("search.door." + door);
        String also = Words.of("search.also." + door);
        return new Tile(path, title, also, title + " " + also, counts, ToolDrawing.of(door));
    }

    /** All computations, those first that were used last. */
    @GetMapping({"", "/tools"})
    String tools(@PathVariable UUID job, Principal person, Model model) {
        List<Listed> groups = new ArrayList<>();
        groups.add(new Listed(Words.of("compute.group.usual"), benches()));
        Arrays.stream(Tool.Group.values()).map(group -> new Listed(words.group(group),
                Arrays.stream(Tool.values()).filter(t -> t.group() == group).map(this::tile).toList())).forEach(groups::add);
        model.addAttribute("groups", groups);
        model.addAttribute("lately", used.of(job, person.getName()).stream().filter(thing -> thing.startsWith(BENCH))
                .flatMap(thing -> groups.stream().flatMap(g -> g.tools().stream()).filter(t -> thing.equals(BENCH + t.path())))
                .limit(MOST_USED_SHOWN).toList());
        return "cogo/tools";
    }

    @RequestMapping(path = "/tools/{tool}", method = {RequestMethod.GET, RequestMethod.POST})
    String bench(@PathVariable UUID job, @PathVariable String tool, @RequestParam MultiValueMap<String, String> sent, Principal person,
            Model model) {
        Tool chosen = chosen(tool);
        used.use(job, person.getName(), BENCH + "tools/" + chosen);
        JobState state = computations.state(job);
        // What was touched or selected stands in the first field.
        Answers answers = sent.containsKey("with") ? Answers.whole(sent)
                .with(Map.of(chosen.slots().get(0).id(), sent.getFirst("with"))) : Answers.whole(sent);
        model.addAttribute("tool", chosen);
        model.addAttribute("toolWords", words.tool(chosen));
        model.addAttribute("hint", words.hint(chosen));
        List<Field> fields = chosen.slots().stream()
                .map(s -> new Field(s, words.slot(s), s.choices().stream().map(c -> new String[] {c, words.choice(s, c)}).toList()))
                .toList();
        List<Field> seldom = fields.stream().filter(f -> f.slot().seldom()).toList();
        model.addAttribute("fields", fields);
        model.addAttribute("seldom", seldom);
        model.addAttribute("seldomLabels", seldom.stream().map(Field::label).toList());
        model.addAttribute("seldomGiven", seldom.stream().anyMatch(f -> !answers.text(f.slot().id()).isEmpty()));
        model.addAttribute("names", PointNames.offered(state));
        Map<String, String> typed = new HashMap<>(Map.of("areaScale", state.settings().ground().distanceWord()));
        typed.putAll(answers.texts());
        model.addAttribute("typed", typed);
        model.addAttribute("onGround", !state.settings().ground().distanceWord().equals("grid"));
        model.addAttribute("entry", UUID.randomUUID());
        model.addAttribute("measures", state.leaves().open().isPresent() && Arrays.stream(PICKED)
                .anyMatch(kind -> chosen.slots().stream().anyMatch(s -> s.kind() == kind)));
        model.addAttribute("next", PointNames.next(computations.journal(job)));
        worked(job, state, chosen, answers, model);
        return "cogo/tool";
    }

    /** What comes out of what is given so far. */
    @RequestMapping(path = "/tools/{tool}/worked", method = {RequestMethod.GET, RequestMethod.POST})
    String worked(@PathVariable UUID job, @PathVariable String tool, @RequestParam MultiValueMap<String, String> sent, Model model) {
        worked(job, computations.state(job), chosen(tool), Answers.whole(sent), model);
        return "cogo/tool :: worked";
    }

    private void worked(UUID job, JobState state, Tool tool, Answers answers, Model model) {
        boolean begun = tool.slots().stream().anyMatch(s -> !answers.text(s.id()).isEmpty() && s.kind() != Slot.Kind.WORD);
        try {
            if (begun) {
                WorkedView view = WorkedView.of(computations.work(job, state, tool, answers), state.settings(), words);
                model.addAttribute("worked", view);
                model.addAttribute("drawing", json.writeValueAsString(view.drawing()));
                model.addAttribute("curve", view.curve() == null ? null : json.writeValueAsString(view.curve()));
            }
        } catch (SurveyException cannot) {
            boolean waits = cannot.problem() == Problem.COMPUTE_LACKS;
            model.addAttribute(waits ? "lacks" : "refused", problems.say(cannot));
        }
    }

    @PostMapping("/tools/{tool}/note")
    String note(@PathVariable UUID job, @PathVariable String tool, @RequestParam UUID entry,
            @RequestParam MultiValueMap<String, String> sent, Principal person) {
        computations.note(job, chosen(tool), Answers.whole(sent), new Author(entry, person.getName(), "page"));
        return "redirect:/jobs/" + job + "/compute/tools/" + chosen(tool);
    }

    private static Tool chosen(String tool) {
        return Tool.named(tool).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "computation"));
    }
}
