package verge.core.setup;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Function;
import java.util.function.IntToDoubleFunction;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * Finds the likeliest mistake behind residuals that chance does not explain: every mistake that is known is tried, the setup solved as if
 * it had been made, and the one named first that leaves least, each further freedom that it takes being charged for. A mistake must be one
 * that a hand or a table makes: its amount has to be plausible, and what merely exchanges or turns takes no freedom.
 *
 * <p>Where many marks were read, only those are tried that do not fit a place found from the majority, or whose removal would explain much;
 * and of many other known points only those that lie about where the sight went.
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
    /** So many marks are tried each and in every pair; of more, so many of those that fit worst. */
    private static final int ALL_ARE_TRIED = 6;
    private static final int MOST_TRIED = 5;
    /** Other points tried in full for one mark: those that would fit best. */
    private static final int MOST_OTHERS = 3;
    /** A sight that passes another point by more than this, and by this part of its length, did not go there. */
    private static final double ELSEWHERE_METRES = 2;
    private static final double ELSEWHERE_PART = 0.02;
    /** Poles are drawn out by decimetres; what a hand misreads or mistypes is under a metre. */
    private static final double DECIMETRE = 0.1;
    private static final double LONGEST_DRAWN_METRES = 3;
    private static final double LARGEST_SLIP_METRES = 1;
    /** Charged for an amount that no hand and no table makes: it comes behind everything that does. */
    private static final double IMPLAUSIBLE = 5;
    /** From air of nothing to air of sea level: no wrong temperature, pressure or unit of either does more. */
    private static final double MOST_AIR_PPM = 300;
    private static final double SAME_PPM = 10;

    private final StationFit.Case c;
    private final double before;
    /** Absent where the contradiction is so gross that there is no solution at all. */
    private final Optional<StationSolution> base;
    /** Where most of many marks put the station; empty for a few. */
    private final Optional<StationFit.Majority> majority;
    private final List<Scored> scored = new ArrayList<>();

    private record Scored(Suspect suspect, double score) {
    }

    /** A known point that a mark may have been taken for. */
    public record KnownPoint(PointName name, Position position) {
    }

    private Suspects(StationFit.Case c, Optional<StationSolution> base) {
        this.c = c;
        this.base = base;
        this.majority = c.sights().size() > ALL_ARE_TRIED ? StationFit.majority(c) : Optional.empty();
        this.before = base.map(StationSolution::squares).orElse(UNSOLVABLE);
    }

    /**
     * @param others known points that could have been meant
     * @param constants prism constants that are in use here, beside the one that was set
     * @return the likeliest first; none if chance explains the residuals or nothing explains them
     */
    public static List<Suspect> of(Arrangement arrangement, Conditions conditions, Plane plane,
            Function<PointName, Optional<KnownMark>> known,
            List<KnownPoint> others, List<Length> constants) {
        if (arrangement.kind() == Arrangement.Kind.BUILDING) {
            return List.of();
        }
        StationFit.Outcome outcome = StationFit.solve(arrangement, conditions, plane, known);
        if (outcome instanceof StationFit.Unsolved why && why.reason() != StationFit.Reason.CONTRADICTORY
                && why.reason() != StationFit.Reason.UNDETERMINED) {
            return List.of();   // there is nothing to suspect where something is missing, or has no direction at all
        }
        List<FitSight> sights = arrangement.sightings().stream()
                .filter(s -> !s.pointings().isEmpty() && (known.apply(s.mark()).isPresent() || s.azimuth().isPresent()))
                .map(s -> FitSight.of(s, known.apply(s.mark()), arrangement, conditions)).toList();
        Optional<KnownMark> station = arrangement.placeFree() ? Optional.empty() : arrangement.given().map(KnownMark::exact)
                .or(() -> known.apply(arrangement.station()));
        StationFit.Case c = new StationFit.Case(arrangement, conditions, plane, sights, station);
        Suspects search = new Suspects(c, outcome instanceof StationSolution s ? Optional.of(s) : Optional.empty());
        search.tryAll(others, constants);
        return search.scored.stream().filter(s -> s.suspect().before() - s.suspect().after() > LEAST_EXPLAINED)
                .sorted(Comparator.comparingDouble(Scored::score)).limit(MOST_NAMED).map(Scored::suspect).toList();
    }

    private void tryAll(List<KnownPoint> others, List<Length> constants) {
        int[] tried = tried();
        for (int k = 0; k < tried.length; k++) {
            for (int l = k + 1; l < tried.length; l++) {
                if (couldBeSwapped(tried[k], tried[l])) {
                    swapped(tried[k], tried[l]);
                }
            }
            one(tried[k], others, constants);
        }
        if (!c.arrangement().scaleFree()) {
            scale();
        }
        offset(constants);
        if (!c.arrangement().placeFree()) {
            instrumentHeight();
            otherStation(others);
        }
    }

    /**
     * The sights that may be wrong by themselves: all of a few; of many those that fit worst, by the residuals and by the majority's place.
     */
    private int[] tried() {
        int n = c.sights().size();
        if (n <= ALL_ARE_TRIED) {
            return IntStream.range(0, n).toArray();
        }
        Set<Integer> worst = new TreeSet<>();
        base.ifPresent(b -> largest(n, i -> b.marks().get(i).observations().stream().mapToDouble(o -> Math.abs(o.standardised())).max()
                .orElse(0), worst));
        List<FitSight> plan = c.inPlan();
        majority.ifPresent(found -> largest(n, i -> plan.contains(c.sights().get(i)) ? found.off(c.sights().get(i)) : 0, worst));
        return worst.stream().mapToInt(Integer::intValue).toArray();
    }

    private static void largest(int n, IntToDoubleFunction of, Set<Integer> into) {
        IntStream.range(0, n).boxed().sorted(Comparator.comparingDouble((Integer i) -> -of.applyAsDouble(i))).limit(MOST_TRIED)
                .forEach(into::add);
    }

    /**
     * Of many marks, seen from where the majority puts the station, two that were exchanged would each lie nearer to where the other's
     * sight went.
     */
    private boolean couldBeSwapped(int i, int j) {
        FitSight a = c.sights().get(i);
        FitSight b = c.sights().get(j);
        return c.sights().size() <= ALL_ARE_TRIED || !a.inPlan() || !b.inPlan() || a.mark().isEmpty() || b.mark().isEmpty()
                || majority.map(m -> m.off(a.with(b.known())) + m.off(b.with(a.known())) < m.off(a) + m.off(b)).orElse(true);
    }

    private void swapped(int i, int j) {
        List<FitSight> sights = new ArrayList<>(c.sights());
        FitSight a = sights.get(i);
        FitSight b = sights.get(j);
        sights.set(i, a.with(b.known()));
        sights.set(j, b.with(a.known()));
        hypothesis(Suspect.Kind.SWAPPED, List.of(a.sighting().mark(), b.sighting().mark()), StationFit.solve(c.with(sights)), 0,
                s -> Double.NaN);
    }

    private void one(int i, List<KnownPoint> others, List<Length> constants) {
        FitSight sight = c.sights().get(i);
        List<PointName> name = List.of(sight.sighting().mark());
        if (sight.azimuth().isPresent()) {
            return;
        }
        otherMark(i, others);
        if (sight.inHeight()) {
            hypothesis(Suspect.Kind.TARGET_HEIGHT, name,
                    StationFit.solve(using(i, new Sighting.Use(sight.sighting().use().plan(), sight.sighting().use().distance(), false))),
                    amount -> ofHand(amount), s -> s.marks().get(i).height().map(m -> m.difference().metres()).orElse(Double.NaN));
        }
        if (sight.distanceCounts()) {
            prism(i, constants);
        }
        if (sight.inPlan()) {
            hypothesis(Suspect.Kind.DISTURBED, name,
                    StationFit.solve(using(i, new Sighting.Use(false, false, sight.sighting().use().height()))), 2, s -> shift(s, i));
            FitSight turned = turned(sight);
            if (majority.map(m -> m.off(turned) < m.off(sight)).orElse(true)) {
                hypothesis(Suspect.Kind.FACE, name, StationFit.solve(replaced(i, turned)), 0.5, s -> Double.NaN);
            }
        }
    }

    /** How many freedoms an amount of metres is charged for that a hand would have made. */
    private static double ofHand(double metres) {
        double size = Math.abs(metres);
        boolean drawn = size <= LONGEST_DRAWN_METRES && Math.abs(size - DECIMETRE * Math.round(size / DECIMETRE)) < 0.01;
        return drawn || size <= LARGEST_SLIP_METRES ? 1 : IMPLAUSIBLE;
    }

    /** Another known point than was said: those are solved for that the sight, seen from where the others put the station, goes to. */
    private void otherMark(int i, List<KnownPoint> others) {
        FitSight sight = c.sights().get(i);
        List<KnownPoint> free = others.stream().filter(o -> !o.name().equals(c.arrangement().station())
                && c.sights().stream().noneMatch(s -> s.sighting().mark().equals(o.name()))).toList();
        Optional<StationFit.Majority> from = majority.or(() -> StationFit.majority(without(i)));
        List<KnownPoint> likely = from.isEmpty() ? free : free.stream()
                .filter(o -> off(from.get(), sight, o) < ELSEWHERE_METRES + ELSEWHERE_PART * from.get().place()
                .distanceMetres(o.position().plan()))
                .sorted(Comparator.comparingDouble(o -> off(from.get(), sight, o))).limit(MOST_OTHERS).toList();
        likely.forEach(other -> hypothesis(Suspect.Kind.OTHER_MARK, List.of(sight.sighting().mark()),
                StationFit.solve(replaced(i, at(sight, other))), 1.5,
                s -> Double.NaN).ifPresent(f ->
                replaceLast(new Suspect(f.kind(), f.about(), Optional.of(other.name()), Double.NaN, f.before(), f.after()))));
    }

    private static double off(StationFit.Majority from, FitSight sight, KnownPoint to) {
        return from.off(at(sight, to));
    }

    private static FitSight at(FitSight sight, KnownPoint other) {
        return sight.with(Optional.of(KnownMark.exact(other.position())));
    }

    private void prism(int i, List<Length> constants) {
        FitSight sight = c.sights().get(i);
        StationFit.Outcome without = StationFit.solve(using(i, new Sighting.Use(true, false, sight.sighting().use().height())));
        if (!(without instanceof StationSolution s)) {
            return;
        }
        double off = s.marks().get(i).distance().map(m -> m.difference().metres()).orElse(0.0) / sight.mean().zenith().sin();
        double sigma = Math.hypot(Math.hypot(sight.sigmaMeter(c.conditions().precision()),
                c.conditions().precision().sigmaTargetCentring().metres()),
                s.station().covariance().position().plan().metres());
        if (inUse(sight.sighting().target().prismConstant(), off, sigma, constants)) {
            hypothesis(Suspect.Kind.PRISM, List.of(sight.sighting().mark()), without, 1, any -> off);
        }
    }

    /**
     * Whether a distance that is off by so much would be right with another constant in use, or with the one that was set taken off instead
     * of on.
     */
    private static boolean inUse(Length set, double off, double sigma, List<Length> constants) {
        double within = SAME_CONSTANT_IN_SIGMAS * sigma;
        return constants.stream().anyMatch(k -> Math.abs(set.metres() - off - k.metres()) < within) || set.metres() != 0
                && Math.abs(2 * set.metres() - off) < within;
    }

    /** All distances wrong in proportion: by what the air can do, or by the ground taken for the grid. */
    private void scale() {
        hypothesis(Suspect.Kind.SCALE, List.of(), StationFit.solve(c, c.arrangement().placeFree(), true, false), this::ofAirOrGrid,
                s -> (s.station().occupation().scale() - 1) * 1e6);
    }

    private double ofAirOrGrid(double ppm) {
        double grid = c.inPlan().stream().findFirst().flatMap(FitSight::mark)
                .map(m -> (c.plane().gridPerGround(m.plan(), m.plan(), m.elevation()) - 1) * 1e6).orElse(0.0);
        boolean taken = Math.abs(grid) > SAME_PPM && Math.abs(Math.abs(ppm) - Math.abs(grid)) < Math.max(SAME_PPM, Math.abs(grid) * 0.1);
        return taken || Math.abs(ppm) < MOST_AIR_PPM ? 1 : Double.POSITIVE_INFINITY;
    }

    /**
     * A constant shared by all distances can only be told from the rest with distances in more than one direction; it must be one in use.
     */
    private void offset(List<Length> constants) {
        StationFit.Outcome free = StationFit.solve(c, c.arrangement().placeFree(), c.arrangement().scaleFree(), true);
        if (free instanceof StationSolution s) {
            // Solved with it, the distances as they were read are off by it.
            double off = s.marks().stream().flatMap(m -> m.distance().stream()).mapToDouble(m -> m.difference().metres()).average()
                    .orElse(0);
            double sigma = Math.hypot(c.conditions().precision().sigmaTargetCentring().metres(),
                    s.station().covariance().position().plan().metres());
            if (c.sights().stream().filter(FitSight::distanceCounts)
                    .allMatch(sight -> inUse(sight.sighting().target().prismConstant(), off, sigma, constants))) {
                hypothesis(Suspect.Kind.PRISM_ALL, List.of(), free, 0.9, any -> off);
            }
        }
    }

    private void instrumentHeight() {
        if (c.arrangement().heightFrom() == Arrangement.HeightFrom.STATION && c.sights().size() > 1) {
            StationFit.Case free = new StationFit.Case(c.arrangement().with(Arrangement.HeightFrom.MARKS), c.conditions(), c.plane(),
                    c.sights(), c.at());
            hypothesis(Suspect.Kind.INSTRUMENT_HEIGHT, List.of(), StationFit.solve(free), amount -> 0.9 * ofHand(amount),
                    s -> s.station().occupation().station().elevation()
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

    private Optional<Suspect> hypothesis(Suspect.Kind kind, List<PointName> about, StationFit.Outcome outcome, double freedoms,
            ToDoubleFunction<StationSolution> amount) {
        return hypothesis(kind, about, outcome, any -> freedoms, amount);
    }

    /** @param freedoms that an amount is charged for; endless for one that cannot be */
    private Optional<Suspect> hypothesis(Suspect.Kind kind, List<PointName> about, StationFit.Outcome outcome, DoubleUnaryOperator freedoms,
            ToDoubleFunction<StationSolution> amount) {
        if (!(outcome instanceof StationSolution solved)) {
            return Optional.empty();
        }
        Suspect suspect = new Suspect(kind, about, Optional.empty(), amount.applyAsDouble(solved), before, solved.squares());
        double charged = freedoms.applyAsDouble(suspect.amount());
        if (Double.isInfinite(charged)) {
            return Optional.empty();
        }
        scored.add(new Scored(suspect, suspect.after() + CHARGE * charged));
        return Optional.of(suspect);
    }

    private void replaceLast(Suspect with) {
        Scored last = scored.remove(scored.size() - 1);
        scored.add(new Scored(with, last.score()));
    }

    private static double shift(StationSolution s, int i) {
        double across = s.marks().get(i).across().map(m -> m.difference().metres()).orElse(0.0);
        return Math.hypot(across, s.marks().get(i).distance().map(m -> m.difference().metres()).orElse(0.0));
    }

    private StationFit.Case using(int i, Sighting.Use use) {
        return replaced(i, c.sights().get(i).with(use));
    }

    private StationFit.Case without(int i) {
        return c.with(IntStream.range(0, c.sights().size()).filter(k -> k != i).mapToObj(c.sights()::get).toList());
    }

    private StationFit.Case replaced(int i, FitSight other) {
        List<FitSight> sights = new ArrayList<>(c.sights());
        sights.set(i, other);
        return c.with(sights);
    }

    /** The sight as if it had been read in the other face. */
    private static FitSight turned(FitSight s) {
        MeanSight m = s.mean();
        return s.with(new MeanSight(m.direction().plus(Angle.HALF_TURN).wholeCircle(), m.zenith(), m.slope(), m.pointings(), m.distances(),
                m.faces()));
    }
}
