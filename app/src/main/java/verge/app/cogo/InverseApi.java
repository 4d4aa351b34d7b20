package verge.app.cogo;

import io.swagger.v3.oas.annotations.Operation;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import verge.app.points.SitePoints;
import verge.core.cogo.SiteInverse;

/** Inverses for programs. */
@RestController
class InverseApi {
    private final InverseService inverses;
    private final SitePoints points;

    InverseApi(InverseService inverses, SitePoints points) {
        this.inverses = inverses;
        this.points = points;
    }

    /** Radians and metres; the last three are null if a point has no elevation. */
    record InverseBody(double azimuth, double gridDistance, double ellipsoidDistance, double groundDistance, Double heightDifference,
            Double slopeDistance, Double grade) {
    }

    @Operation(summary = "Inverse between two points of a job")
    @GetMapping("/api/v1/jobs/{job}/inverse")
    InverseBody inverse(@PathVariable UUID job, @RequestParam String from, @RequestParam String to) {
        SiteInverse.Result r = inverses.between(points.state(job), from, to);
        return new InverseBody(r.azimuth().radians(), r.grid().metres(), r.ellipsoid().metres(), r.ground().metres(),
                r.inSpace().map(s -> s.rise().metres()).orElse(null), r.inSpace().map(s -> s.slope().metres()).orElse(null),
                r.inSpace().map(SiteInverse.InSpace::grade).orElse(null));
    }
}
