package verge.core.alignment;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * How stations are counted along an alignment: from a first value on, jumping at station equations.
 *
 * @param start the station at the beginning, in metres
 * @param equations in the order of their places
 */
public record Stationing(double start, List<Equation> equations) {
    public Stationing {
        equations = equations.stream().sorted(Comparator.comparingDouble(Equation::distance)).toList();
    }

    public static Stationing from(double start) {
        return new Stationing(start, List.of());
    }

    /**
     * A place where the count jumps.
     *
     * @param distance along the alignment from its beginning, in metres
     * @param ahead the station from there on; behind it the count before goes up to the place
     * @param increasing whether stations grow from there on
     */
    public record Equation(double distance, double ahead, boolean increasing) {
    }

    /** The station at a distance from the beginning; at an equation the one ahead of it. */
    public double station(double distance) {
        double station = start + distance;
        for (Equation equation : equations) {
            if (distance >= equation.distance()) {
                station = equation.ahead() + (equation.increasing() ? 1 : -1) * (distance - equation.distance());
            }
        }
        return station;
    }

    /**
     * The distances at which a station is found on an alignment of a given length: none in a gap, several where a stretch is counted
     * twice.
     */
    public List<Double> distances(double station, double length) {
        List<Double> found = new ArrayList<>();
        double from = 0;
        double ahead = start;
        boolean increasing = true;
        for (int i = 0; i <= equations.size(); i++) {
            double to = i < equations.size() ? equations.get(i).distance() : length;
            double at = from + (increasing ? station - ahead : ahead - station);
            if (at >= from && (at < to || i == equations.size() && at <= to)) {
                found.add(at);
            }
            if (i < equations.size()) {
                from = to;
                ahead = equations.get(i).ahead();
                increasing = equations.get(i).increasing();
            }
        }
        return List.copyOf(found);
    }

    Stationing scaled(double perUnit) {
        return new Stationing(start * perUnit,
                equations.stream().map(e -> new Equation(e.distance() * perUnit, e.ahead() * perUnit, e.increasing())).toList());
    }
}
