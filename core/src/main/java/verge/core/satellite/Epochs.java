package verge.core.satellite;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.ReferenceEllipsoid;

/**
 * Out of which solutions a position was taken.
 *
 * @param count of solutions
 * @param kind the worst of them
 * @param satellites the fewest
 * @param pdop the worst; absent if the receiver never said
 * @param ageSeconds the oldest corrections; absent without any
 * @param scatter of one solution about their mean, as a standard deviation; absent for a single one
 */
public record Epochs(int count, Instant begin, Instant end, SolvedPosition.Kind kind, int satellites, OptionalDouble pdop,
        OptionalDouble ageSeconds, Optional<SolvedPosition.Sigma> scatter) {
    /** Of solutions in their order, at least one. */
    public static Epochs of(List<SolvedPosition> all) {
        return new Epochs(all.size(), all.get(0).at(), all.get(all.size() - 1).at(),
                all.stream().map(SolvedPosition::kind).min(Comparator.naturalOrder()).orElseThrow(),
                all.stream().mapToInt(SolvedPosition::satellites).min().orElseThrow(),
                all.stream().flatMap(p -> p.dilution().stream()).mapToDouble(Dilution::position).max(),
                all.stream().filter(p -> p.age().isPresent()).mapToDouble(p -> p.age().getAsDouble()).max(), scatter(all));
    }

    private static Optional<SolvedPosition.Sigma> scatter(List<SolvedPosition> all) {
        if (all.size() < 2 || all.stream().anyMatch(s -> s.place().isEmpty())) {
            return Optional.empty();
        }
        Geographic at = all.get(0).place().orElseThrow().position();
        EarthCentred first = EarthCentred.of(all.get(0).place().get(), ReferenceEllipsoid.WGS84);
        double[] sums = new double[3];
        double[] squares = new double[3];
        for (SolvedPosition each : all) {
            double[] off = EarthCentred.of(each.place().orElseThrow(), ReferenceEllipsoid.WGS84).minus(first).northEastUp(at);
            for (int axis = 0; axis < off.length; axis++) {
                sums[axis] += off[axis];
                squares[axis] += off[axis] * off[axis];
            }
        }
        double[] sigma = IntStream.range(0, sums.length)
                .mapToDouble(axis -> Math.sqrt(Math.max(0, (squares[axis] - sums[axis] * sums[axis] / all.size()) / (all.size() - 1))))
                .toArray();
        return Optional.of(new SolvedPosition.Sigma(sigma[0], sigma[1], sigma[2]));
    }

    /** Of whose scatter nothing is known. */
    public Epochs(int count, Instant begin, Instant end, SolvedPosition.Kind kind, int satellites, OptionalDouble pdop,
            OptionalDouble ageSeconds) {
        this(count, begin, end, kind, satellites, pdop, ageSeconds, Optional.empty());
    }

    public Epochs {
        if (count < 1 || end.isBefore(begin)) {
            throw new IllegalArgumentException(count + " epochs from " + begin + " to " + end);
        }
    }
}
