package verge.app.leaf;

import java.util.UUID;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import verge.app.report.PdfPress;

/** The report of a setup, as a page and as PDF. */
@Controller
@RequestMapping("/jobs/{job}/setup/leaves/{leaf}")
class ReportController {
    private final LeafReport report;
    private final PdfPress press;

    ReportController(LeafReport report, PdfPress press) {
        this.report = report;
        this.press = press;
    }

    @GetMapping("/report")
    String page(@PathVariable UUID job, @PathVariable UUID leaf, Model model) {
        model.addAllAttributes(report.model(job, leaf));
        return "report/leaf";
    }

    @GetMapping("/report.pdf")
    ResponseEntity<byte[]> pdf(@PathVariable UUID job, @PathVariable UUID leaf) {
        return press.file("report/leaf", report.model(job, leaf));
    }
}
