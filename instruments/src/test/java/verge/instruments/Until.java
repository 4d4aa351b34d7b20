package verge.instruments;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.function.BooleanSupplier;

/** Waits for a state. The look that sees it decides: at the next it may be gone again. */
public final class Until {
    private static final int MOST_LOOKS = 3_000;
    private static final long MILLIS_BETWEEN_LOOKS = 20;

    private Until() {
    }

    public static void until(BooleanSupplier reached) throws InterruptedException {
        boolean seen = reached.getAsBoolean();
        for (int look = 1; look < MOST_LOOKS && !seen; look++) {
            Thread.sleep(MILLIS_BETWEEN_LOOKS);
            seen = reached.getAsBoolean();
        }
        assertThat(seen).isTrue();
    }
}
