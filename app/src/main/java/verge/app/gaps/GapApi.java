package verge.app.gaps;

import io.swagger.v3.oas.annotations.Operation;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import verge.core.gaps.Gap;
import verge.core.geodesy.GridPoint;

/** Gaps for programs. */
@RestController
class GapApi {
    private final GapService gaps;

    GapApi(GapService gaps) {
        this.gaps = gaps;
    }

    /** @param about the string or the shot by its id, or a code @param northing null where it may be anywhere; metres of the job's grid */
    record GapBody(UUID id, Gap.Kind kind, String about, String other, Double northing, Double easting, double metres, String words) {
        static GapBody of(GapService.Shown shown) {
            Gap gap = shown.gap();
            return new GapBody(shown.id(), gap.kind(), gap.about(), gap.other(), gap.at().map(GridPoint::northing).orElse(null),
                    gap.at().map(GridPoint::easting).orElse(null), gap.metres(), shown.words());
        }
    }

    @Operation(summary = "What may have been forgotten", description =
            "Holes in the cover of ground shots, parts of the area of interest that were not reached, strings that end near each other, "
            + "things without their usual company, "
            + "and what such work nearly always has. What was put away is not among them.")
    @GetMapping("/api/v1/jobs/{job}/gaps")
    List<GapBody> gaps(@PathVariable UUID job) {
        return gaps.gaps(job).stream().map(GapBody::of).toList();
    }
}
