package verge.app.trace;

import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** The page that tells how a line of the book, or a point, came about. */
@Controller
@RequestMapping("/jobs/{job}/trace")
class TraceController {
    private final TraceService traces;

    TraceController(TraceService traces) {
        this.traces = traces;
    }

    @GetMapping("/{entry}")
    String trace(@PathVariable UUID job, @PathVariable UUID entry, Model model) {
        TraceService.Told told = traces.trace(job, entry);
        model.addAttribute("entry", entry);
        model.addAttribute("correctable", told.correctable());
        model.addAttribute("root", told.root());
        model.addAttribute("under", told.under());
        model.addAttribute("underCount", told.underCount());
        return "trace/trace";
    }

    /** What it rests on, for the sketch. */
    @GetMapping("/{entry}/drawing")
    @ResponseBody
    TraceDrawing drawing(@PathVariable UUID job, @PathVariable UUID entry) {
        return traces.drawing(job, entry);
    }

    /** By the name of a point: how the position that counts came about. */
    @GetMapping
    String point(@PathVariable UUID job, @RequestParam String point) {
        return "redirect:/jobs/" + job + "/trace/" + traces.entryOf(job, point);
    }
}
