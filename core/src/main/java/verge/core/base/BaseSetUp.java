package verge.core.base;

import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.core.coding.Naming;
import verge.core.coding.PointName;
import verge.core.geodesy.EarthCentred;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.SkyMean;

/**
 * A base that was set up over a mark: the head of what is measured from it.
 *
 * @param antenna over the mark
 * @param sent under which number it sends, and where it says that its antenna's reference point is. What was sent stays, whatever turns out
 *     later
 * @param sky where its own receiver found its antenna then; absent if it was not asked
 * @param reason what was noted of it: why it was accepted although the sky disagreed, of which job it was taken over; else empty
 * @throws IllegalArgumentException held by a sky that was not asked
 */
public record BaseSetUp(PointName mark, Held held, AntennaOverMark antenna, BaseHeard sent, Optional<SkyMean> sky, Sending sending,
        String receiver, String reason) implements Naming {
    /** From what its place is known. */
    public enum Held {
        /** The mark is a point that is known otherwise. */
        KNOWN,
        /** The sky said so: the mark gets its place by this, until something better is known. */
        SKY
    }

    public BaseSetUp {
        if (held == Held.SKY && sky.isEmpty()) {
            throw new IllegalArgumentException("held by a sky that nobody asked");
        }
    }

    @Override
    public Stream<PointName> names() {
        return Stream.of(mark);
    }

    @Override
    public BaseSetUp renamed(UnaryOperator<PointName> other) {
        return new BaseSetUp(other.apply(mark), held, antenna, sent, sky, sending, receiver, reason);
    }

    public BaseSetUp with(AntennaOverMark other) {
        return new BaseSetUp(mark, held, other, sent, sky, sending, receiver, reason);
    }

    /** The same with something noted of it. */
    public BaseSetUp noted(String other) {
        return new BaseSetUp(mark, held, antenna, sent, sky, sending, receiver, other);
    }

    /** The same over a mark that is known. */
    public BaseSetUp over(PointName known) {
        return new BaseSetUp(known, Held.KNOWN, antenna, sent, sky, sending, receiver, reason);
    }
}
