package verge.app.ground;

import io.swagger.v3.oas.annotations.Operation;
import java.util.Map;
import java.util.UUID;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import verge.app.form.Answers;
import verge.core.geodesy.CombinedFactor;
import verge.core.geodesy.GroundFactor;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Ground factors for programs: computed, not set. */
@RestController
class GroundApi {
    private final GroundService grounds;

    GroundApi(GroundService grounds) {
        this.grounds = grounds;
    }

    /**
     * @param groundPerGrid a grid distance times this is the distance on the ground
     * @param sigma standard deviation of the factor; null if it is not known
     * @param poor whether it may not become the job's without a reason
     */
    record FactorBody(double groundPerGrid, Double pointScale, Double elevationFactor, double referenceNorthing, double referenceEasting,
            Double sigma,
            boolean poor, String words) {
    }

    @Operation(summary = "A ground factor",
            description =
            "Answers as on the page 'Grid and ground': source (POINT, POSITION, RECEIVER, POINTS, LINE_ENDS, LINE_SIMPSON, TYPED) and its "
            + "fields.")
    @PostMapping("/api/v1/jobs/{job}/ground-factor")
    FactorBody factor(@PathVariable UUID job, @RequestBody Map<String, String> asked) {
        Answers a = new Answers(asked);
        GroundService.Wanted wanted = grounds.use(job, a);
        GroundFactor f = wanted.use().factor().orElseThrow(() -> new SurveyException(Problem.GROUND_FACTOR_MISSING));
        return new FactorBody(f.groundPerGrid(), f.parts().map(CombinedFactor::pointScale).orElse(null),
                f.parts().map(CombinedFactor::elevationFactor).orElse(null),
                f.reference().northing(), f.reference().easting(), f.sigma().isPresent() ? f.sigma().getAsDouble() : null, wanted.poor(),
                FactorView.direction(f.groundPerGrid()));
    }
}
