package verge.core.satellite;

import java.util.List;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthCovariance;
import verge.core.geodesy.ReferenceEllipsoid;

/**
 * Where an antenna is that stands still, as far as its own receiver knows without a base: the mean of some solutions.
 *
 * @param antenna its reference point
 * @param spread as the receiver says of one solution: what reflections and air do stays the same over minutes. Nought where it says nothing
 */
public record SkyMean(EarthCentred antenna, EarthCovariance spread, Epochs epochs) {
    /** @param solved at least one, each with a place @throws IllegalArgumentException otherwise */
    public static SkyMean of(List<SolvedPosition> solved) {
        if (solved.isEmpty() || solved.stream().anyMatch(s -> s.place().isEmpty())) {
            throw new IllegalArgumentException("no place in " + solved.size() + " solutions");
        }
        EarthCentred first = centred(solved.get(0));
        EarthCentred sum = new EarthCentred(0, 0, 0);
        EarthCovariance spread = new EarthCovariance(0, 0, 0, 0, 0, 0);
        double share = 1.0 / solved.size();
        for (SolvedPosition each : solved) {
            // off the first, not off the centre: sums of millions of metres would lose digits
            EarthCentred off = centred(each).minus(first);
            sum = sum.plus(new EarthCentred(off.x() * share, off.y() * share, off.z() * share));
            spread = spread.plus(each.sigma().map(s -> EarthCovariance.ofNorthEastUp(s.north(), s.east(), s.up(), each.place().orElseThrow().position())).orElse(new EarthCovariance(0, 0, 0, 0, 0, 0)).times(share));
        }
        return new SkyMean(first.plus(sum), spread, Epochs.of(solved));
    }

    private static EarthCentred centred(SolvedPosition solved) {
        return EarthCentred.of(solved.place().orElseThrow(), ReferenceEllipsoid.WGS84);
    }
}
