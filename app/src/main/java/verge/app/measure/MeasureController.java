package verge.app.measure;

import java.security.Principal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;
import verge.app.attributes.AttributeService;
import verge.app.coding.Codebooks;
import verge.app.floor.FloorWords;
import verge.app.form.Answers;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.app.points.PointNames;
import verge.app.pole.PrismTable;
import verge.app.sketch.SketchPoint;
import verge.app.sketch.SketchString;
import verge.core.coding.Codebook;
import verge.core.doubt.ShotDoubts;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.measure.Measured;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.pole.TargetInUse;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobSettings;
import verge.core.units.Figures;

/** The bench for measuring points. */
@Controller
@RequestMapping("/jobs/{job}/measure")
class MeasureController {
    private static final int SHOTS_SHOWN = 40;
    private static final int MOST_ARMED = 20;
    private static final int LAST_CORRECTED = 10;
    private static final int POLES_SHOWN = 3;
    private static final String NOTE = "note:";

    private final MeasureService measuring;
    private final FindingService finding;
    private final OccupationService occupying;
    private final JournalService journals;
    private final Codebooks codebooks;
    private final AttributeService attributes;
    private final PrismTable prisms;
    private final JsonMapper json;

    MeasureController(MeasureService measuring, FindingService finding, OccupationService occupying, JournalService journals,
            Codebooks codebooks, AttributeService attributes, PrismTable prisms, JsonMapper json) {
        this.measuring = measuring;
        this.finding = finding;
        this.occupying = occupying;
        this.journals = journals;
        this.codebooks = codebooks;
        this.attributes = attributes;
        this.prisms = prisms;
        this.json = json;
    }

    /** One of the latest points, in finished text. */
    record ShotLine(String name, String code, String first, String second, String elevation) {
    }

    /** The shot that one touch strikes through, or brings back. */
    record LastShot(UUID entry, String name, boolean struck) {
    }

    @GetMapping
    String bench(@PathVariable UUID job, Model model) {
        Journal journal = journals.journal(job);
        Figures f = journal.state().settings().figures();
        List<StoredPoint> latest = journal.state().points().latestMeasured().limit(Math.max(SHOTS_SHOWN, LAST_CORRECTED)).toList();
        Codebook book = codebooks.of(job);
        model.addAttribute("prisms", prisms.of(job));
        model.addAttribute("noteFields", journal.state().settings().work().noteFields());
        model.addAttribute("next", PointNames.next(journal));
        model.addAttribute("code", MeasureService.lastCode(journal));
        model.addAttribute("legend", Legend.of(book, journal.state().points().codes()));
        model.addAttribute("codes", book.rows().size());
        model.addAttribute("count", journal.state().points().count(Origin.MEASURED));
        model.addAttribute("shots", latest.stream().limit(SHOTS_SHOWN).map(p -> line(journal.state().settings(), p)).toList());
        model.addAttribute("unit", f.lengthUnit().symbol());
        model.addAttribute("metresPerUnit", f.lengthUnit().metresPerUnit());
        model.addAttribute("poles", poles(journal, f));
        model.addAttribute("lastNames",
                latest.stream().limit(LAST_CORRECTED).map(p -> p.name().text()).collect(Collectors.joining(", ")));
        model.addAttribute("strings", OpenStrings.of(journal.state(), book));
        model.addAttribute("armed", json.writeValueAsString(OpenStrings.armed(journal)));
        model.addAttribute("last", journal.lastEntry(Measured.class).map(e -> lastShot(journal, e)).orElse(null));
        return "measure/measure";
    }

    /** Heights that the pole had in this job, the latest first, without the one it has. */
    private static List<String> poles(Journal journal, Figures f) {
        List<String> all = new ArrayList<>(journal.state().all(new TargetInUse()).stream().map(t -> f.bare(t.target().height())).toList());
        Collections.reverse(all);
        String now = journal.state().target().map(t -> f.bare(t.height())).orElse("");
        return all.stream().distinct().filter(height -> !height.equals(now)).limit(POLES_SHOWN).toList();
    }

    private static LastShot lastShot(Journal journal, Entry shot) {
        return new LastShot(shot.id(), ((Measured) shot.payload()).name().text(), journal.state().isStruck(shot.id()));
    }

    private static ShotLine line(JobSettings settings, StoredPoint p) {
        List<JobSettings.Coordinate> plan = settings.coordinates(p.position().plan());
        return new ShotLine(p.name().text(), p.code().text(), plan.get(0).figure(), plan.get(1).figure(),
                p.position().elevation().map(e -> settings.figures().bare(e.asLength())).orElse(""));
    }

    /** @throws SurveyException REQUEST_UNFIT */
    private List<Armed> armed(String joins) {
        try {
            List<Armed> armed = List.of(json.readValue(joins, Armed[].class));
            if (armed.size() <= MOST_ARMED) {
                return armed;
            }
            throw new SurveyException(Problem.REQUEST_UNFIT);
        } catch (JacksonException | NullPointerException unfit) {   // nothing, or nothing in the list
            throw new SurveyException(Problem.REQUEST_UNFIT);
        }
    }

    /** A job's own fields come under their names with 'note:' in front. */
    private static Map<String, String> notes(Map<String, String> fields) {
        return fields.entrySet().stream().filter(f -> f.getKey().startsWith(NOTE))
                .collect(Collectors.toMap(f -> f.getKey().substring(NOTE.length()), Map.Entry::getValue));
    }

    /** Writes or changes the notes of an earlier shot. */
    @PostMapping("/shots/{shot}/notes")
    String write(@PathVariable UUID job, @PathVariable UUID shot, @RequestParam Map<String, String> fields, Principal person) {
        measuring.writeNotes(job, shot, notes(fields), Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/book";
    }

    /**
     * @param line of the book that it stands in
     * @param point to draw; absent if an entry of the same id was stored and has since been struck
     * @param elsewhere that it does not lie on the floor that is worked on, in words; empty if it does
     * @param strings those that it joined, to draw
     * @param before it was stored by an earlier request whose answer was lost: nothing was measured now
     */
    record Stored(long line, SketchPoint point, List<SketchString> strings, String next, String elsewhere, boolean before) {
    }

    /** @param by 'receiver' for a satellite receiver; else the instrument */
    @PostMapping("/shots")
    @ResponseBody
    CompletableFuture<Stored> shoot(@PathVariable UUID job, @RequestParam UUID id, @RequestParam String name, @RequestParam String code,
            @RequestParam(defaultValue = "[]") String joins, @RequestParam(defaultValue = "false") boolean again,
            MeasureService.Beside beside, @RequestParam(defaultValue = "") String by,
            @RequestParam Map<String, String> fields, Principal person) {
        CompletableFuture<Kept> kept = by.equals("receiver")
                ? occupying.measure(job, id, name, code, notes(fields), armed(joins), again, fields.getOrDefault("reason", ""),
                person.getName())
                : measuring.measure(job, id, name, code, notes(fields), beside, armed(joins), again, person.getName());
        return kept.thenApply(k -> stored(job, k));
    }

    private Stored stored(UUID job, Kept kept) {
        Journal journal = journals.journal(job);
        Optional<StoredPoint> point = journal.state().points().of(kept.entry().id()).stream().findFirst();
        Codebook book = codebooks.of(job);
        List<SketchString> strings = journal.state().strings().touchedBy(kept.entry())
                .flatMap(s -> journal.state().strings().find(s).stream())
                .map(s -> SketchString.of(journal.state(), s, book)).toList();
        return new Stored(kept.entry().sequence(), point.map(p -> SketchPoint.of(p, book)).orElse(null), strings,
                PointNames.next(journal).text(),
                point.flatMap(p -> FloorWords.elsewhere(journal.state(), p)).orElse(""), kept.before());
    }

    /**
     * One sight for a point without a prism.
     *
     * @param stored the point, with its last sight; null until then
     * @param told what came out besides the place, in words
     * @param before it was taken by an earlier request whose answer was lost: nothing was measured now
     */
    record SightKept(Stored stored, String told, boolean before) {
    }

    /** @param id of the point to be @param place of the sight, from 1 */
    @PostMapping("/sights")
    @ResponseBody
    CompletableFuture<SightKept> sight(@PathVariable UUID job, @RequestParam UUID id, @RequestParam int place, @RequestParam String name,
            @RequestParam String code, @RequestParam(defaultValue = "[]") String joins,
            @RequestParam(defaultValue = "false") boolean again, @RequestParam Map<String, String> fields, Principal person) {
        FindingService.Wanted wanted = new FindingService.Wanted(name, code, notes(fields), armed(joins), again, new Answers(fields));
        return finding.take(job, id, place, wanted, person.getName())
                .thenApply(kept -> kept.entry().id()
                .equals(id) ? new SightKept(stored(job, kept), finding.told(journals.state(job), id), kept.before())
                : new SightKept(null, "", kept.before()));
    }

    /**
     * What is to be said of a shot once it is drawn.
     *
     * @param doubts what may be a slip, in words
     * @param asks about which shots and strings the codebook asks something
     */
    record After(List<String> doubts, List<UUID> asks) {
    }

    /** Asked for when the shot is drawn: looking at all that was shot before must not hold it up. */
    @GetMapping("/shots/{shot}/after")
    @ResponseBody
    After after(@PathVariable UUID job, @PathVariable UUID shot) {
        Journal journal = journals.journal(job);
        Entry entry = journal.entry(shot).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this shot"));
        return new After(ShotDoubts.of(journal, entry, codebooks.of(job)).stream()
                .map(d -> DoubtWords.of(d, journal.state().settings().figures())).toList(),
                attributes.after(job, journal, entry).stream().map(AttributeService.Form::subject).toList());
    }
}
