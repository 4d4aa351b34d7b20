package verge.core.cogo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.TDistribution;
import verge.core.geodesy.Position;

/**
 * The shape that comes nearest to places: the squares of their distances from it, square to it, are least in sum.
 *
 * @param residuals of each place in its order: how far off it lies, with the sign of {@link Shape#off}
 * @param sigma of one place, from what is left over; absent where nothing is
 * @param suspect the place that most likely does not belong to the others
 */
public record BestFit<S extends BestFit.Shape>(S shape, List<Double> residuals, Optional<Double> sigma, Optional<Suspect> suspect) {
    /** So many clean figures in a hundred at most have a place suspected. */
    private static final double LEVEL = 0.05;
    /** What is measured is not known better: a place is not suspected for a tenth of a millimetre among places without scatter. */
    private static final double LEAST_METRES = 1e-4;
    private static final int MOST_LEFT_OUT = 60;

    public BestFit {
        residuals = List.copyOf(residuals);
    }

    /** A line, a circle, a plane. */
    public interface Shape {
        /** How far off a place lies, in metres, square to the shape; the sign says on which side. */
        double off(Position place);

        /** How many places fix it. */
        int fixedBy();
    }

    /**
     * A place that does not go with the others.
     *
     * @param index of the place
     * @param off how far it lies from what the others make
     * @param times how many times what it may be off by chance: the scatter of the others tells how much, and how well it tells that
     */
    public record Suspect(int index, double off, double times) {
    }

    /** @param fit makes the shape; empty where places make none */
    static <S extends Shape> Optional<BestFit<S>> of(List<Position> places, Function<List<Position>, Optional<S>> fit) {
        return fit.apply(places).map(shape -> {
            List<Double> residuals = places.stream().map(shape::off).toList();
            return new BestFit<>(shape, residuals, sigma(shape, places), suspect(places, shape, residuals, fit));
        });
    }

    private static Optional<Double> sigma(Shape shape, List<Position> places) {
        int over = places.size() - shape.fixedBy();
        double squares = places.stream().mapToDouble(shape::off).map(off -> off * off).sum();
        return over > 0 ? Optional.of(Math.sqrt(squares / over)) : Optional.empty();
    }

    /**
     * Each of the worst is left out in turn: one that draws the shape towards itself does not hide by that. What it is off then, over the
     * scatter of the others and what these leave open where it lies, is distributed as Student's t with as many degrees of freedom as the
     * others have to spare (externally studentised residuals); of n places the worst is held to the n-th part of the level (Bonferroni). So
     * three or four places on a line accuse nobody for what a line of thirty would.
     */
    private static <S extends Shape> Optional<Suspect> suspect(List<Position> places, S shape, List<Double> residuals,
            Function<List<Position>, Optional<S>> fit) {
        int spare = places.size() - shape.fixedBy() - 1;
        if (spare < 1) {
            return Optional.empty();
        }
        double limit = TDistribution.of(spare).inverseSurvivalProbability(LEVEL / (2 * places.size()));
        return IntStream.range(0, places.size()).boxed().sorted(Comparator.comparingDouble(i -> -Math.abs(residuals.get(i))))
                .limit(MOST_LEFT_OUT).flatMap(i -> {
            List<Position> others = new ArrayList<>(places);
            others.remove((int) i);
            return fit.apply(others).map(without ->
                    suspect(i, without.off(places.get(i)), residuals.get(i),
                    Math.max(LEAST_METRES, sigma(without, others).orElseThrow()) * limit)).stream();
        }).filter(s -> s.times() > 1).max(Comparator.comparingDouble(Suspect::times));
    }

    /**
     * What the others leave open at a place is told by how much less it is off once it counts itself: r = off (1 − h), and off scatters by
     * σ/√(1 − h).
     */
    private static Suspect suspect(int index, double off, double residual, double allowed) {
        double open = Math.sqrt(Math.max(1, Math.abs(off / residual)));   // their signs differ where the shape is turned round
        return new Suspect(index, off, Math.abs(off) / (allowed * open));
    }
}
