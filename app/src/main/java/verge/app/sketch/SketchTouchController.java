package verge.app.sketch;

import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
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
import verge.app.cogo.FileLines;
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
import verge.core.cogo.Tool;
import verge.core.drawing.DesignChosen;
import verge.core.drawing.Feature;
import verge.core.drawing.Role;
import verge.core.drawing.Selection;
import verge.core.enclosure.Photo;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.plan.Vertices;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Figures;
import verge.core.units.Length;

/** What is done with the sketch itself: asking what lies under the finger, choosing layers and the current design. */
@Controller
@RequestMapping("/jobs/{job}/sketch")
class SketchTouchController {
    private final JournalService journals;
    private final SiteDrawings drawings;
    private final SiteFileService files;
    private final Layers layers;
    private final SitePoints points;
    private final PointService pointService;
    private final EntryWords words;

    SketchTouchController(JournalService journals, SiteDrawings drawings, SiteFileService files, Layers layers, SitePoints points,
            PointService pointService, EntryWords words) {
        this.journals = journals;
        this.drawings = drawings;
        this.files = files;
        this.layers = layers;
        this.points = points;
        this.pointService = pointService;
        this.words = words;
    }

    /** @param reach how far, in metres, a corner may lie from the touched place to be meant */
    @GetMapping("/thing")
    String thing(@PathVariable UUID job, @RequestParam UUID file, @RequestParam int feature, @RequestParam double north,
            @RequestParam double east,
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
        boolean isLine = layer.role() != Role.UNDERLAY && FileLines.isLine(own);
        model.addAttribute("job", job);
        model.addAttribute("line", FileLines.name(placed, feature));
        model.addAttribute("offers", isLine ? Tool.ofLine(own instanceof Feature.Run run && run.path().closed()) : List.of());
        int corner = own instanceof Feature.Run ? corner(own.vertices(), north, east, reach) : -1;
        model.addAttribute("corner", corner);
        model.addAttribute("cornerPlace", corner < 0 ? "" : state.settings().place(own.vertices().position(corner)));
        model.addAttribute("cornerName",
                corner < 0 ? "" : points.freeCornerName(job, own.name().isEmpty() ? layer.layer().name() : own.name(), corner).text());
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
        List<Figure> lines = new ArrayList<>(Figure.of(tally, state, feature.vertices()));
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
        profile.turns().forEach(t -> found.add(new Figure((t.highest() ? "Highest at " : "Lowest at ")
                + f.station(new Length(line.stationing().station(t.distance()))), f.length(new Length(t.height())))));
        profile.grade(0).ifPresent(g -> found.add(new Figure("Grade at its beginning", f.grade(g))));
        profile.grade(line.length()).ifPresent(g -> found.add(new Figure("Grade at its end", f.grade(g))));
        return found;
    }

    /** A point of the job: what it is, and the ways on to how it came about. */
    @GetMapping("/point")
    String point(@PathVariable UUID job, @RequestParam UUID entry, @RequestParam String name, Model model) {
        Journal journal = journals.journal(job);
        StoredPoint point = journal.state().points().of(entry).stream().filter(p -> p.name().text().equals(name)).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, name));
        Entry line = journal.entry(entry).orElseThrow();
        model.addAttribute("job", job);
        model.addAttribute("entry", entry);
        model.addAttribute("name", name);
        model.addAttribute("code", point.code().text());
        model.addAttribute("offers", Tool.ofPoint());
        model.addAttribute("description", point.description());
        model.addAttribute("origin", point.origin().word());
        model.addAttribute("line", line.sequence());
        model.addAttribute("place", journal.state().settings().place(point.position()));
        model.addAttribute("sigma", point.sigma().map(s -> "\u03c3 " + journal.state().settings().figures().small(s.plan())).orElse(""));
        model.addAttribute("answers", journal.state().answersOf(entry).entrySet());
        model.addAttribute("photos", journal.state().enclosures().photos().filter(p -> p.taken().subject().equals(entry)).map(Photo::id)
                .toList());
        model.addAttribute("correctable", words.correctable(journal, line));
        boolean counts = journal.state().points().own(point.name()).filter(point::equals).isPresent();
        long others = journal.state().points().named(point.name()).size() - 1L;
        model.addAttribute("others", others);
        model.addAttribute("counts", counts);
        model.addAttribute("byHand", journal.state().points().isByHand(point.name()));
        return "sketch/thing :: point";
    }

    /** Lets this position of its name count. @param entry that gave it; left out for the usual order again */
    @PostMapping("/counting")
    String counting(@PathVariable UUID job, @RequestParam String name, @RequestParam(required = false) UUID entry, Principal person) {
        pointService.choose(job, name, Optional.ofNullable(entry), Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/book";
    }

    /** The name under which a corner of a design line was taken on. */
    record Taken(String name) {
    }

    /** Makes a corner of a design line a design point of the job, so that it can be staked. */
    @PostMapping("/corner")
    @ResponseBody
    Taken corner(@PathVariable UUID job, @RequestParam UUID file, @RequestParam int feature, @RequestParam int corner,
            @RequestParam String name, Principal person) {
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
        return new Taken(points.takeCorner(job, placed.file().name() + ", layer " + layer.layer().name(), placed.file().sha256(), name,
                own.vertices().position(corner), Author.atPage(person.getName())).text());
    }

    @PostMapping("/layers")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void layer(@PathVariable UUID job, @RequestParam UUID file, @RequestParam String layer, @RequestParam boolean shown,
            @RequestParam Role role) {
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
