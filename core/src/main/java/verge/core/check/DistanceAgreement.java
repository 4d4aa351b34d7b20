package verge.core.check;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import verge.core.check.Finding.Kind;
import verge.core.geodesy.Plane;
import verge.core.job.JobState;
import verge.core.leaf.Leaf;
import verge.core.leaf.StationSetUp;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.reading.Atmosphere;
import verge.core.reduction.FirstVelocity;
import verge.core.setup.Arrangement;
import verge.core.units.LengthUnit;
import verge.core.units.PressureUnit;

/**
 * Whether the distances that were measured agree in scale with the distances between the coordinates they were measured between, and if
 * not, which of the known mistakes comes out at just that scale.
 *
 * <p>Each sight between known marks gives one ratio; their weighted mean has a standard deviation, and a mistake is named only if it
 * explains the mean within that and the mean is not chance.
 */
public final class DistanceAgreement {
    /** 1 in 370 by chance. */
    private static final double LIMIT_IN_SIGMAS = 3;
    /** A cause is named if what is left over is no more than this. */
    private static final double EXPLAINED_IN_SIGMAS = 2;
    private static final double MILLION = 1e6;
    /** Pressures that the air on earth can have. */
    private static final double LEAST_HECTOPASCALS = 500;
    private static final double MOST_HECTOPASCALS = 1100;
    /** What a change of foot does, in ppm. */
    private static final double FOOT_PPM = (LengthUnit.US_SURVEY_FOOT.metresPerUnit() / LengthUnit.INTERNATIONAL_FOOT.metresPerUnit() - 1)
            * MILLION;

    private DistanceAgreement() {
    }

    /** One distance measured and known: metres. */
    record Sight(double measured, double known, double sigma) {
    }

    /**
     * How much longer measured distances are than known ones.
     *
     * @param ppm positive if measured ones are longer
     */
    record Scale(double ppm, double sigma, int sights) {
        static Optional<Scale> of(List<Sight> sights) {
            double weight = sights.stream().mapToDouble(s -> s.known() * s.known() / (s.sigma() * s.sigma())).sum();
            double sum = sights.stream().mapToDouble(s -> (s.measured() - s.known()) * s.known() / (s.sigma() * s.sigma())).sum();
            return weight > 0 ? Optional.of(new Scale(sum / weight * MILLION, MILLION / Math.sqrt(weight), sights.size()))
                    : Optional.empty();
        }

        boolean chance() {
            return Math.abs(ppm) <= LIMIT_IN_SIGMAS * sigma;
        }
    }

    private record Cause(Kind kind, double ppm, Object particular) {
    }

    /** What the job's sights between known marks say; empty if they agree. */
    static Optional<Finding> of(JobState state) {
        return Scale.of(sights(state).toList()).filter(s -> !s.chance()).map(scale -> explained(scale, state));
    }

    private static Stream<Sight> sights(JobState state) {
        Stream<Sight> backsights = state.leaves().all().stream()
                .filter(leaf -> leaf.written().arrangement().kind() == Arrangement.Kind.KNOWN_POINT)
                .flatMap(leaf -> leaf.solved().marks().stream()).flatMap(mark -> mark.distance().flatMap(misfit -> mark.shot().map(shot -> {
                    double measured = shot.grid().value().metres();
                    return new Sight(measured, measured - misfit.difference().metres(), misfit.sigma().metres());
                })).stream());
        return Stream.concat(backsights, state.points().names(Origin.CONTROL).keySet().stream()
                .flatMap(name -> state.points().named(name).stream())
                .filter(p -> p.origin() == Origin.MEASURED || p.origin() == Origin.STAKED).flatMap(p -> toControl(state, p).stream()));
    }

    /** A measured point that bears the name of a control point. */
    private static Optional<Sight> toControl(JobState state, StoredPoint measured) {
        return state.points().find(measured.name(), Origin.CONTROL)
                .flatMap(control -> measured.leaf().flatMap(state.leaves()::find).flatMap(leaf -> {
            var station = leaf.station().occupation().station().plan();
            double known = station.distanceMetres(control.position().plan());
            return measured.sigma().filter(s -> known > 0)
                    .map(s -> new Sight(station.distanceMetres(measured.position().plan()), known,
                    Math.hypot(s.north().metres(), s.east().metres())));
        }));
    }

    private static Finding explained(Scale scale, JobState state) {
        Optional<Cause> likeliest = causes(state).filter(c -> Math.abs(c.ppm() - scale.ppm()) <= EXPLAINED_IN_SIGMAS * scale.sigma())
                .min(Comparator.comparingDouble(c -> Math.abs(c.ppm() - scale.ppm())));
        Object[] found = {scale.ppm(), scale.sigma(), scale.sights()};
        return likeliest.map(c -> c.particular() == null ? Finding.of(c.kind(), found)
                : Finding.of(c.kind(), found[0], found[1], found[2], c.particular()))
                .orElseGet(() -> Finding.of(Kind.DISTANCES_DISAGREE, found[0], found[1], found[2]));
    }

    /** Each mistake with the scale it would show. */
    private static Stream<Cause> causes(JobState state) {
        Leaf leaf = state.leaves().all().iterator().next();
        Stream<Cause> foot = Stream.of(FOOT_PPM, -FOOT_PPM).map(ppm -> new Cause(Kind.DISTANCES_FOOT_KIND, ppm, null));
        return Stream.concat(foot, Stream.concat(gridForGround(state, leaf), air(leaf.written())));
    }

    /** The factor applied although coordinates are ground, or not applied although they are grid. */
    private static Stream<Cause> gridForGround(JobState state, Leaf leaf) {
        var station = leaf.station().occupation().station();
        Plane plane = state.plane();
        double factor = plane.gridPerGround(station.plan(), station.plan(), station.elevation());
        double byFactor = (factor - 1) * MILLION;
        return Stream.of(byFactor, -byFactor).filter(ppm -> ppm != 0).map(ppm -> new Cause(Kind.DISTANCES_GRID_FOR_GROUND, ppm, factor));
    }

    /** The correction left out, made twice, or made with pressure in another unit than was meant. */
    private static Stream<Cause> air(StationSetUp written) {
        double made = ppm(written, written.conditions().air().pressureHectopascals());
        double mercury = PressureUnit.MILLIMETRE_OF_MERCURY.toHectopascals(1);
        Stream<Cause> unit = Stream.of(mercury, 1 / mercury).map(times -> written.conditions().air().pressureHectopascals() * times)
                .filter(p -> p >= LEAST_HECTOPASCALS && p <= MOST_HECTOPASCALS).map(p -> ppm(written, p))
                .map(meant -> new Cause(Kind.DISTANCES_AIR, made - meant, meant));
        return Stream.concat(Stream.of(new Cause(Kind.DISTANCES_AIR, -made, 0.0), new Cause(Kind.DISTANCES_AIR, made, made)), unit);
    }

    private static double ppm(StationSetUp written, double hectopascals) {
        Atmosphere air = written.conditions().air();
        return FirstVelocity.ppm(written.conditions().precision().distanceMeter(),
                new Atmosphere(air.temperatureCelsius(), hectopascals, air.relativeHumidityPercent()));
    }
}
