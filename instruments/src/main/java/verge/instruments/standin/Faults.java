package verge.instruments.standin;

import java.util.concurrent.atomic.AtomicBoolean;

/** What has been arranged to go wrong with the instrument's link. */
final class Faults {
    private final AtomicBoolean cutNextAnswer = new AtomicBoolean();

    /** The next measurement's answer breaks off in the middle of the line, and the link with it. */
    void cutNextAnswer() {
        cutNextAnswer.set(true);
    }

    boolean takeCut() {
        return cutNextAnswer.getAndSet(false);
    }
}
