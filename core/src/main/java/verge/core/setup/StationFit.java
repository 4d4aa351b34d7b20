package verge.core.setup;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import verge.core.adjustment.LeastSquares;
import verge.core.coding.PointName;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.units.Angle;

/**
 * Solves a setup: orientation over a known point, a free station from marks, an assumed station, or a station from a building's faces.
 *
 * <p>Least squares of directions, zenith angles and distances at once, in the grid, with the earth's curvature, refraction and the scale of
 * the plane. Known points count as exact unless they have standard deviations of their own; centring and tape are in the observations'
 * standard deviations. What is wrong with the observations shows in the residuals, nothing is weighted down.
 */
public final class StationFit {
    private static final double SAME_PLACE_METRES = 0.005;
    private static final double NEAREST_METRES = 0.1;
    /** So much more weighted squares chance leaves once in ten thousand: with more, one of two solutions is ruled out. */
    private static final double TOLD_APART = 15;
    private static final double IN_LINE_SIN = 0.01;
    private static final double NEAR_CIRCLE = 0.05;

    private StationFit() {
    }

    /** Solved, or why not. */
    public sealed interface Outcome permits StationSolution, Unsolved {
    }

    /**
     * Why a setup cannot be solved.
     *
     * @param about the marks concerned
     * @param open what of the station the observations leave open, where that is the reason
     */
    public record Unsolved(Reason reason, List<PointName> about, Optional<Unknown> open) implements Outcome {
        public Unsolved {
            about = List.copyOf(about);
        }

        Unsolved(Reason reason, List<PointName> about) {
            this(reason, about, Optional.empty());
        }
    }

    /** What is solved for. */
    public enum Unknown { NORTH, EAST, ORIENTATION, LEVEL, SCALE, OFFSET }

    /** Why there is no solution. */
    public enum Reason {
        /** A name that no known point bears. */
        MARK_UNKNOWN,
        /** The station's own name is unknown, or it has no coordinates. */
        STATION_UNKNOWN,
        /** Fewer observations than unknowns. */
        TOO_FEW,
        /** Marks that lie on one spot, or a mark that is the station. */
        MARKS_COINCIDE,
        /** The marks do not determine a place: the station lies on the danger circle, or on the line of the marks. */
        UNDETERMINED,
        /** Observations contradict each other too grossly for any place to be found. */
        CONTRADICTORY,
        /** A sight straight up or down has no direction. */
        TOO_STEEP,
        /** A mark that stands where the instrument does: its distance is next to nothing, and it has no direction. */
        TOO_NEAR,
        /** Shots on faces that are all parallel, or too few of them. */
        FACES_PARALLEL
    }

    /** @param known where a name lies */
    public static Outcome solve(Arrangement arrangement, Conditions conditions, Plane plane,
            Function<PointName, Optional<KnownMark>> known) {
        if (arrangement.kind() == Arrangement.Kind.BUILDING) {
            return BuildingFit.solve(arrangement, conditions, plane);
        }
        List<PointName> unknown = arrangement.sightings().stream().filter(s -> s.azimuth().isEmpty() && known.apply(s.mark()).isEmpty())
                .map(Sighting::mark).toList();
        if (!unknown.isEmpty()) {
            return new Unsolved(Reason.MARK_UNKNOWN, unknown);
        }
        List<PointName> steep = arrangement.sightings().stream()
                .filter(s -> s.pointings().stream().anyMatch(p -> Math.abs(p.zenith().sin()) < 0.005)).map(Sighting::mark).toList();
        if (!steep.isEmpty()) {
            return new Unsolved(Reason.TOO_STEEP, steep);
        }
        List<PointName> near = arrangement.sightings().stream()
                .filter(s -> s.pointings().stream().anyMatch(p -> p.distance().map(d -> d.metres() < NEAREST_METRES).orElse(false)))
                .map(Sighting::mark).toList();
        if (!near.isEmpty()) {
            return new Unsolved(Reason.TOO_NEAR, near);
        }
        List<FitSight> sights = arrangement.sightings().stream().filter(s -> !s.pointings().isEmpty())
                .map(s -> FitSight.of(s, known.apply(s.mark()), arrangement, conditions)).toList();
        Optional<KnownMark> station = arrangement.placeFree() ? Optional.empty() : arrangement.given().map(KnownMark::exact)
                .or(() -> known.apply(arrangement.station()));
        if (!arrangement.placeFree() && station.isEmpty()) {
            return new Unsolved(Reason.STATION_UNKNOWN, List.of(arrangement.station()));
        }
        Optional<Unsolved> coincident = coincident(sights, station.map(KnownMark::position), arrangement.station());
        return coincident.isPresent() ? coincident.get() : withSecond(new Case(arrangement, conditions, plane, sights, station));
    }

    /** Two marks that are exchanged lead to another place, which only their heights, a third mark or a compass rule out. */
    private static Outcome withSecond(Case c) {
        Outcome outcome = solve(c);
        if (!(outcome instanceof StationSolution solved) || !c.arrangement().placeFree() || c.sights().size() != 2 || c.inPlan()
                .size() != 2) {
            return outcome;
        }
        FitSight a = c.sights().get(0);
        FitSight b = c.sights().get(1);
        Outcome exchanged = solve(c.with(List.of(a.with(b.known()), b.with(a.known()))));
        GridPoint here = solved.station().occupation().station().plan();
        return exchanged instanceof StationSolution other && other.squares() - solved.squares() < TOLD_APART
                ? solved.with(Notice.of(Notice.Kind.SECOND_SOLUTION, List.of(a.sighting().mark(), b.sighting().mark()),
                other.station().occupation().station().plan().northing(),
                        other.station().occupation().station().plan().easting(),
                        here.distanceMetres(other.station().occupation().station().plan()))) : outcome;
    }

    /** What is to be solved, its names looked up. */
    record Case(Arrangement arrangement, Conditions conditions, Plane plane, List<FitSight> sights, Optional<KnownMark> at) {
        Optional<Position> station() {
            return at.map(KnownMark::position);
        }

        HeldStation held() {
            return HeldStation.of(conditions.precision(), at.flatMap(KnownMark::sigma));
        }

        List<FitSight> inPlan() {
            return sights.stream().filter(s -> s.inPlan() && s.azimuth().isEmpty()).toList();
        }

        Case with(List<FitSight> others) {
            return new Case(arrangement, conditions, plane, others, at);
        }
    }

    private static Optional<Unsolved> coincident(List<FitSight> sights, Optional<Position> station, PointName stationName) {
        List<FitSight> plan = sights.stream().filter(s -> s.inPlan() && s.azimuth().isEmpty()).toList();
        for (int i = 0; i < plan.size(); i++) {
            GridPoint here = plan.get(i).mark().orElseThrow().plan();
            if (station.map(s -> s.plan().distanceMetres(here) < SAME_PLACE_METRES).orElse(false)) {
                return Optional.of(new Unsolved(Reason.MARKS_COINCIDE, List.of(stationName, plan.get(i).sighting().mark())));
            }
            for (int j = i + 1; j < plan.size(); j++) {
                if (plan.get(j).mark().orElseThrow().plan().distanceMetres(here) < SAME_PLACE_METRES) {
                    return Optional.of(new Unsolved(Reason.MARKS_COINCIDE,
                            List.of(plan.get(i).sighting().mark(), plan.get(j).sighting().mark())));
                }
            }
        }
        return Optional.empty();
    }

    /** Which elevations there are: whether the level is solved for, and what it is else. */
    private record Level(boolean free, Optional<Double> held) {
        static Level of(Case c) {
            Optional<Double> own = switch (c.arrangement().heightFrom()) {
                case STATION -> c.station().flatMap(Position::elevation).map(Elevation::metres);
                case CARRIED -> c.arrangement().carried().map(Elevation::metres);
                case MARKS, NONE -> Optional.empty();
            };
            boolean marks = c.arrangement().heightFrom() == Arrangement.HeightFrom.MARKS && c.sights().stream()
                    .anyMatch(FitSight::inHeight);
            return new Level(marks, own);
        }

        boolean known() {
            return free || held.isPresent();
        }
    }

    static Outcome solve(Case c) {
        return solve(c, c.arrangement().placeFree(), c.arrangement().scaleFree(), false);
    }

    /**
     * @param placeFree also for a known point, to see where it would rather stand
     * @param offset whether all distances may be wrong by the same amount
     */
    static Outcome solve(Case c, boolean placeFree, boolean scaleFree, boolean offset) {
        Level level = Level.of(c);
        StationModel.Free free = new StationModel.Free(placeFree, level.free(), scaleFree, offset);
        List<PointName> names = c.sights().stream().map(s -> s.sighting().mark()).toList();
        Optional<StationModel.State> start = start(c, level, placeFree);
        if (start.isEmpty()) {
            return new Unsolved(enough(c, placeFree) ? Reason.UNDETERMINED : Reason.TOO_FEW, names);
        }
        StationModel model = new StationModel(c.sights(), c.plane(), c.arrangement(), c.conditions(), free, start.get(), level.known());
        if (model.observations() < model.unknowns()) {
            return new Unsolved(Reason.TOO_FEW, names);
        }
        LeastSquares.Outcome outcome = adjusted(model, c);
        if (outcome instanceof LeastSquares.Solution rough && placeFree && c.sights().stream().anyMatch(s -> !s.ranged())) {
            // How much centring weighs in a direction goes with its length, which is known only now where none was measured.
            model = new StationModel(c.sights(), c.plane(), c.arrangement(), c.conditions(), free, model.state(rough.unknowns()),
                    level.known());
            outcome = adjusted(model, c);
        }
        if (outcome instanceof LeastSquares.Solution solved) {
            return new SolutionMaker(c, model, solved, free, level.known()).make();
        }
        int open = outcome instanceof LeastSquares.Singular s ? s.unknown() : ((LeastSquares.NotConverged) outcome).unknown();
        boolean geometry = outcome instanceof LeastSquares.Singular || ((LeastSquares.NotConverged) outcome)
                .cause() == LeastSquares.NotConverged.Cause.NEARLY_SINGULAR
                || placeFree && undetermined(c, model.state(model.startUnknowns()));
        return geometry ? new Unsolved(Reason.UNDETERMINED, names, Optional.of(free.unknown(open)))
                : new Unsolved(Reason.CONTRADICTORY, names);
    }

    /** Whether marks and place lie so that directions cannot tell it, whatever else is wrong: on one circle, or in one line. */
    private static boolean undetermined(Case c, StationModel.State about) {
        List<FitSight> plan = c.inPlan();
        if (plan.stream().anyMatch(FitSight::distanceCounts)) {
            return false;
        }
        Angle first = plan.get(0).mean().direction();
        boolean inLine = plan.stream().allMatch(s -> Math.abs(s.mean().direction().minus(first).sin()) < IN_LINE_SIN);
        return inLine || DangerCircle.through(plan.stream().map(s -> s.mark().orElseThrow().plan()).toList())
                .map(d -> d.nearness(new GridPoint(about.north(), about.east())) < NEAR_CIRCLE).orElse(false);
    }

    private static LeastSquares.Outcome adjusted(StationModel model, Case c) {
        return LeastSquares.solve(model, model.startUnknowns(), model.weights(), model.common(c.held()));
    }

    /** Three directions, or two marks of which one has a distance. */
    private static boolean enough(Case c, boolean placeFree) {
        long ranged = c.inPlan().stream().filter(FitSight::distanceCounts).count();
        return !placeFree || c.inPlan().size() >= 3 || c.inPlan().size() == 2 && ranged >= 1;
    }

    private static Optional<StationModel.State> start(Case c, Level level, boolean placeFree) {
        List<FitSight> plan = c.inPlan();
        if (placeFree && !enough(c, true)) {
            return Optional.empty();
        }
        double gridPerGround = plan.isEmpty() ? 1 : scale(c, plan.get(0).mark().orElseThrow());
        FirstSolution first = new FirstSolution(plan, gridPerGround);
        Optional<FirstSolution.Found> found = placeFree ? first.find() : c.station().map(s -> new FirstSolution.Found(s.plan(),
                typed(c).orElseGet(() -> first.orientationAt(s.plan())), 0));
        return found.filter(f -> !c.sights().isEmpty())
                .map(f -> new StationModel.State(f.place().northing(), f.place().easting(), f.orientation(),
                level.held().orElseGet(() -> levelAt(c, f.place())), 1, 0));
    }

    /** A place found from the majority of the marks, whatever the others say. */
    record Majority(GridPoint place, double orientation, double gridPerGround) {
        /** How far a sight is off from there, across and along, in metres. */
        double off(FitSight s) {
            GridPoint mark = s.mark().orElseThrow().plan();
            double distance = place.distanceMetres(mark);
            double azimuth = Math.atan2(mark.easting() - place.easting(), mark.northing() - place.northing());
            double turned = new Angle(azimuth - s.mean().direction().radians() - orientation).halfCircle().radians();
            return Math.hypot(2 * distance * Math.sin(turned / 2), s.distanceCounts() ? distance - s.horizontalMetres() * gridPerGround
                    : 0);
        }
    }

    static Optional<Majority> majority(Case c) {
        List<FitSight> plan = c.inPlan();
        if (plan.isEmpty()) {
            return Optional.empty();
        }
        double gridPerGround = scale(c, plan.get(0).mark().orElseThrow());
        FirstSolution first = new FirstSolution(plan, gridPerGround);
        return c.arrangement().placeFree() ? first.find().map(f -> new Majority(f.place(), f.orientation(), gridPerGround))
                : c.station().map(s -> new Majority(s.plan(), first.orientationAt(s.plan()), gridPerGround));
    }

    private static double scale(Case c, Position mark) {
        return c.plane().gridPerGround(mark.plan(), mark.plan(), mark.elevation());
    }

    private static Optional<Double> typed(Case c) {
        return c.sights().stream().filter(s -> s.azimuth().isPresent() && s.inPlan())
                .map(s -> s.azimuth().orElseThrow().radians() - s.mean().direction().radians()).findFirst();
    }

    /** The median of what each mark says, so that one wrong height does not lead astray. */
    private static double levelAt(Case c, GridPoint place) {
        double[] levels = c.sights().stream().filter(FitSight::inHeight).mapToDouble(s -> {
            double rise = s.ranged() ? s.riseMetres() : place.distanceMetres(s.mark().orElseThrow().plan())
                    / Math.tan(s.mean().zenith().radians())
                    + c.arrangement().instrumentHeight().metres() - s.sighting().target().height().metres();
            return s.elevation().orElseThrow().metres() - rise;
        }).sorted().toArray();
        return levels.length == 0 ? 0 : levels[levels.length / 2];
    }
}
