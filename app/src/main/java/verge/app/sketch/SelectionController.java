package verge.app.sketch;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import verge.app.coding.Codebooks;
import verge.app.drawing.Layers;
import verge.app.drawing.PlacedFile;
import verge.app.drawing.SiteDrawings;
import verge.app.form.Answers;
import verge.app.journal.JournalService;
import verge.app.points.ChosenPositions;
import verge.core.cogo.Tool;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.coding.PointName;
import verge.core.drawing.Selection;
import verge.core.job.JobState;
import verge.core.plan.Vertices;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Selecting in the sketch: by an outline, by a code, a layer or a string; and what the selected comes to. */
@Controller
@RequestMapping("/jobs/{job}/sketch")
class SelectionController {
    private static final int NAMES_SHOWN = 30;
    /** More names would not fit into an address. */
    private static final int NAMES_TAKEN = 250;

    private final JournalService journals;
    private final SiteDrawings drawings;
    private final Layers layers;
    private final Codebooks codebooks;

    SelectionController(JournalService journals, SiteDrawings drawings, Layers layers, Codebooks codebooks) {
        this.journals = journals;
        this.drawings = drawings;
        this.layers = layers;
        this.codebooks = codebooks;
    }

    /** What the selected things come to: those wholly within the outline, on layers that are shown. */
    @PostMapping("/selection")
    String selection(@PathVariable UUID job, @RequestParam List<Double> north, @RequestParam List<Double> east, Model model) {
        if (north.size() != east.size() || north.size() < 3) {
            throw new SurveyException(Problem.REQUEST_UNFIT);
        }
        Vertices.Builder outline = new Vertices.Builder();
        IntStream.range(0, north.size()).forEach(i -> outline.add(north.get(i), east.get(i)));
        Selection selection = new Selection(outline.build());
        JobState state = journals.state(job);
        Selected selected = new Selected(state);
        state.points().all().filter(p -> state.isHere(p) && selection.contains(p.position().plan())).forEach(selected::add);
        state.strings().all().stream().filter(s -> s.vertices().stream().allMatch(v -> state.floor().holds(v.position().elevation())))
                .forEach(s -> state.strings().shape(s).paths().stream()
                .filter(path -> selection.contains(path.vertices())).forEach(selected.tally::addLine));
        for (PlacedFile placed : drawings.ready(job, state)) {
            List<Layers.Used> used = layers.of(placed);
            placed.drawing().features().stream()
                    .filter(f -> used.get(f.layer()).shown() && state.floor().holds(f.vertices()) && selection.contains(f.vertices()))
                    .forEach(selected.tally::add);
        }
        return selected.show(job, selection.outline(), model);
    }

    /** What is being selected: points of the job by their names, and what all comes to. */
    private static final class Selected {
        private final JobState state;
        private final Selection.Tally tally = new Selection.Tally();
        private final List<String> names = new ArrayList<>();
        private final Vertices.Builder where = new Vertices.Builder();

        private Selected(JobState state) {
            this.state = state;
        }

        private void add(StoredPoint p) {
            tally.addPoint(p.position().elevation().map(e -> OptionalDouble.of(e.metres())).orElse(OptionalDouble.empty()));
            names.add(p.name().text());
            where.add(p.position().plan().northing(), p.position().plan().easting());
        }

        /** @param at where distances are told; empty for where its points lie */
        private String show(UUID job, Vertices at, Model model) {
            model.addAttribute("job", job);
            model.addAttribute("all", String.join(", ", names.stream().distinct().limit(NAMES_TAKEN).toList()));
            model.addAttribute("own", names.size());
            String every = String.join(", ", names.stream().distinct().toList());
            model.addAttribute("tooMany", every.length() > Answers.LONGEST);
            model.addAttribute("every", every.length() > Answers.LONGEST ? "" : every);
            model.addAttribute("offers", names.size() < 2 || every.length() > Answers.LONGEST ? List.of() : Tool.ofPoints(names.size()));
            model.addAttribute("points", tally.points() - names.size());
            model.addAttribute("lines", tally.lines());
            model.addAttribute("words", tally.words());
            model.addAttribute("names", String.join(", ", names.stream().limit(NAMES_SHOWN).toList())
                    + (names.size() > NAMES_SHOWN ? " \u2026" : ""));
            model.addAttribute("figures", Figure.of(tally, state, at.size() == 0 ? where.build() : at));
            return "sketch/thing :: selection";
        }
    }

    /** Something that can be selected by: a code or a layer of the codebook. @param count of measured points */
    record Common(String value, String words, long count) {
    }

    /** The codes and the layers of what was measured, to select by. */
    @GetMapping("/common")
    String common(@PathVariable UUID job, Model model) {
        Codebook book = codebooks.of(job);
        Map<Code, Long> codes = measured(journals.state(job))
                .collect(Collectors.groupingBy(StoredPoint::code, () -> new TreeMap<>(Comparator.comparing(Code::text)),
                Collectors.counting()));
        Map<String, Long> onLayers = new TreeMap<>();
        codes.forEach((code, count) -> onLayers.merge(layer(book, code), count, Long::sum));
        model.addAttribute("codes", codes.entrySet().stream().filter(e -> !e.getKey().equals(Code.NONE))
                .map(e -> new Common(e.getKey().text(), book.row(e.getKey()).map(Codebook.Row::meaning).orElse(""), e.getValue()))
                .toList());
        model.addAttribute("layers", onLayers.entrySet().stream().filter(e -> !e.getKey().isEmpty())
                .map(e -> new Common(e.getKey(), "", e.getValue())).toList());
        return "sketch/thing :: common";
    }

    private static Stream<StoredPoint> measured(JobState state) {
        return state.points().all().filter(p -> p.origin() == Origin.MEASURED && state.isHere(p));
    }

    private static String layer(Codebook book, Code code) {
        return book.row(code).map(row -> row.drawn().layer()).orElse("");
    }

    /** Points of the job by their names, parted by commas: the position that counts of each. Names that are gone are left out. */
    @PostMapping("/selection/names")
    String named(@PathVariable UUID job, @RequestParam String names, Model model) {
        JobState state = journals.state(job);
        Selected selected = new Selected(state);
        Arrays.stream(names.split(",")).map(String::strip).filter(name -> !name.isEmpty()).distinct()
                .flatMap(name -> state.points().own(PointName.parse(name)).stream()).forEach(selected::add);
        return selected.show(job, new Vertices.Builder().build(), model);
    }

    /**
     * Positions as the table of points selects them.
     *
     * @param chosen as {@link ChosenPositions} reads it; those that are gone are left out
     */
    @PostMapping("/selection/points")
    String positions(@PathVariable UUID job, @RequestParam String chosen, Model model) {
        JobState state = journals.state(job);
        Selected selected = new Selected(state);
        ChosenPositions.read(chosen, state).there().forEach(selected::add);
        return selected.show(job, new Vertices.Builder().build(), model);
    }

    /** What was measured of one code, of one layer, or on one string. */
    @PostMapping("/selection/common")
    String selected(@PathVariable UUID job, @RequestParam(defaultValue = "") String code, @RequestParam(defaultValue = "") String layer,
            @RequestParam(required = false) UUID string, Model model) {
        JobState state = journals.state(job);
        Codebook book = codebooks.of(job);
        Set<UUID> onString = string == null ? Set.of() : state.strings().find(string)
                .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this string")).vertices().stream().map(v -> v.id().by())
                .collect(Collectors.toSet());
        Predicate<Code> wanted = c -> !code.isEmpty() ? c.text().equals(code) : !layer.isEmpty() && layer(book, c).equals(layer);
        Selected selected = new Selected(state);
        measured(state).filter(p -> string == null ? wanted.test(p.code()) : onString.contains(p.entry())).forEach(selected::add);
        state.strings().all().stream().filter(s -> string == null ? wanted.test(s.name().code()) : s.id().equals(string))
                .forEach(s -> state.strings().shape(s).paths().forEach(selected.tally::addLine));
        return selected.show(job, new Vertices.Builder().build(), model);
    }
}
