package verge.core.cogo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import verge.core.geodesy.Position;

/**
 * The shape that comes nearest to places: the squares of their distances from it, square to it, are least in sum.
 *
 * @param residuals of each place in its order: how far off it lies, with the sign of {@link Shape#off}
 * @param sigma of one place, from what is left over; absent where nothing is
 * @param suspect the place that most likely does not belong to the others
 */
public record BestFit<S extends BestFit.Shape>(S shape, List<Double> residuals, Optional<Double> sigma, Optional<Suspect> suspect) {
    /** A place that lies so many times the scatter of the others from what they make without it is looked at. */
    private static final double SUSPICIOUS = 4;
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
     * @param sigma of the others among themselves
     */
    public record Suspect(int index, double off, double sigma) {
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

    /** Each of the worst is left out in turn: one that draws the shape towards itself does not hide by that. */
    private static <S extends Shape> Optional<Suspect> suspect(List<Position> places, S shape, List<Double> residuals, Function<List<Position>, Optional<S>> fit) {
        if (places.size() < shape.fixedBy() + 2) {
            return Optional.empty();
        }
        return IntStream.range(0, places.size()).boxed().sorted(Comparator.comparingDouble(i -> -Math.abs(residuals.get(i)))).limit(MOST_LEFT_OUT).flatMap(i -> {
            List<Position> others = new ArrayList<>(places);
            others.remove((int) i);
            return fit.apply(others).map(without -> new Suspect(i, without.off(places.get(i)), sigma(without, others).orElse(0.0))).stream();
        }).filter(s -> Math.abs(s.off()) > SUSPICIOUS * Math.max(s.sigma(), LEAST_METRES)).max(Comparator.comparingDouble(s -> Math.abs(s.off()) / Math.max(s.sigma(), LEAST_METRES)));
    }
}
