package verge.core.cogo;

import java.util.List;
import java.util.Optional;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.units.Angle;

/**
 * The line in plan that comes nearest to places, through their middle.
 *
 * @param azimuth towards the last of the places rather than the first
 */
public record BestLine(GridPoint middle, Angle azimuth) implements BestFit.Shape {

    /** @return empty for fewer than two places, or if all lie in one spot */
    public static Optional<BestFit<BestLine>> of(List<Position> places) {
        return BestFit.of(places, BestLine::through);
    }

    private static Optional<BestLine> through(List<Position> places) {
        if (places.size() < 2) {
            return Optional.empty();
        }
        GridPoint middle = middle(places);
        double northSquares = 0;
        double eastSquares = 0;
        double products = 0;
        for (Position place : places) {
            double north = place.plan().northing() - middle.northing();
            double east = place.plan().easting() - middle.easting();
            northSquares += north * north;
            eastSquares += east * east;
            products += north * east;
        }
        if (northSquares + eastSquares == 0) {
            return Optional.empty();
        }
        double azimuth = Math.atan2(2 * products, northSquares - eastSquares) / 2;   // the larger principal axis of the scatter
        GridPoint first = places.get(0).plan();
        GridPoint last = places.get(places.size() - 1).plan();
        boolean back = (last.northing() - first.northing()) * Math.cos(azimuth)
                + (last.easting() - first.easting()) * Math.sin(azimuth) < 0;
        return Optional.of(new BestLine(middle, new Angle(back ? azimuth + Math.PI : azimuth).wholeCircle()));
    }

    /** Reckoned from the first place: the sum of a thousand northings would leave fewer digits. */
    static GridPoint middle(List<Position> places) {
        GridPoint first = places.get(0).plan();
        return first.plus(places.stream().mapToDouble(p -> p.plan().northing() - first.northing()).average().orElseThrow(),
                places.stream().mapToDouble(p -> p.plan().easting() - first.easting()).average().orElseThrow());
    }

    /** Positive to the right. */
    @Override
    public double off(Position place) {
        return (place.plan().easting() - middle.easting()) * azimuth.cos() - (place.plan().northing() - middle.northing()) * azimuth.sin();
    }

    /** How far ahead of the middle. */
    public double along(GridPoint place) {
        return (place.easting() - middle.easting()) * azimuth.sin() + (place.northing() - middle.northing()) * azimuth.cos();
    }

    @Override
    public int fixedBy() {
        return 2;
    }
}
