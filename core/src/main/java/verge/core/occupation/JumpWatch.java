package verge.core.occupation;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.satellite.SolvedPosition;
import verge.core.units.Length;

/**
 * Watches the fixed solutions of one receiver for a jump: a pole that stood still is somewhere else at once, farther than anybody begins to
 * walk and less than it is carried. Whole cycles that were fixed wrongly, or are now, look like this.
 */
public final class JumpWatch {
    private static final Duration STOOD = Duration.ofMillis(800);
    private static final Duration AT_ONCE = Duration.ofMillis(300);
    private static final Duration TOLD = Duration.ofMinutes(2);
    private static final double STILL_METRES = 0.04;
    private static final double LEAST_METRES = 0.08;
    private static final double MOST_METRES = 0.6;

    private final Deque<Fixed> lately = new ArrayDeque<>();
    private Optional<Jump> latest = Optional.empty();

    private record Fixed(Instant at, EarthCentred place) {
    }

    /** @param at when @param by how far */
    public record Jump(Instant at, Length by) {
    }

    /** One more solution. */
    public synchronized void take(SolvedPosition solved) {
        if (solved.kind() != SolvedPosition.Kind.FIXED || solved.place().isEmpty()) {
            return;   // a float between two fixes hides none of their difference
        }
        Fixed next = new Fixed(solved.at(), EarthCentred.of(solved.place().get(), ReferenceEllipsoid.WGS84));
        if (stoodStill(next.at())) {
            double by = next.place().minus(lately.getLast().place()).length();
            if (by > LEAST_METRES && by < MOST_METRES) {
                latest = Optional.of(new Jump(next.at(), new Length(by)));
            }
        }
        lately.addLast(next);
        while (Duration.between(lately.getFirst().at(), next.at()).compareTo(STOOD.plus(AT_ONCE)) > 0) {
            lately.removeFirst();
        }
    }

    /** Just before now, for a while, within the noise. */
    private boolean stoodStill(Instant now) {
        return !lately.isEmpty() && Duration.between(lately.getLast().at(), now).compareTo(AT_ONCE) <= 0
                && Duration.between(lately.getFirst().at(), now).compareTo(STOOD) >= 0
                && lately.stream().allMatch(f -> f.place().minus(lately.getLast().place()).length() < STILL_METRES);
    }

    /** The latest jump, for as long as it has to be told. */
    public synchronized Optional<Jump> jump(Instant now) {
        return latest.filter(j -> Duration.between(j.at(), now).compareTo(TOLD) < 0);
    }
}
