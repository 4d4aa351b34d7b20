package verge.core.occupation;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthCovariance;
import verge.core.geodesy.EarthMean;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.Epochs;
import verge.core.satellite.PoleTilt;
import verge.core.satellite.SolvedPosition;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * Solutions of one pole that stands still, as they come, and their mean.
 *
 * <p>The mean is said to be as well known as its solutions are on the average: reflections and air stay the same over some seconds, so that
 * many solutions at once are hardly better
 * than one.
 */
public final class Occupying {
    /** Over the ellipsoid: no pole stands deeper or higher. */
    private static final double LOWEST_METRES = -1_000;
    private static final double HIGHEST_METRES = 10_000;

    /** Of so many σ two solutions of one place hardly differ. */
    private static final double APART_SIGMAS = 5;
    private static final double LEAST_APART_METRES = 0.02;
    private static final double LEAST_APART_UP_METRES = 0.03;
    private static final double SAME_BASE_METRES = 0.001;

    private final Length height;
    private final Manner manner;
    private final boolean accepted;
    private final List<Taken> taken = new ArrayList<>();

    private record Taken(SolvedPosition solved, Optional<BaseHeard> base, Optional<PoleTilt> tilt, EarthCentred antenna,
            EarthCentred foot) {
    }

    /**
     * What a solution rests on, as this program hears it.
     *
     * @param base empty if nobody says
     * @param silentSeconds for how long the corrections that are brought to the receiver have been silent; empty if they are not
     */
    public record Heard(Optional<BaseHeard> base, OptionalDouble silentSeconds) {
    }

    /** What came of it. @param vector from the base, or from the earth's centre without one */
    public record Mean(Optional<BaseHeard> base, EarthCentred vector, EarthCovariance spread, Epochs epochs, Optional<PoleTilt> tilt) {
    }

    /**
     * @param height of the antenna's reference point over the foot, along the pole
     * @param accepted whether there is a reason to take what is beyond the limits; float at worst
     */
    public Occupying(Length height, Manner manner, boolean accepted) {
        this.height = height;
        this.manner = manner;
        this.accepted = accepted;
    }

    public boolean done() {
        return taken.size() >= manner.epochs();
    }

    public int count() {
        return taken.size();
    }

    /**
     * One more solution.
     *
     * @param heard what it rests on
     * @param tilt absent if the pole is held upright
     * @throws SurveyException NOT_FIXED, RECEIVER_OFF_EARTH, OUTSIDE_LIMITS, RECEIVER_WITHOUT_SIGMA, BASE_CHANGED, RECEIVER_CLOCK_BACK,
     *     TILT_NOT_READY, POLE_WANDERED or HEIGHT_WANDERED; whoever gets one begins anew
     */
    public void take(SolvedPosition solved, Heard heard, Optional<PoleTilt> tilt) {
        Optional<BaseHeard> base = heard.base();
        if (solved.kind().compareTo(accepted ? SolvedPosition.Kind.FLOAT : SolvedPosition.Kind.FIXED) < 0 || solved.place().isEmpty()) {
            throw new SurveyException(Problem.NOT_FIXED, solved.kind());
        }
        double above = solved.place().get().height().metres();
        if (!(above > LOWEST_METRES && above < HIGHEST_METRES)) {
            throw new SurveyException(Problem.RECEIVER_OFF_EARTH, Math.round(above));
        }
        SolvedPosition.Sigma sigma = solved.sigma().orElseThrow(() -> new SurveyException(Problem.RECEIVER_WITHOUT_SIGMA));
        List<Breach> beyond = accepted ? List.of()
                : Stream.concat(manner.limits().of(solved, tilt, height).stream(), Contradictions.of(solved, heard, height).stream())
                .toList();
        if (manner.waits() && !beyond.isEmpty() && beyond.stream()
                .allMatch(b -> b.kind() == Breach.Kind.PLAN || b.kind() == Breach.Kind.HEIGHT)) {
            return;
        } else if (!beyond.isEmpty()) {
            throw new SurveyException(Problem.OUTSIDE_LIMITS, beyond);
        }
        EarthCentred antenna = EarthCentred.of(solved.place().get(), ReferenceEllipsoid.WGS84);
        Geographic at = solved.place().get().position();
        Taken next = new Taken(solved, base, tilt, antenna,
                antenna.minus(tilt.map(t -> t.upwards(height, at)).orElseGet(() -> EarthCentred.ofNorthEastUp(0, 0, height.metres(), at))));
        taken.stream().findFirst().ifPresent(first -> {
            requireSame(first.base(), base);
            if (!solved.at().isAfter(taken.get(taken.size() - 1).solved().at())) {
                throw new SurveyException(Problem.RECEIVER_CLOCK_BACK);
            }
            if (first.tilt().isPresent() != tilt.isPresent()) {
                throw new SurveyException(Problem.TILT_NOT_READY);
            }
            requireOnePlace(next);
        });
        taken.add(next);
    }

    /** Plan and height, each against what the receiver says of its σ. */
    private void requireOnePlace(Taken next) {
        SolvedPosition.Sigma sigma = next.solved().sigma().orElseThrow();
        Geographic at = next.solved().place().orElseThrow().position();
        double[] spread = next.tilt().map(t -> t.spread(height, at).northEastUp(at)).orElse(new double[3]);
        double may = Math.max(LEAST_APART_METRES, APART_SIGMAS * Math.hypot(sigma.plan(), Math.max(spread[0], spread[1])));
        double mayUp = Math.max(LEAST_APART_UP_METRES, APART_SIGMAS * Math.hypot(sigma.up(), spread[2]));
        for (Taken each : taken) {
            double[] off = next.foot().minus(each.foot()).northEastUp(at);
            if (Math.hypot(off[0], off[1]) > may) {
                throw new SurveyException(Problem.POLE_WANDERED, new Length(Math.hypot(off[0], off[1])), new Length(may));
            } else if (Math.abs(off[2]) > mayUp) {
                throw new SurveyException(Problem.HEIGHT_WANDERED, new Length(Math.abs(off[2])), new Length(mayUp));
            }
        }
    }

    private static void requireSame(Optional<BaseHeard> before, Optional<BaseHeard> now) {
        boolean same = before.isPresent() == now.isPresent()
                && before.map(b -> b.station() == now.get().station() && b.place().minus(now.get().place()).length() < SAME_BASE_METRES)
                .orElse(true);
        if (!same) {
            throw new SurveyException(Problem.BASE_CHANGED, before.map(BaseHeard::name).orElse("none"),
                    now.map(BaseHeard::name).orElse("none"));
        }
    }

    /** Of all that was taken. @throws IllegalStateException if nothing was */
    public Mean mean() {
        if (taken.isEmpty()) {
            throw new IllegalStateException("no solutions");
        }
        Taken first = taken.get(0);
        EarthCentred from = first.base().map(BaseHeard::place).orElse(new EarthCentred(0, 0, 0));
        EarthMean mean = EarthMean.of(taken.stream().map(Occupying::weighed).toList());
        return new Mean(first.base(), mean.place().minus(from), mean.spread(), Epochs.of(taken.stream().map(Taken::solved).toList()),
                tilt());
    }

    private static EarthMean.Weighed weighed(Taken each) {
        SolvedPosition.Sigma sigma = each.solved().sigma().orElseThrow();
        return new EarthMean.Weighed(each.antenna(),
                EarthCovariance.ofNorthEastUp(sigma.north(), sigma.east(), sigma.up(), each.solved().place().orElseThrow().position()));
    }

    /** The mean lean, by its horizontal parts: a mean of azimuths would fail about north. */
    private Optional<PoleTilt> tilt() {
        List<PoleTilt> all = taken.stream().flatMap(t -> t.tilt().stream()).toList();
        if (all.size() < taken.size()) {
            return Optional.empty();
        }
        double north = all.stream().mapToDouble(t -> t.tilt().sin() * t.azimuth().cos()).average().orElseThrow();
        double east = all.stream().mapToDouble(t -> t.tilt().sin() * t.azimuth().sin()).average().orElseThrow();
        return Optional.of(new PoleTilt(new Angle(Math.asin(Math.min(1, Math.hypot(north, east)))),
                new Angle(Math.atan2(east, north)).wholeCircle(), all.get(0).sigmaTilt(), all.get(0).sigmaAzimuth()));
    }
}
