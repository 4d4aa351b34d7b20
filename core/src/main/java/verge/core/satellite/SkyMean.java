package verge.core.satellite;

import java.util.List;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthCovariance;
import verge.core.geodesy.EarthMean;
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
        EarthMean mean = EarthMean.of(solved.stream()
                .map(each -> new EarthMean.Weighed(EarthCentred.of(each.place().orElseThrow(), ReferenceEllipsoid.WGS84), spread(each)))
                .toList());
        return new SkyMean(mean.place(), mean.spread(), Epochs.of(solved));
    }

    private static EarthCovariance spread(SolvedPosition solved) {
        return solved.sigma().map(s -> EarthCovariance.ofNorthEastUp(s.north(), s.east(), s.up(), solved.place().orElseThrow().position()))
                .orElse(new EarthCovariance(0, 0, 0, 0, 0, 0));
    }
}
