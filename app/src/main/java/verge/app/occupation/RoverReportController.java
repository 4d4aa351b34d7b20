package verge.app.occupation;

import java.util.UUID;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import verge.app.report.PdfPress;

/** The report of what receivers stood on, as page and PDF. */
@Controller
@RequestMapping("/jobs/{job}/setup/receiver")
class RoverReportController {
    private static final String TEMPLATE = "report/rover";

    private final RoverReport report;
    private final PdfPress press;

    RoverReportController(RoverReport report, PdfPress press) {
        this.report = report;
        this.press = press;
    }

    @GetMapping("/report")
    String page(@PathVariable UUID job, Model model) {
        model.addAllAttributes(report.model(job));
        return TEMPLATE;
    }

    @GetMapping("/report.pdf")
    ResponseEntity<byte[]> pdf(@PathVariable UUID job) {
        return press.file(TEMPLATE, report.model(job));
    }
}
