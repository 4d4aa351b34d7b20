package verge.app.cogo;

import io.swagger.v3.oas.annotations.Operation;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reduction.FirstVelocity;
import verge.core.reduction.ReciprocalZeniths;
import verge.core.units.Angle;
import verge.core.units.Length;

/** Reductions of readings for programs, in metres, radians, degrees Celsius and hectopascals. */
@RestController
@RequestMapping("/api/v1/reductions")
class ReductionApi {
    private static final double MEAN_RADIUS_METRES = 6_371_000;
    private static final double TALLEST_METRES = 100;

    /** @param zenith radians, at the axis @param instrument height of the axis over the mark @param target height of what the other end aims at over this mark */
    record EndBody(Double zenith, Double instrument, Double target) {
        private ReciprocalZeniths.End end(String field) {
            return new ReciprocalZeniths.End(new Angle(within(zenith, 0, Math.PI, field + ".zenith")), new Length(within(instrument, -TALLEST_METRES, TALLEST_METRES, field + ".instrument")),
                    new Length(within(target, -TALLEST_METRES, TALLEST_METRES, field + ".target")));
        }
    }

    /** @param slope from axis to axis, straight, corrected for prism and air @param radius of the earth in the direction of the sight; 6 371 000 m without one */
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
        ReciprocalZeniths.Result result = ReciprocalZeniths.of(asked.one().end("one"), asked.other().end("other"), new Length(within(asked.slope(), 0.1, 1e5, "slope")),
                asked.radius() == null ? MEAN_RADIUS_METRES : within(asked.radius(), 6e6, 7e6, "radius"));
        return new RiseBody(result.rise().metres(), Double.isFinite(result.refraction()) ? result.refraction() : null);
    }

    /**
     * The air, and the distance meter that it is wanted for.
     *
     * @param wet degrees Celsius of a psychrometer's wet thermometer; instead of it the relative humidity may be given
     * @param wavelength of the carrier in micrometres @param referenceIndex group refractive index for which its raw distances are right
     */
    record AirBody(Double temperature, Double wet, Double humidityPercent, Double pressure, Double wavelength, Double referenceIndex) {
    }

    /** @param ppm to be added to a measured distance, in millionths of it; null without a distance meter */
    record AirWorth(double humidityPercent, double vapourHectopascals, Double ppm) {
    }

    @Operation(summary = "Humidity of the air, also by a wet thermometer, and its first velocity correction")
    @PostMapping("/air")
    AirWorth air(@RequestBody AirBody asked) {
        double dry = within(asked.temperature(), -40, 60, "temperature");
        double pressure = within(asked.pressure(), 500, 1100, "pressure");
        if (asked.wet() != null && asked.humidityPercent() != null) {
            throw new SurveyException(Problem.FIELD_UNREADABLE, "wet");
        }
        Atmosphere air;
        try {
            air = asked.wet() != null ? Atmosphere.ofWetBulb(dry, asked.wet(), pressure) : new Atmosphere(dry, pressure, within(asked.humidityPercent(), 0, 100, "humidityPercent"));
        } catch (IllegalArgumentException none) {
            throw new SurveyException(Problem.FIELD_UNREADABLE, "wet");
        }
        Double ppm = asked.wavelength() == null ? null
                : FirstVelocity.ppm(new DistanceMeter(within(asked.wavelength(), 0.56, 1.6, "wavelength"), within(asked.referenceIndex(), 1, 1.001, "referenceIndex"), Length.ZERO, 0), air);
        return new AirWorth(air.relativeHumidityPercent(), air.vapourHectopascals(), ppm);
    }

    private static double within(Double value, double lowest, double highest, String field) {
        if (value == null || !(value >= lowest && value <= highest)) {
            throw new SurveyException(Problem.FIELD_UNREADABLE, field);
        }
        return value;
    }
}
