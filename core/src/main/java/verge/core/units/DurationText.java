package verge.core.units;

import java.time.Duration;

/** How long something lasts, as a person says it. */
public final class DurationText {
    private static final int MINUTES_AN_HOUR = 60;

    private DurationText() {
    }

    public static String of(Duration time) {
        if (time.toMinutes() == 0) {
            return time.toSeconds() + " s";
        }
        return time.toMinutes() < MINUTES_AN_HOUR ? with(time.toMinutes(), "min", time.toSecondsPart(), "s")
                : with(time.toHours(), "h", time.toMinutesPart(), "min");
    }

    private static String with(long count, String unit, int more, String smaller) {
        return count + " " + unit + (more == 0 ? "" : " " + more + " " + smaller);
    }
}
