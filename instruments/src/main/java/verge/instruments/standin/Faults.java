package verge.instruments.standin;

import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;

/** What has been arranged to go wrong with the instrument. */
final class Faults {
    private final AtomicBoolean cutNextAnswer = new AtomicBoolean();
    private final AtomicInteger garbage = new AtomicInteger();
    private final AtomicReference<Double> late = new AtomicReference<>(0.0);
    private volatile int battery = -1;

    /** The next measurement's answer breaks off in the middle of the line, and the link with it. */
    void cutNextAnswer() {
        cutNextAnswer.set(true);
    }

    boolean takeCut() {
        return cutNextAnswer.getAndSet(false);
    }

    /** So many answers to measurements come as lines without sense. */
    void garble(int answers) {
        garbage.set(answers);
    }

    boolean takeGarbage() {
        return garbage.getAndUpdate(n -> Math.max(0, n - 1)) > 0;
    }

    /** The next measurement's answer comes so much later. */
    void delay(double seconds) {
        late.set(seconds);
    }

    double takeDelay() {
        return late.getAndSet(0.0);
    }

    /** @param percent as it is from now on; −1 for the clock's own */
    void battery(int percent) {
        battery = percent;
    }

    int battery() {
        return battery;
    }

    boolean empty() {
        return battery == 0;
    }
}
