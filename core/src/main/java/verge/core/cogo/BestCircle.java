package verge.core.cogo;

import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import verge.core.adjustment.LeastSquares;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;

/** The circle in plan that comes nearest to places. */
public record BestCircle(GridPoint centre, double radius) implements BestFit.Shape {
    /** Part of the scatter along them that places in a line have across it, squared: a part of 10⁻⁶ tells no radius. */
    private static final double IN_A_LINE = 1e-12;
    /** Places, in parts of their reach, so that the iteration ends where a step is a hundred-thousandth of that. */
    private static final double FINE = 1e-6;
    /** A circle that is so many times larger than its places lie apart is a line. */
    private static final double FLATTEST = 1e5;

    /** @return empty for fewer than three places, or if all lie in a line or in one spot */
    public static Optional<BestFit<BestCircle>> of(List<Position> places) {
        return BestFit.of(places, BestCircle::through);
    }

    /** Least squares of the distances, from the circle whose equation fits best (I. Kåsa, IEEE Trans. Instrum. Meas. 25, 1976). */
    private static Optional<BestCircle> through(List<Position> places) {
        if (places.size() < 3) {
            return Optional.empty();
        }
        GridPoint middle = BestLine.middle(places);
        double reach = places.stream().mapToDouble(p -> p.plan().distanceMetres(middle)).max().orElseThrow();
        double[] north = places.stream().mapToDouble(p -> (p.plan().northing() - middle.northing()) / reach).toArray();
        double[] east = places.stream().mapToDouble(p -> (p.plan().easting() - middle.easting()) / reach).toArray();
        return reach == 0 ? Optional.empty() : start(north, east)
                .map(start -> LeastSquares.solve(new Distances(north, east), start,
                DoubleStream.generate(() -> FINE).limit(north.length).toArray(), LeastSquares.Common.NONE))
                .filter(LeastSquares.Solution.class::isInstance).map(outcome -> ((LeastSquares.Solution) outcome).unknowns())
                .filter(u -> u[2] > 0 && u[2] < FLATTEST)
                .map(u -> new BestCircle(middle.plus(u[0] * reach, u[1] * reach), u[2] * reach));
    }

    /** North and east of the centre from the places' middle, and the radius; empty if they lie in a line. */
    private static Optional<double[]> start(double[] north, double[] east) {
        double northSquares = 0;
        double eastSquares = 0;
        double products = 0;
        double northTimes = 0;
        double eastTimes = 0;
        for (int i = 0; i < north.length; i++) {
            double square = north[i] * north[i] + east[i] * east[i];
            northSquares += north[i] * north[i];
            eastSquares += east[i] * east[i];
            products += north[i] * east[i];
            northTimes += north[i] * square / 2;
            eastTimes += east[i] * square / 2;
        }
        double determinant = northSquares * eastSquares - products * products;
        if (determinant <= IN_A_LINE * (northSquares + eastSquares) * (northSquares + eastSquares)) {
            return Optional.empty();
        }
        double n = (northTimes * eastSquares - eastTimes * products) / determinant;
        double e = (eastTimes * northSquares - northTimes * products) / determinant;
        return Optional.of(new double[] {n, e, Math.sqrt(n * n + e * e + (northSquares + eastSquares) / north.length)});
    }

    /** A place's distance from the centre is the radius. */
    private record Distances(double[] north, double[] east) implements LeastSquares.Model {
        @Override
        public int unknowns() {
            return 3;
        }

        @Override
        public int observations() {
            return north.length;
        }

        @Override
        public void at(double[] circle, double[] misclosure, double[][] design) {
            for (int i = 0; i < north.length; i++) {
                double away = Math.hypot(north[i] - circle[0], east[i] - circle[1]);
                misclosure[i] = circle[2] - away;
                design[i][0] = away == 0 ? 0 : (north[i] - circle[0]) / -away;
                design[i][1] = away == 0 ? 0 : (east[i] - circle[1]) / -away;
                design[i][2] = -1;
            }
        }
    }

    /** Positive outside. */
    @Override
    public double off(Position place) {
        return place.plan().distanceMetres(centre) - radius;
    }

    @Override
    public int fixedBy() {
        return 3;
    }
}
