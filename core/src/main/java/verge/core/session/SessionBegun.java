package verge.core.session;

import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.core.coding.Naming;
import verge.core.coding.PointName;
import verge.core.geodesy.EarthCentred;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.SatelliteSystem;

/**
 * A receiver began to write down what it observes over a mark.
 *
 * @param antenna over the mark
 * @param seconds from one epoch to the next
 * @param about where its antenna is, as the sky said then; absent if it did not
 * @param baseline absent if nobody said what the session is for
 * @param receiver by which it was written
 */
public record SessionBegun(PointName mark, SessionName name, AntennaOverMark antenna, int seconds, Set<SatelliteSystem> systems,
        Optional<EarthCentred> about, Optional<Baseline> baseline, String receiver) implements Naming {
    @Override
    public Stream<PointName> names() {
        return Stream.concat(Stream.of(mark), baseline.flatMap(Baseline::to).stream());
    }

    @Override
    public SessionBegun renamed(UnaryOperator<PointName> other) {
        return over(other.apply(mark), baseline.map(b -> new Baseline(b.length(), b.to().map(other))));
    }

    private SessionBegun over(PointName other, Optional<Baseline> to) {
        return new SessionBegun(other, name, antenna, seconds, systems, about, to, receiver);
    }

    /** The same over another mark. Its file keeps its name: it is called so on the card as well. */
    public SessionBegun over(PointName other) {
        return over(other, baseline);
    }

    public SessionBegun with(AntennaOverMark other) {
        return new SessionBegun(mark, name, other, seconds, systems, about, baseline, receiver);
    }
}
