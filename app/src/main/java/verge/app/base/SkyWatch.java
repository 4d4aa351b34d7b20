package verge.app.base;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.satellite.SkyMean;
import verge.core.satellite.SolvedPosition;
import verge.instruments.receiver.Receiver;

/** Listens to where a receiver that stands still says it is, so that its mean is there when somebody asks. */
final class SkyWatch {
    private static final int MOST = 60;
    private static final int FEWEST = 3;
    /** So far from its mean no receiver comes that stands still: it was carried to another mark. */
    private static final double CARRIED_METRES = 8;
    private static final Duration FRESH = Duration.ofSeconds(5);

    private final Deque<SolvedPosition> solved = new ArrayDeque<>();
    private Instant last = Instant.EPOCH;

    SkyWatch(Receiver receiver) {
        receiver.listen(epoch -> take(epoch.position()));
    }

    private synchronized void take(SolvedPosition position) {
        if (position.place().isEmpty()) {
            solved.clear();   // the antenna was off, or the sky hidden: it may stand elsewhere when it is back
            return;
        }
        if (!solved.isEmpty() && EarthCentred.of(position.place().get(), ReferenceEllipsoid.WGS84)
                .minus(SkyMean.of(List.copyOf(solved)).antenna()).length() > CARRIED_METRES) {
            solved.clear();
        }
        last = Instant.now();
        solved.addLast(position);
        if (solved.size() > MOST) {
            solved.removeFirst();
        }
    }

    /** Empty before it has said so some times, or if it has fallen silent. */
    synchronized Optional<SkyMean> mean() {
        return solved.size() < FEWEST || Duration.between(last, Instant.now())
                .compareTo(FRESH) > 0 ? Optional.empty() : Optional.of(SkyMean.of(List.copyOf(solved)));
    }
}
