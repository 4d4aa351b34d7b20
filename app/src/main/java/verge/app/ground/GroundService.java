package verge.app.ground;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.device.InstrumentDesk;
import verge.app.device.InstrumentWatch;
import verge.app.form.Answers;
import verge.app.journal.JournalService;
import verge.app.points.SitePoints;
import verge.app.receiver.RoverNow;
import verge.core.coding.PointName;
import verge.core.geodesy.CombinedFactor;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.GroundFactor.Taken;
import verge.core.geodesy.GroundFactor;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Position;
import verge.core.geodesy.ProjectedPlane;
import verge.core.geodesy.Uncertainty;
import verge.core.job.JobState;
import verge.core.leaf.Leaf;
import verge.core.occupation.OccupiedPlace;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Decimals;
import verge.core.reading.TotalStationReading;
import verge.core.satellite.SolvedPosition;
import verge.core.setup.ObservedPoint;
import verge.core.units.LatLonText;
import verge.core.units.Length;
import verge.core.units.LengthUnit;

/** Finds ground factors: typed, from points, from a position, along a line. */
@Service
class GroundService {
    /** What a satellite position is worth by its solution, in metres: height, then plan. */
    enum Solution {
        FIXED(0.03, 0.02), FLOAT(0.5, 0.3), AUTONOMOUS(10, 5), UNINITIALISED(50, 30);

        private final double sigmaHeight;
        private final double sigmaPlan;

        Solution(double sigmaHeight, double sigmaPlan) {
            this.sigmaHeight = sigmaHeight;
            this.sigmaPlan = sigmaPlan;
        }
    }

    /** How the factor is found. */
    enum Source { EACH_LINE, TYPED, POINT, POINTS, LINE_ENDS, LINE_SIMPSON, POLE, POSITION, RECEIVER }

    private static final double FARTHEST_SHIFT_METRES = 1e8;
    private static final double HIGHEST_METRES = 10_000;
    private static final double SLOPE_METRES = 1000;

    private final JournalService journals;
    private final SitePoints sitePoints;
    private final InstrumentDesk desk;
    private final RoverNow rover;

    GroundService(JournalService journals, SitePoints sitePoints, InstrumentDesk desk, RoverNow rover) {
        this.journals = journals;
        this.sitePoints = sitePoints;
        this.desk = desk;
        this.rover = rover;
    }

    /** What was asked for. @param poor whether the factor's position is too poor to become the job's constant without a reason */
    record Wanted(GroundUse use, boolean poor) {
    }

    /** @param unfixed whether it rests on a satellite position that is not fixed */
    private record Found(GroundFactor factor, boolean unfixed) {
        static Found of(GroundFactor factor) {
            return new Found(factor, false);
        }

        boolean poor() {
            return unfixed || factor.sigma().orElse(0) > GroundFactor.POOR_SIGMA;
        }
    }

    /**
     * The use that was asked for, its factor computed, but without asking whether it is good enough.
     *
     * @throws SurveyException in words, for whatever was left out or cannot be
     */
    Wanted use(UUID job, Answers a) {
        JobState state = sitePoints.state(job);
        GroundUse.Kind kind = a.choice("use", GroundUse.Kind.class, state.settings().ground().kind());
        Source source = a.choice("source", Source.class, Source.EACH_LINE);
        Optional<Found> found = source == Source.EACH_LINE ? Optional.empty() : Optional.of(factor(job, state, source, a));
        Optional<GroundFactor> factor = found.map(Found::factor);
        if (kind == GroundUse.Kind.GROUND_COORDINATES && factor.isEmpty()) {
            throw new SurveyException(Problem.GROUND_FACTOR_MISSING);
        }
        LengthUnit unit = state.settings().figures().lengthUnit();
        boolean moves = kind == GroundUse.Kind.GROUND_COORDINATES;
        double north = moves ? a.metres("shiftNorth", "shift", unit, FARTHEST_SHIFT_METRES).orElse(0.0) : 0;
        double east = moves ? a.metres("shiftEast", "shift", unit, FARTHEST_SHIFT_METRES).orElse(0.0) : 0;
        return new Wanted(new GroundUse(kind, factor, north * state.settings().figures().axes().northSign(),
                east * state.settings().figures().axes().eastSign()), found.map(Found::poor).orElse(false));
    }

    private Found factor(UUID job, JobState state, Source source, Answers a) {
        String reason = a.text("reason");
        return switch (source) {
            case TYPED -> Found.of(typed(state, a, reason));
            case POINT -> Found.of(atPoint(state, point(state, a, "point"), Taken.POINT, reason));
            case POLE -> Found.of(atPole(job, state, reason));
            case POSITION -> new Found(atPosition(state, a, reason), a.choice("solution", Solution.class, Solution.UNINITIALISED)
                    != Solution.FIXED);
            case RECEIVER -> atReceiver(job, state, reason);
            case POINTS -> Found.of(mean(state, points(state, a.required("points", "points")), Taken.POINTS, reason));
            case LINE_ENDS -> Found.of(mean(state, List.of(point(state, a, "from"), point(state, a, "to")), Taken.LINE_ENDS, reason));
            case LINE_SIMPSON -> Found.of(simpson(state, point(state, a, "from"), point(state, a, "to"), reason));
            case EACH_LINE -> throw new IllegalArgumentException(source.name());
        };
    }

    private GroundFactor typed(JobState state, Answers a, String reason) {
        double factor = a.number("factor", "ground factor", GroundFactor.LOWEST, GroundFactor.HIGHEST);
        return new GroundFactor(factor, point(state, a, "point").position().plan(), Taken.TYPED, Optional.empty(), OptionalDouble.empty(),
                reason);
    }

    private static GroundFactor atPoint(JobState state, StoredPoint point, Taken taken, String reason) {
        ProjectedPlane plane = plane(state);
        CombinedFactor parts = CombinedFactor.at(plane, point.position().plan(), point.position().elevation());
        return of(parts, point.position().plan(), taken, point.sigma().map(s -> sigma(plane, parts, point.position().plan(), s))
                .orElse(OptionalDouble.empty()), reason);
    }

    private GroundFactor atPole(UUID job, JobState state, String reason) {
        Leaf leaf = state.leaves().open().orElseThrow(() -> new SurveyException(Problem.NO_SETUP));
        var now = desk.snapshot(job).orElseThrow(() -> new SurveyException(Problem.NO_INSTRUMENT));
        if (InstrumentWatch.moved(leaf, now)) {
            throw new SurveyException(Problem.INSTRUMENT_MOVED, leaf.written().station().text());
        }
        TotalStationReading tracked = now.tracked().orElseThrow(() -> new SurveyException(Problem.POLE_NOT_SEEN));
        ObservedPoint pole = leaf.station().observe(tracked, state.target().orElseThrow(() -> new SurveyException(Problem.NO_TARGET)));
        ProjectedPlane plane = plane(state);
        CombinedFactor parts = CombinedFactor.at(plane, pole.position().plan(), pole.position().elevation());
        return of(parts, pole.position().plan(), Taken.POSITION, sigma(plane, parts, pole.position().plan(), pole.sigma()), reason);
    }

    /** Where a rover's pole stands now. */
    private Found atReceiver(UUID job, JobState state, String reason) {
        ProjectedPlane plane = plane(state);
        RoverNow.Here here = rover.required(job, state);
        here.late().ifPresent(late -> {
            throw new SurveyException(Problem.EPOCHS_LATE, Decimals.show(late.toMillis() / 1e3, 1), 0, 1);
        });
        OccupiedPlace foot = here.foot().orElseThrow();
        EarthPlace local = state.geodesy().local(foot.earth()).orElseThrow();
        CombinedFactor parts = CombinedFactor.at(plane, local.position(), local.height());
        return new Found(of(parts, foot.position().plan(), Taken.POSITION, sigma(plane, parts, foot.position().plan(), foot.sigma()),
                reason), here.solved().kind() != SolvedPosition.Kind.FIXED);
    }

    private static GroundFactor atPosition(JobState state, Answers a, String reason) {
        ProjectedPlane plane = plane(state);
        LengthUnit unit = state.settings().figures().lengthUnit();
        Geographic place = new Geographic(LatLonText.latitude(a.required("latitude", "latitude")),
                LatLonText.longitude(a.required("longitude", "longitude")));
        double height = a.metres("ellipsoidHeight", "ellipsoid height", unit, HIGHEST_METRES)
                .orElseThrow(() -> new SurveyException(Problem.MISSING, "ellipsoid height"));
        Solution solution = a.choice("solution", Solution.class, Solution.UNINITIALISED);
        double sigmaHeight = a.metres("sigmaHeight", "standard deviation of the height", unit, HIGHEST_METRES).map(Math::abs)
                .orElse(solution.sigmaHeight);
        CombinedFactor parts = CombinedFactor.at(plane, place, new EllipsoidHeight(height));
        GridPoint plan = plane.projection().grid(place);
        Uncertainty s = new Uncertainty(new Length(solution.sigmaPlan), new Length(solution.sigmaPlan), new Length(sigmaHeight));
        return of(parts, plan, Taken.POSITION, sigma(plane, parts, plan, s), reason);
    }

    private static GroundFactor mean(JobState state, List<StoredPoint> points, Taken taken, String reason) {
        ProjectedPlane plane = plane(state);
        List<CombinedFactor> all = points.stream().map(p -> CombinedFactor.at(plane, p.position().plan(), p.position().elevation()))
                .toList();
        double north = points.stream().mapToDouble(p -> p.position().plan().northing()).average().orElseThrow();
        double east = points.stream().mapToDouble(p -> p.position().plan().easting()).average().orElseThrow();
        return of(CombinedFactor.mean(all), new GridPoint(north, east), taken, OptionalDouble.empty(), reason);
    }

    private static GroundFactor simpson(JobState state, StoredPoint from, StoredPoint to, String reason) {
        ProjectedPlane plane = plane(state);
        Position a = from.position();
        Position b = to.position();
        GridPoint middle = new GridPoint((a.plan().northing() + b.plan().northing()) / 2, (a.plan().easting() + b.plan().easting()) / 2);
        var height = a.elevation().flatMap(x -> b.elevation().map(y -> x.plus(y.minus(x).times(0.5))));
        CombinedFactor parts = CombinedFactor.simpson(CombinedFactor.at(plane, a.plan(), a.elevation()),
                CombinedFactor.at(plane, middle, height),
                CombinedFactor.at(plane, b.plan(), b.elevation()));
        return of(parts, middle, Taken.LINE_SIMPSON, OptionalDouble.empty(), reason);
    }

    private static GroundFactor of(CombinedFactor parts, GridPoint reference, Taken taken, OptionalDouble sigma, String reason) {
        if (parts.groundPerGrid() < GroundFactor.LOWEST || parts.groundPerGrid() > GroundFactor.HIGHEST) {
            throw new SurveyException(Problem.OUT_OF_RANGE, "ground factor", parts.groundPerGrid(), GroundFactor.LOWEST,
                    GroundFactor.HIGHEST);
        }
        return new GroundFactor(parts.groundPerGrid(), reference, taken, Optional.of(parts), sigma, reason);
    }

    private static OptionalDouble sigma(ProjectedPlane plane, CombinedFactor parts, GridPoint at, Uncertainty sigma) {
        double radius = plane.projection().ellipsoid().meanRadius(plane.projection().geographic(at).latitude());
        double east = plane.projection().scale(at.plus(0, SLOPE_METRES)).point() - plane.projection().scale(at.plus(0, -SLOPE_METRES))
                .point();
        double north = plane.projection().scale(at.plus(SLOPE_METRES, 0)).point() - plane.projection().scale(at.plus(-SLOPE_METRES, 0))
                .point();
        double perMetre = Math.hypot(east, north) / (2 * SLOPE_METRES);
        return OptionalDouble.of(parts.sigma(sigma.up().metres(), sigma.plan().metres(), perMetre, radius));
    }

    private static ProjectedPlane plane(JobState state) {
        return state.geodesy().projected().orElseThrow(() -> new SurveyException(Problem.GROUND_NEEDS_SYSTEM));
    }

    private static StoredPoint point(JobState state, Answers a, String field) {
        String name = a.required(field, field.equals("point") ? "reference point" : field);
        return state.points().find(PointName.parse(name)).orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, name));
    }

    private static List<StoredPoint> points(JobState state, String names) {
        List<StoredPoint> found = new ArrayList<>();
        Arrays.stream(names.split("[,;]+")).map(String::strip).filter(n -> !n.isEmpty()).forEach(n ->
                found.add(state.points().find(PointName.parse(n)).orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, n))));
        return found;
    }
}
