package verge.core.calibration;

import java.util.List;
import verge.core.journal.Chapter;
import verge.core.journal.Outcome;

/** What determining axis errors comes to. */
public final class CalibrationEntries {
    private CalibrationEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(InstrumentCalibrated.class, (line, looks) ->
                Outcome.of(new AxisErrorsOf(line.says().instrument()), line.says())));
    }
}
