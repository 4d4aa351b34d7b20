package verge.app.cogo;

import io.swagger.v3.oas.annotations.Operation;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reduction.ReciprocalZeniths;
import verge.core.units.Angle;
import verge.core.units.Length;

/** Reductions of readings for programs, in metres and radians. */
@RestController
@RequestMapping("/api/v1/reduction")
class ReductionApi {
    private static final double MEAN_RADIUS_METRES = 6_371_000;
    private static final double TALLEST_METRES = 100;

    /**
     * @param zenith radians, at the axis
     * @param instrument height of the axis over the mark
     * @param target height of what the other end aims at over this mark
     */
    record EndBody(Double zenith, Double instrument, Double target) {
        private ReciprocalZeniths.End end(String field) {
            return new ReciprocalZeniths.End(new Angle(within(zenith, 0, Math.PI, field + ".zenith")),
                    new Length(within(instrument, -TALLEST_METRES, TALLEST_METRES, field + ".instrument")),
                    new Length(within(target, -TALLEST_METRES, TALLEST_METRES, field + ".target")));
        }
    }

    /**
     * @param slope from axis to axis, straight, corrected for prism and air
     * @param radius of the earth in the direction of the sight; 6 371 000 m without one
     */
    record ReciprocalBody(EndBody one, EndBody other, Double slope, Double radius) {
    }

    /** @param rise of the other mark above the one @param refraction k; null where the marks lie too close to tell it */
    record RiseBody(double rise, Double refraction) {
    }

    @Operation(summary = "Difference in height and refraction from zenith angles read at both ends at once")
    @PostMapping("/reciprocal-zeniths")
    RiseBody reciprocal(@RequestBody ReciprocalBody asked) {
        if (asked.one() == null || asked.other() == null) {
            throw new SurveyException(Problem.FIELD_UNREADABLE, asked.one() == null ? "one" : "other");
        }
        ReciprocalZeniths.Result result = ReciprocalZeniths.of(asked.one().end("one"), asked.other().end("other"),
                new Length(within(asked.slope(), 0.1, 1e5, "slope")),
                asked.radius() == null ? MEAN_RADIUS_METRES : within(asked.radius(), 6e6, 7e6, "radius"));
        return new RiseBody(result.rise().metres(), Double.isFinite(result.refraction()) ? result.refraction() : null);
    }

    private static double within(Double value, double lowest, double highest, String field) {
        if (value == null || !(value >= lowest && value <= highest)) {
            throw new SurveyException(Problem.FIELD_UNREADABLE, field);
        }
        return value;
    }
}
