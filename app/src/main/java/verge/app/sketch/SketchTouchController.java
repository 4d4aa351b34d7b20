package verge.app.sketch;

import java.security.Principal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
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
import verge.app.coding.Codebooks;
import verge.app.drawing.Layers;
import verge.app.drawing.PlacedFile;
import verge.app.drawing.SiteDrawings;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.journal.Author;
import verge.app.journal.EntryWords;
import verge.app.journal.JournalService;
import verge.app.points.PointService;
import verge.app.points.SitePoints;
import verge.core.alignment.Alignment;
import verge.core.alignment.Profile;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.drawing.DesignChosen;
import verge.core.drawing.Feature;
import verge.core.drawing.Role;
import verge.core.drawing.Selection;
import verge.core.enclosure.Photo;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.plan.Vertices;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Figures;
import verge.core.units.Length;

/** What is done with the sketch itself: asking what lies under the finger, selecting, choosing layers and the current design. */
@Controller
@RequestMapping("/jobs/{job}/sketch")
class SketchTouchController {
    private static final int CORNERS_SHOWN = 30;
    /** More names would not fit into an address. */
    private static final int NAMES_TAKEN = 250;

    private final JournalService journals;
    private final SiteDrawings drawings;
    private final SiteFileService files;
    private final Layers layers;
    private final SitePoints points;
    private final PointService pointService;
    private final EntryWords words;
    private final Codebooks codebooks;

    SketchTouchController(JournalService journals, SiteDrawings drawings, SiteFileService files, Layers layers, SitePoints points, PointService pointService, EntryWords words, Codebooks codebooks) {
        this.journals = journals;
        this.drawings = drawings;
        this.files = files;
        this.layers = layers;
        this.points = points;
        this.pointService = pointService;
        this.words = words;
        this.codebooks = codebooks;
    }

    /** A line of figures with its name. */
    record Figure(String name, String figure) {
    }

    /** @param reach how far, in metres, a corner may lie from the touched place to be meant */
    @GetMapping("/thing")
    String thing(@PathVariable UUID job, @RequestParam UUID file, @RequestParam int feature, @RequestParam double north, @RequestParam double east,
            @RequestParam double reach, Model model) {
        JobState state = journals.state(job);
        PlacedFile placed = drawings.file(job, state, file);
        Feature own = feature(placed, feature);
        Layers.Used layer = layers.of(placed).get(own.layer());
        model.addAttribute("name", own.name());
        model.addAttribute("file", placed.file());
        model.addAttribute("layer", layer.layer().name());
        model.addAttribute("pickable", layer.role() == Role.DESIGN);
        model.addAttribute("role", layer.role().word());
        model.addAttribute("figures", figures(own, state));
        model.addAttribute("feature", feature);
        int corner = own instanceof Feature.Run ? corner(own.vertices(), north, east, reach) : -1;
        model.addAttribute("corner", corner);
        model.addAttribute("cornerPlace", corner < 0 ? "" : state.settings().place(own.vertices().position(corner)));
        model.addAttribute("cornerName", corner < 0 ? "" : points.freeCornerName(job, own.name().isEmpty() ? layer.layer().name() : own.name(), corner).text());
        return "sketch/thing :: thing";
    }

    /** The corner nearest to a place; −1 if none is near enough. */
    private static int corner(Vertices v, double north, double east, double reach) {
        int nearest = -1;
        double least = reach;
        for (int i = 0; i < v.size(); i++) {
            double away = Math.hypot(v.north(i) - north, v.east(i) - east);
            if (away <= least) {
                least = away;
                nearest = i;
            }
        }
        return nearest;
    }

    private static Feature feature(PlacedFile placed, int feature) {
        if (feature < 0 || feature >= placed.drawing().features().size()) {
            throw new SurveyException(Problem.NOT_FOUND, placed.file().name());
        }
        return placed.drawing().features().get(feature);
    }

    private static List<Figure> figures(Feature feature, JobState state) {
        Selection.Tally tally = new Selection.Tally();
        tally.add(feature);
        List<Figure> lines = new ArrayList<>(figures(tally, state, feature.vertices()));
        if (feature instanceof Feature.Spot spot && !spot.description().isEmpty()) {
            lines.add(0, new Figure("Described as", spot.description()));
        } else if (feature instanceof Feature.Axis axis) {
            axis.alignment().profile().ifPresent(profile -> lines.addAll(along(axis.alignment(), profile, state.settings().figures())));
        }
        return lines;
    }

    /** Where water parts and gathers along a line with heights, and how steeply it begins and ends. */
    private static List<Figure> along(Alignment line, Profile profile, Figures f) {
        List<Figure> found = new ArrayList<>();
        profile.turns().forEach(t -> found.add(new Figure((t.highest() ? "Highest at " : "Lowest at ") + f.station(new Length(line.stationing().station(t.distance()))), f.length(new Length(t.height())))));
        profile.grade(0).ifPresent(g -> found.add(new Figure("Grade at its beginning", f.grade(g))));
        profile.grade(line.length()).ifPresent(g -> found.add(new Figure("Grade at its end", f.grade(g))));
        return found;
    }

    private static List<Figure> figures(Selection.Tally tally, JobState state, Vertices where) {
        Figures f = state.settings().figures();
        double told = where.size() == 0 || state.geodesy().plane().isEmpty() ? 1 : state.toldPerGrid(where.position(0));
        List<Figure> lines = new ArrayList<>();
        if (tally.lines() > 0) {
            lines.add(new Figure(tally.lines() == 1 ? "Length" : "Length of all lines", f.length(new Length(tally.gridLength() * told))));
        }
        if (tally.closedLines() > 0) {
            lines.add(new Figure(tally.closedLines() == 1 ? "Area" : "Areas together", f.area(tally.gridArea() * told * told)));
        }
        tally.lowest().ifPresent(low -> {
            lines.add(new Figure("Lowest", f.length(new Length(low))));
            lines.add(new Figure("Highest", f.length(new Length(tally.highest().orElse(low)))));
        });
        if (tally.verticesWithoutHeight() > 0) {
            lines.add(new Figure("Without a height", Integer.toString(tally.verticesWithoutHeight())));
        }
        return lines;
    }

    /** A point of the job: what it is, and the ways on to how it came about. */
    @GetMapping("/point")
    String point(@PathVariable UUID job, @RequestParam UUID entry, @RequestParam String name, Model model) {
        Journal journal = journals.journal(job);
        StoredPoint point = journal.state().pointsOf(entry).stream().filter(p -> p.name().text().equals(name)).findFirst().orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, name));
        Entry line = journal.entry(entry).orElseThrow();
        model.addAttribute("job", job);
        model.addAttribute("entry", entry);
        model.addAttribute("name", name);
        model.addAttribute("code", point.code().text());
        model.addAttribute("origin", point.origin().word());
        model.addAttribute("line", line.sequence());
        model.addAttribute("place", journal.state().settings().place(point.position()));
        model.addAttribute("sigma", point.sigma().map(s -> "\u03c3 " + journal.state().settings().figures().small(s.plan())).orElse(""));
        model.addAttribute("answers", journal.state().answersOf(entry).entrySet());
        model.addAttribute("photos", journal.state().photos().filter(p -> p.taken().subject().equals(entry)).map(Photo::id).toList());
        model.addAttribute("correctable", words.correctable(journal, line));
        boolean counts = journal.state().own(point.name()).filter(point::equals).isPresent();
        long others = journal.state().allNamed(point.name()).size() - 1L;
        model.addAttribute("others", others);
        model.addAttribute("counts", counts);
        model.addAttribute("byHand", journal.state().isByHand(point.name()));
        return "sketch/thing :: point";
    }

    /** Lets this position of its name count. @param entry that gave it; left out for the usual order again */
    @PostMapping("/counting")
    String counting(@PathVariable UUID job, @RequestParam String name, @RequestParam(required = false) UUID entry, Principal person) {
        pointService.choose(job, name, Optional.ofNullable(entry), Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/book";
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
        state.points().filter(p -> state.isHere(p) && selection.contains(p.position().plan())).forEach(selected::add);
        state.strings().stream().filter(s -> s.vertices().stream().allMatch(v -> state.floor().holds(v.position().elevation()))).forEach(s -> state.shape(s).paths().stream()
                .filter(path -> selection.contains(path.vertices())).forEach(selected.tally::addLine));
        for (PlacedFile placed : drawings.ready(job, state)) {
            List<Layers.Used> used = layers.of(placed);
            placed.drawing().features().stream().filter(f -> used.get(f.layer()).shown() && state.floor().holds(f.vertices()) && selection.contains(f.vertices())).forEach(selected.tally::add);
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
            model.addAttribute("points", tally.points() - names.size());
            model.addAttribute("lines", tally.lines());
            model.addAttribute("words", tally.words());
            model.addAttribute("names", String.join(", ", names.stream().limit(CORNERS_SHOWN).toList()) + (names.size() > CORNERS_SHOWN ? " \u2026" : ""));
            model.addAttribute("figures", figures(tally, state, at.size() == 0 ? where.build() : at));
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
        Map<Code, Long> codes = measured(journals.state(job)).collect(Collectors.groupingBy(StoredPoint::code, () -> new TreeMap<>(Comparator.comparing(Code::text)), Collectors.counting()));
        Map<String, Long> onLayers = new TreeMap<>();
        codes.forEach((code, count) -> onLayers.merge(layer(book, code), count, Long::sum));
        model.addAttribute("codes", codes.entrySet().stream().filter(e -> !e.getKey().equals(Code.NONE)).map(e -> new Common(e.getKey().text(), book.row(e.getKey()).map(Codebook.Row::meaning).orElse(""), e.getValue())).toList());
        model.addAttribute("layers", onLayers.entrySet().stream().filter(e -> !e.getKey().isEmpty()).map(e -> new Common(e.getKey(), "", e.getValue())).toList());
        return "sketch/thing :: common";
    }

    private static Stream<StoredPoint> measured(JobState state) {
        return state.points().filter(p -> p.origin() == Origin.MEASURED && state.isHere(p));
    }

    private static String layer(Codebook book, Code code) {
        return book.row(code).map(row -> row.drawn().layer()).orElse("");
    }

    /** What was measured of one code, of one layer, or on one string. */
    @PostMapping("/selection/common")
    String selected(@PathVariable UUID job, @RequestParam(defaultValue = "") String code, @RequestParam(defaultValue = "") String layer, @RequestParam(required = false) UUID string, Model model) {
        JobState state = journals.state(job);
        Codebook book = codebooks.of(job);
        Set<UUID> onString = string == null ? Set.of() : state.string(string).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this string")).vertices().stream().map(v -> v.id().by()).collect(Collectors.toSet());
        Predicate<Code> wanted = c -> !code.isEmpty() ? c.text().equals(code) : !layer.isEmpty() && layer(book, c).equals(layer);
        Selected selected = new Selected(state);
        measured(state).filter(p -> string == null ? wanted.test(p.code()) : onString.contains(p.entry())).forEach(selected::add);
        state.strings().stream().filter(s -> string == null ? wanted.test(s.name().code()) : s.id().equals(string)).forEach(s -> state.shape(s).paths().forEach(selected.tally::addLine));
        return selected.show(job, new Vertices.Builder().build(), model);
    }

    /** The name under which a corner of a design line was taken on. */
    record Taken(String name) {
    }

    /** Makes a corner of a design line a design point of the job, so that it can be staked. */
    @PostMapping("/corner")
    @ResponseBody
    Taken corner(@PathVariable UUID job, @RequestParam UUID file, @RequestParam int feature, @RequestParam int corner, @RequestParam String name, Principal person) {
        JobState state = journals.state(job);
        PlacedFile placed = drawings.file(job, state, file);
        Feature own = feature(placed, feature);
        Layers.Used layer = layers.of(placed).get(own.layer());
        if (layer.role() != Role.DESIGN) {
            throw new SurveyException(Problem.UNDERLAY_PICKED, own.name().isEmpty() ? layer.layer().name() : own.name());
        }
        if (corner < 0 || corner >= own.vertices().size()) {
            throw new SurveyException(Problem.NOT_FOUND, "this corner");
        }
        return new Taken(points.takeCorner(job, placed.file().name() + ", layer " + layer.layer().name(), placed.file().sha256(), name, own.vertices().position(corner), Author.atPage(person.getName())).text());
    }

    @PostMapping("/layers")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void layer(@PathVariable UUID job, @RequestParam UUID file, @RequestParam String layer, @RequestParam boolean shown, @RequestParam Role role) {
        layers.choose(drawings.site(job), file, layer, shown, role);
    }

    @PostMapping("/design")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void design(@PathVariable UUID job, @RequestParam UUID file, Principal person) {
        SiteFile design = files.file(drawings.site(job), file);
        if (!design.role().equals(Optional.of(Role.DESIGN))) {
            throw new SurveyException(Problem.UNDERLAY_PICKED, design.name());
        }
        journals.append(job, Author.atPage(person.getName()), new DesignChosen(design.id(), design.name()));
    }
}
