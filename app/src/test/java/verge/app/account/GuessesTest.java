package verge.app.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.junit.jupiter.api.Test;

/** Guessing is slowed where it comes from; the owner, from where he signs in, is not. */
class GuessesTest {
    private Instant now = Instant.parse("2026-06-01T10:00:00Z");
    private final Guesses guesses = new Guesses(new Clock() {
        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }

        @Override
        public Instant instant() {
            return now;
        }
    });

    /** Tries as fast as it may for a while. @return how many */
    private int triesWithin(Duration time, String account, String address) {
        Instant end = now.plus(time);
        int tries = 0;
        while (now.isBefore(end)) {
            Duration wait = guesses.wait(account, address);
            if (wait.isZero()) {
                guesses.failed(account, address);
                tries++;
                now = now.plusMillis(50);
            } else {
                now = now.plus(wait);
            }
        }
        return tries;
    }

    @Test
    void fromOneAddressADayHasFewGuesses() {
        assertThat(triesWithin(Duration.ofDays(1), "surveyor", "10.0.0.9")).isLessThan(1_500);
    }

    /** A thousand addresses, a name each: the account is slowed as a whole, but not for the address that it was signed in from. */
    @Test
    void theOwnerIsNotLockedOut() {
        guesses.succeeded("surveyor", "10.0.0.1");
        int heard = 0;
        for (int i = 0; i < 2_000; i++) {
            String address = "10.1." + i / 250 + "." + i % 250;
            if (guesses.wait("surveyor", address).isZero()) {
                guesses.failed("surveyor", address);
                heard++;
            }
            now = now.plusMillis(100);
        }
        assertThat(heard).isLessThan(40);
        assertThat(guesses.wait("surveyor", "10.0.0.1")).isZero();
        assertThat(guesses.succeeded("surveyor", "10.0.0.1").orElseThrow().count()).isEqualTo(heard);
        assertThat(guesses.succeeded("surveyor", "10.0.0.1")).isEmpty();
    }

    @Test
    void aSlipIsNeitherSlowedNorTold() {
        guesses.failed("surveyor", "10.0.0.1");
        guesses.failed("surveyor", "10.0.0.1");
        assertThat(guesses.wait("surveyor", "10.0.0.1")).isZero();
        assertThat(guesses.succeeded("surveyor", "10.0.0.1")).isEmpty();
    }

    @Test
    void namesByTheMillionFillNothing() {
        for (int i = 0; i < 50_000; i++) {
            guesses.failed("name" + i, "10.0." + i % 250 + ".7");
        }
        assertThat(guesses.wait("name3", "10.0.3.7")).isPositive();
    }
}
