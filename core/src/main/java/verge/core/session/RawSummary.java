package verge.core.session;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import verge.core.satellite.GpsTime;
import verge.core.satellite.ObservationEpoch;
import verge.core.satellite.ObservationEpoch.Observed;
import verge.core.satellite.SatelliteId;

/**
 * What a file of raw observations comes to.
 *
 * @param first @param last epoch
 * @param fewest satellites of an epoch @param most likewise
 * @param slips how often a satellite's carrier was lost that had been held, but for the gaps
 * @param gaps times without an epoch, longer than from one to the next
 * @param receiver @param antenna as the file itself names them; empty if it does not
 */
public record RawSummary(Instant first, Instant last, long epochs, int fewest, int most, long slips, List<Gap> gaps, String receiver,
        String antenna) {
    public RawSummary {
        gaps = List.copyOf(gaps);
    }

    /** A time without observations. */
    public record Gap(Instant from, Instant to) {
        Duration length() {
            return Duration.between(from, to);
        }
    }

    /** How long was observed: from the first to the last epoch, but for the gaps. */
    public Duration observed() {
        return gaps.stream().map(Gap::length).reduce(Duration.between(first, last), Duration::minus);
    }

    /** Counts epoch by epoch, as they lie in the file. */
    public static final class Counter {
        private static final double GAP_STEPS = 1.5;
        private final double seconds;
        private final List<Gap> gaps = new ArrayList<>();
        private GpsTime first;
        private GpsTime last;
        private long epochs;
        private int fewest = Integer.MAX_VALUE;
        private int most;
        private long slips;

        /** @param seconds from one epoch to the next */
        public Counter(int seconds) {
            this.seconds = seconds;
        }

        public void take(ObservationEpoch epoch) {
            boolean gap = last != null && epoch.time().secondsSince(last) > GAP_STEPS * seconds;
            if (gap) {
                gaps.add(new Gap(last.utc(), epoch.time().utc()));
            }
            Set<SatelliteId> seen = new HashSet<>();
            Set<SatelliteId> slipped = new HashSet<>();
            for (Observed o : epoch.observed()) {
                seen.add(o.satellite());
                if (o.slipped() && !gap) {
                    slipped.add(o.satellite());
                }
            }
            first = first == null ? epoch.time() : first;
            last = epoch.time();
            epochs++;
            fewest = Math.min(fewest, seen.size());
            most = Math.max(most, seen.size());
            slips += slipped.size();
        }

        /** @return empty without a single epoch */
        public Optional<RawSummary> summary(String receiver, String antenna) {
            return first == null ? Optional.empty()
                    : Optional.of(new RawSummary(first.utc(), last.utc(), epochs, fewest, most, slips, gaps, receiver, antenna));
        }
    }
}
