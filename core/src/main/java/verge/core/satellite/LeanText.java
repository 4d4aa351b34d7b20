package verge.core.satellite;

import verge.core.units.Angle;
import verge.core.units.AngleText;
import verge.core.units.AngleUnit;

/** Angles of a leaning pole, which nobody wants in seconds of arc: to a tenth of a degree, or of what a job has instead. */
public final class LeanText {
    private LeanText() {
    }

    public static String of(Angle angle, AngleUnit unit) {
        return AngleText.direction(angle, unit == AngleUnit.DEGREES ? AngleUnit.DECIMAL_DEGREES : unit, 1);
    }
}
