package verge.core.satellite;

import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import verge.core.geodesy.EarthPlace;

/**
 * Where a receiver says it is.
 *
 * @param at civil time of the observation
 * @param place on WGS 84, of the antenna; absent without a solution
 * @param sigma in north, east and up, in metres; absent if the receiver does not say
 * @param satellites that are used
 * @param age of the corrections, in seconds; absent without any
 * @param base whose corrections they are, as they name themselves; empty without any
 */
public record SolvedPosition(Instant at, Optional<EarthPlace> place, Kind kind, Optional<Sigma> sigma, int satellites,
        Optional<Dilution> dilution, OptionalDouble age, String base) {
    /** By what it was found, the better the later. */
    public enum Kind { NONE, AUTONOMOUS, DIFFERENTIAL, FLOAT, FIXED }

    /** Standard deviations, in metres. */
    public record Sigma(double north, double east, double up) {
        public double plan() {
            return Math.hypot(north, east);
        }
    }
}
