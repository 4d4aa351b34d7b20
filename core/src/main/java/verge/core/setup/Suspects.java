package verge.core.setup;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * Finds the likeliest mistake behind residuals that chance does not explain: every mistake that is known is tried, the setup solved as if
 * it had been made, and the one named first that leaves least, each further freedom that it takes being charged for.
 */
public final class Suspects {
    /** What one more freedom must explain to be preferred: chance alone does it once in a hundred. */
    private static final double CHARGE = 6.6;
    /** What a mistake must explain at all to be named: chance does it once in ten thousand. */
    private static final double LEAST_EXPLAINED = 15;
    private static final double NEAR_MARK_METRES = 0.5;
    private static final double SAME_CONSTANT_IN_SIGMAS = 3;
    private static final int MOST_NAMED = 5;
    /** Weighted squares of what cannot be solved: more than any that can. */
    private static final double UNSOLVABLE = 1e15;

    private final StationFit.Case c;
    private final double before;
    /** Absent where the contradiction is so gross that there is no solution at all. */
    private final Optional<StationSolution> base;
    private final List<Scored> scored = new ArrayList<>();

    private record Scored(Suspect suspect, double score) {
    }

    /** A known point that a mark may have been taken for. */
    public record KnownPoint(PointName name, Position position) {
    }

    private Suspects(StationFit.Case c, Optional<StationSolution> base) {
        this.c = c;
        this.base = base;
        this.before = base.map(Suspects::squares).orElse(UNSOLVABLE);
    }

    /**
     * @param others known points that could have been meant
     * @param constants prism constants that are in use here, beside the one that was set
     * @return the likeliest first; none if chance explains the residuals or nothing explains them
     */
    public static List<Suspect> of(Arrangement arrangement, Conditions conditions, Plane plane, Function<PointName, Optional<Position>> known,
            List<KnownPoint> others, List<Length> constants) {
        List<FitSight> sights = arrangement.sightings().stream().filter(s -> !s.pointings().isEmpty() && (known.apply(s.mark()).isPresent() || s.azimuth().isPresent()))
                .map(s -> FitSight.of(s, known.apply(s.mark()), arrangement, conditions)).toList();
        Optional<Position> station = arrangement.placeFree() ? Optional.empty() : arrangement.given().or(() -> known.apply(arrangement.station()));
        StationFit.Case c = new StationFit.Case(arrangement, conditions, plane, sights, station);
        if (arrangement.kind() == Arrangement.Kind.BUILDING) {
            return List.of();
        }
        Suspects search = new Suspects(c, StationFit.solve(c) instanceof StationSolution s ? Optional.of(s) : Optional.empty());
        search.tryAll(others, constants);
        return search.scored.stream().filter(s -> s.suspect().before() - s.suspect().after() > LEAST_EXPLAINED)
                .sorted(Comparator.comparingDouble(Scored::score)).limit(MOST_NAMED).map(Scored::suspect).toList();
    }

    private void tryAll(List<KnownPoint> others, List<Length> constants) {
        for (int i = 0; i < c.sights().size(); i++) {
            for (int j = i + 1; j < c.sights().size(); j++) {
                swapped(i, j);
            }
            one(i, others, constants);
        }
        if (!c.arrangement().scaleFree()) {
            hypothesis(Suspect.Kind.SCALE, List.of(), StationFit.solve(c, c.arrangement().placeFree(), true, false), 1,
                    s -> (s.station().occupation().scale() - 1) * 1e6);
        }
        // A constant shared by all distances can only be told from the rest with distances in more than one direction.
        offset();
        if (!c.arrangement().placeFree()) {
            instrumentHeight();
            otherStation(others);
        }
    }

    private void swapped(int i, int j) {
        List<FitSight> sights = new ArrayList<>(c.sights());
        FitSight a = sights.get(i);
        FitSight b = sights.get(j);
        sights.set(i, at(a, b.mark()));
        sights.set(j, at(b, a.mark()));
        hypothesis(Suspect.Kind.SWAPPED, List.of(a.sighting().mark(), b.sighting().mark()), StationFit.solve(c.with(sights)), 1, s -> Double.NaN);
    }

    private void one(int i, List<KnownPoint> others, List<Length> constants) {
        FitSight sight = c.sights().get(i);
        List<PointName> name = List.of(sight.sighting().mark());
        if (sight.azimuth().isPresent()) {
            return;
        }
        for (KnownPoint other : others) {
            boolean taken = c.sights().stream().anyMatch(s -> s.sighting().mark().equals(other.name())) || other.name().equals(c.arrangement().station());
            if (!taken) {
                Optional<Suspect> found = hypothesis(Suspect.Kind.OTHER_MARK, name, StationFit.solve(replaced(i, at(sight, Optional.of(other.position())))), 1.5, s -> Double.NaN);
                found.ifPresent(f -> replaceLast(new Suspect(f.kind(), f.about(), Optional.of(other.name()), Double.NaN, f.before(), f.after())));
            }
        }
        if (sight.inHeight()) {
            hypothesis(Suspect.Kind.TARGET_HEIGHT, name, StationFit.solve(using(i, new Sighting.Use(sight.sighting().use().plan(), sight.sighting().use().distance(), false))), 1,
                    s -> s.marks().get(i).height().map(m -> m.difference().metres()).orElse(Double.NaN));
        }
        if (sight.distanceCounts()) {
            prism(i, constants);
        }
        if (sight.inPlan()) {
            hypothesis(Suspect.Kind.DISTURBED, name, StationFit.solve(using(i, new Sighting.Use(false, false, sight.sighting().use().height()))), 2, s -> shift(s, i));
            hypothesis(Suspect.Kind.FACE, name, StationFit.solve(replaced(i, turned(sight))), 0.5, s -> Double.NaN);
        }
    }

    private void prism(int i, List<Length> constants) {
        FitSight sight = c.sights().get(i);
        StationFit.Outcome without = StationFit.solve(using(i, new Sighting.Use(true, false, sight.sighting().use().height())));
        if (!(without instanceof StationSolution s)) {
            return;
        }
        double off = s.marks().get(i).distance().map(m -> m.difference().metres()).orElse(0.0) / sight.mean().zenith().sin();
        double sigma = Math.hypot(sight.sigmaSlope(c.conditions().precision()), s.station().covariance().position().plan().metres());
        double set = sight.sighting().target().prismConstant().metres();
        boolean known = constants.stream().anyMatch(k -> Math.abs(set - off - k.metres()) < SAME_CONSTANT_IN_SIGMAS * sigma) || Math.abs(2 * set - off) < SAME_CONSTANT_IN_SIGMAS * sigma
                && set != 0;
        if (known) {
            hypothesis(Suspect.Kind.PRISM, List.of(sight.sighting().mark()), without, 1, any -> off);
        }
    }

    private void offset() {
        StationFit.Outcome free = StationFit.solve(c, c.arrangement().placeFree(), c.arrangement().scaleFree(), true);
        hypothesis(Suspect.Kind.PRISM_ALL, List.of(), free, 0.9, s -> meanOffset());
    }

    /** What all distances are too long by, seen from the marks' coordinates. */
    private double meanOffset() {
        return base.stream().flatMap(b -> b.marks().stream()).flatMap(m -> m.distance().stream()).mapToDouble(m -> m.difference().metres()).average().orElse(Double.NaN);
    }

    private void instrumentHeight() {
        if (c.arrangement().heightFrom() == Arrangement.HeightFrom.STATION && c.sights().size() > 1) {
            StationFit.Case free = new StationFit.Case(c.arrangement().with(Arrangement.HeightFrom.MARKS), c.conditions(), c.plane(), c.sights(), c.station());
            hypothesis(Suspect.Kind.INSTRUMENT_HEIGHT, List.of(), StationFit.solve(free), 0.9, s -> s.station().occupation().station().elevation()
                    .flatMap(e -> c.station().flatMap(Position::elevation).map(b -> e.metres() - b.metres())).orElse(Double.NaN));
        }
    }

    private void otherStation(List<KnownPoint> others) {
        if (c.inPlan().size() < 2) {
            return;
        }
        StationFit.Outcome free = StationFit.solve(c, true, c.arrangement().scaleFree(), false);
        if (free instanceof StationSolution s) {
            GridPoint place = s.station().occupation().station().plan();
            Optional<PointName> other = others.stream().filter(k -> k.position().plan().distanceMetres(place) < NEAR_MARK_METRES
                    && !k.name().equals(c.arrangement().station())).map(KnownPoint::name).findFirst();
            hypothesis(Suspect.Kind.OTHER_STATION, List.of(c.arrangement().station()), free, other.isPresent() ? 1 : 2,
                    any -> place.distanceMetres(c.station().orElseThrow().plan()))
                    .ifPresent(f -> replaceLast(new Suspect(f.kind(), f.about(), other, f.amount(), f.before(), f.after())));
        }
    }

    private Optional<Suspect> hypothesis(Suspect.Kind kind, List<PointName> about, StationFit.Outcome outcome, double freedoms, Function<StationSolution, Double> amount) {
        if (!(outcome instanceof StationSolution solved)) {
            return Optional.empty();
        }
        Suspect suspect = new Suspect(kind, about, Optional.empty(), amount.apply(solved), before, squares(solved));
        scored.add(new Scored(suspect, suspect.after() + CHARGE * freedoms));
        return Optional.of(suspect);
    }

    private void replaceLast(Suspect with) {
        Scored last = scored.remove(scored.size() - 1);
        scored.add(new Scored(with, last.score()));
    }

    private static double squares(StationSolution s) {
        return s.variance().factor() * s.variance().degreesOfFreedom();
    }

    private static double shift(StationSolution s, int i) {
        double across = s.marks().get(i).across().map(m -> m.difference().metres()).orElse(0.0);
        return Math.hypot(across, s.marks().get(i).distance().map(m -> m.difference().metres()).orElse(0.0));
    }

    private static FitSight at(FitSight s, Optional<Position> mark) {
        return new FitSight(s.sighting(), mark, s.mean(), s.slopeMetres(), s.horizontalMetres(), s.riseMetres());
    }

    private StationFit.Case using(int i, Sighting.Use use) {
        FitSight s = c.sights().get(i);
        return replaced(i, new FitSight(s.sighting().with(use), s.mark(), s.mean(), s.slopeMetres(), s.horizontalMetres(), s.riseMetres()));
    }

    private StationFit.Case replaced(int i, FitSight other) {
        List<FitSight> sights = new ArrayList<>(c.sights());
        sights.set(i, other);
        return c.with(sights);
    }

    /** The sight as if it had been read in the other face. */
    private static FitSight turned(FitSight s) {
        MeanSight m = s.mean();
        MeanSight half = new MeanSight(m.direction().plus(Angle.HALF_TURN).wholeCircle(), m.zenith(), m.slope(), m.pointings(), m.distances(), m.faces());
        return new FitSight(s.sighting(), s.mark(), half, s.slopeMetres(), s.horizontalMetres(), s.riseMetres());
    }
}
