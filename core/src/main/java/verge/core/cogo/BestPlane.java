package verge.core.cogo;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.factory.DecompositionFactory_DDRM;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.units.Angle;

/**
 * The plane in space that comes nearest to places, square to it, so that a wall has one as well as a floor; of three places the plane
 * through them.
 *
 * @param middle of the places, on the plane
 * @param north part of the unit vector square to it, which points up; of a wall to wherever it does
 * @param east likewise
 * @param up likewise
 */
public record BestPlane(Position middle, double north, double east, double up) implements BestFit.Shape {
    /** A plane that rises more is a wall, on which a place in plan has no height. */
    private static final double UPRIGHT = 1e-6;
    /** Part of how far places reach along a line that they have to reach beside it. */
    private static final double IN_A_LINE = 1e-6;

    /** @return empty for fewer than three places, for one without an elevation, or if all lie in one line */
    public static Optional<BestFit<BestPlane>> of(List<Position> places) {
        return BestFit.of(places, BestPlane::through);
    }

    private static Optional<BestPlane> through(List<Position> places) {
        if (places.size() < 3 || places.stream().anyMatch(p -> p.elevation().isEmpty())) {
            return Optional.empty();
        }
        GridPoint plan = BestLine.middle(places);
        double first = height(places.get(0));
        double middleHeight = first + places.stream().mapToDouble(p -> height(p) - first).average().orElseThrow();
        DMatrixRMaj away = new DMatrixRMaj(places.size(), 3);
        for (int i = 0; i < places.size(); i++) {
            away.set(i, 0, places.get(i).plan().northing() - plan.northing());
            away.set(i, 1, places.get(i).plan().easting() - plan.easting());
            away.set(i, 2, height(places.get(i)) - middleHeight);
        }
        var svd = DecompositionFactory_DDRM.svd(places.size(), 3, false, true, true);
        if (!svd.decompose(away)) {
            return Optional.empty();
        }
        DMatrixRMaj axes = svd.getV(null, true);
        double[] spread = svd.getSingularValues();
        int[] order = IntStream.range(0, 3).boxed().sorted(Comparator.comparingDouble(k -> spread[k])).mapToInt(k -> k).toArray();
        if (spread[order[1]] <= IN_A_LINE * spread[order[2]]) {
            return Optional.empty();
        }
        double sense = axes.get(order[0], 2) < 0 ? -1 : 1;
        return Optional.of(new BestPlane(new Position(plan, Optional.of(new Elevation(middleHeight))), sense * axes.get(order[0], 0),
                sense * axes.get(order[0], 1), sense * axes.get(order[0], 2)));
    }

    private static double height(Position place) {
        return place.elevation().orElseThrow().metres();
    }

    /** Square to the plane, positive above it. */
    @Override
    public double off(Position place) {
        return (place.plan().northing() - middle.plan().northing()) * north + (place.plan().easting() - middle.plan().easting()) * east
                + (height(place) - height(middle)) * up;
    }

    @Override
    public int fixedBy() {
        return 3;
    }

    /** The plane's height at a place; empty on a wall. */
    public OptionalDouble heightAt(GridPoint place) {
        return up < UPRIGHT ? OptionalDouble.empty()
                : OptionalDouble.of(height(middle)
                - ((place.northing() - middle.plan().northing()) * north + (place.easting() - middle.plan().easting()) * east) / up);
    }

    /** How steeply it falls, as fall over horizontal distance; infinite on a wall. */
    public double steepest() {
        return Math.hypot(north, east) / up;
    }

    /** In which direction water runs; any where it is level. */
    public Angle falls() {
        return new Angle(Math.atan2(east, north)).wholeCircle();
    }
}
