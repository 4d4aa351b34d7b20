package verge.app.measure;

import java.security.Principal;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import verge.app.journal.JournalService;
import verge.app.sketch.SketchPoint;
import verge.core.coding.Codebook;
import verge.core.journal.Journal;
import verge.core.journal.Origin;
import verge.core.journal.StoredPoint;
import verge.core.units.Figures;

/** The bench for measuring points. */
@Controller
@RequestMapping("/jobs/{job}/measure")
class MeasureController {
    private static final int SHOTS_SHOWN = 6;

    private final MeasureService measuring;
    private final JournalService journals;

    MeasureController(MeasureService measuring, JournalService journals) {
        this.measuring = measuring;
        this.journals = journals;
    }

    /** One of the latest points, in finished text. */
    record ShotLine(String name, String code, String northing, String easting, String elevation) {
    }

    @GetMapping
    String bench(@PathVariable UUID job, Model model) {
        Journal journal = journals.journal(job);
        Figures f = journal.state().settings().figures();
        List<StoredPoint> measured = journal.state().points().filter(p -> p.origin() == Origin.MEASURED).toList();
        model.addAttribute("next", MeasureService.nextName(journal));
        model.addAttribute("code", MeasureService.lastCode(journal));
        model.addAttribute("legend", Codebook.general().rows());
        model.addAttribute("count", measured.size());
        model.addAttribute("shots", IntStream.rangeClosed(1, Math.min(SHOTS_SHOWN, measured.size()))
                .mapToObj(back -> line(f, measured.get(measured.size() - back))).toList());
        model.addAttribute("unit", f.lengthUnit().symbol());
        return "measure/measure";
    }

    private static ShotLine line(Figures f, StoredPoint p) {
        return new ShotLine(p.name().text(), p.code().text(), f.bare(p.position().plan().north()), f.bare(p.position().plan().east()),
                p.position().elevation().map(e -> f.bare(e.asLength())).orElse(""));
    }

    /**
     * @param point to draw; absent if an entry of the same id was stored and has since been struck
     * @param before it was stored by an earlier request whose answer was lost: nothing was measured now
     */
    record Stored(SketchPoint point, String next, boolean before) {
    }

    @PostMapping("/shots")
    @ResponseBody
    CompletableFuture<Stored> shoot(@PathVariable UUID job, @RequestParam UUID id, @RequestParam String name, @RequestParam String code,
            Principal person) {
        return measuring.measure(job, id, name, code, person.getName()).thenApply(kept -> {
            Journal journal = journals.journal(job);
            SketchPoint point = journal.state().pointsOf(kept.entry().id()).stream().findFirst().map(SketchPoint::of).orElse(null);
            return new Stored(point, MeasureService.nextName(journal).text(), kept.before());
        });
    }
}
