package verge.core.occupation;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.Uncertainty;
import verge.core.satellite.Dilution;
import verge.core.satellite.PoleTilt;
import verge.core.satellite.SolvedPosition;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * What a solution has to keep to before a point is made of it without a reason.
 *
 * @param plan @param height standard deviations at the pole's foot
 * @param ageSeconds of its corrections
 * @param tilt of the pole from upright
 */
public record Limits(Length plan, Length height, double ageSeconds, double pdop, Angle tilt) {
    public static final Limits USUAL = new Limits(new Length(0.030), new Length(0.050), 5, 4, Angle.ofDegrees(30));

    /**
     * What a solution is beyond; empty for a good one.
     *
     * @param antenna over the pole's foot, along the pole
     */
    public List<Breach> of(SolvedPosition solved, Optional<PoleTilt> lean, Length antenna) {
        List<Breach> all = new ArrayList<>();
        if (solved.kind() != SolvedPosition.Kind.FIXED) {
            all.add(new Breach(Breach.Kind.NOT_FIXED, solved.kind(), ""));
        }
        sigma(solved, lean, antenna).ifPresent(sigma -> {
            if (sigma.plan().compareTo(plan) > 0) {
                all.add(new Breach(Breach.Kind.PLAN, sigma.plan(), plan));
            }
            if (sigma.up().compareTo(height) > 0) {
                all.add(new Breach(Breach.Kind.HEIGHT, sigma.up(), height));
            }
        });
        if (solved.age().isPresent() && solved.age().getAsDouble() > ageSeconds) {
            all.add(new Breach(Breach.Kind.AGE, solved.age().getAsDouble(), ageSeconds));
        }
        solved.dilution().map(Dilution::position).filter(p -> p > pdop).ifPresent(p -> all.add(new Breach(Breach.Kind.PDOP, p, pdop)));
        lean.map(PoleTilt::tilt).filter(t -> t.radians() > tilt.radians())
                .ifPresent(t -> all.add(new Breach(Breach.Kind.TILT, t.degrees(), tilt.degrees())));
        return all;
    }

    /** Of the foot: what the lean adds is in it. */
    private static Optional<Uncertainty> sigma(SolvedPosition solved, Optional<PoleTilt> lean, Length antenna) {
        return solved.sigma().flatMap(s -> solved.place().map(EarthPlace::position).map(at -> {
            double[] leaning = lean.map(t -> t.spread(antenna, at).northEastUp(at)).orElse(new double[3]);
            return new Uncertainty(new Length(Math.hypot(s.north(), leaning[0])), new Length(Math.hypot(s.east(), leaning[1])),
                    new Length(Math.hypot(s.up(), leaning[2])));
        }));
    }
}
