package verge.app.trace;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Traces for programs. */
@RestController
@Tag(name = "Journal")
class TraceApi {
    private final TraceService traces;

    TraceApi(TraceService traces) {
        this.traces = traces;
    }

    @Operation(summary = "How an entry came about", description =
            "What it says as it counts now, the steps from reading to coordinates in the job's own figures, what it rests on, and what "
            + "rests on it.")
    @GetMapping("/api/v1/jobs/{job}/trace/{entry}")
    TraceService.Told entry(@PathVariable UUID job, @PathVariable UUID entry) {
        return traces.trace(job, entry);
    }

    @Operation(summary = "How a point came about", description = "The same, of the position that counts among those of the name.")
    @GetMapping("/api/v1/jobs/{job}/trace")
    TraceService.Told point(@PathVariable UUID job, @RequestParam String point) {
        return traces.trace(job, traces.entryOf(job, point));
    }
}
