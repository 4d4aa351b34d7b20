package verge.core.geodesy;

import java.util.List;
import java.util.stream.IntStream;

/**
 * Several places of one point as one.
 *
 * @param spread mean of what the places are known to: errors that all of them share, as reflections and air over some seconds, become no
 *     smaller by repeating
 */
public record EarthMean(EarthCentred place, EarthCovariance spread) {
    /** @param weight over 0, in any unit */
    public record Weighed(EarthCentred place, EarthCovariance spread, double weight) {
        public Weighed {
            if (!(weight > 0) || !Double.isFinite(weight)) {
                throw new IllegalArgumentException("weight: " + weight);
            }
        }

        /** As much as any other. */
        public Weighed(EarthCentred place, EarthCovariance spread) {
            this(place, spread, 1);
        }
    }

    /** @param places at least one @throws IllegalArgumentException without any */
    public static EarthMean of(List<Weighed> places) {
        if (places.isEmpty()) {
            throw new IllegalArgumentException("no places");
        }
        EarthCentred first = places.get(0).place();
        double all = places.stream().mapToDouble(Weighed::weight).sum();
        EarthCentred sum = new EarthCentred(0, 0, 0);
        EarthCovariance spread = new EarthCovariance(0, 0, 0, 0, 0, 0);
        for (Weighed each : places) {
            // off the first, not off the centre: sums of millions of metres would lose digits
            EarthCentred off = each.place().minus(first);
            double share = each.weight() / all;
            sum = sum.plus(new EarthCentred(off.x() * share, off.y() * share, off.z() * share));
            spread = spread.plus(each.spread().times(share));
        }
        return new EarthMean(first.plus(sum), spread);
    }

    /** A place less the mean, to north, east and up, in metres. */
    public double[] residual(EarthCentred other) {
        return other.minus(place).northEastUp(place.place(ReferenceEllipsoid.WGS84).position());
    }

    /**
     * Standard deviation of a place of mean weight to north, east and up, from what the places contradict each other by, in metres; noughts
     * of one place.
     */
    public double[] scatter(List<Weighed> places) {
        double mean = places.stream().mapToDouble(Weighed::weight).average().orElseThrow();
        double[] squares = new double[3];
        for (Weighed each : places) {
            double[] off = residual(each.place());
            IntStream.range(0, squares.length).forEach(i -> squares[i] += each.weight() / mean * off[i] * off[i]);
        }
        return IntStream.range(0, squares.length).mapToDouble(i -> Math.sqrt(squares[i] / Math.max(1, places.size() - 1))).toArray();
    }
}
