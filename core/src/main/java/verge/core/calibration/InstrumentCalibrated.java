package verge.core.calibration;

import java.util.ArrayList;
import java.util.List;
import verge.core.journal.Payload;
import verge.core.units.Angle;

/** Axis errors of an instrument determined from both faces. @param applied whether they are taken off single-face readings from now on */
public record InstrumentCalibrated(String instrument, List<TwoFaceCalibration.Pair> pairs, Angle sigmaAngle, boolean applied)
        implements Payload {
    public InstrumentCalibrated {
        pairs = List.copyOf(pairs);
    }

    /** The same with another pair in the place of one. */
    public InstrumentCalibrated with(int place, TwoFaceCalibration.Pair other) {
        List<TwoFaceCalibration.Pair> all = new ArrayList<>(pairs);
        all.set(place, other);
        return new InstrumentCalibrated(instrument, all, sigmaAngle, applied);
    }

    /** The same determination, taken off or not. */
    public InstrumentCalibrated applied(boolean on) {
        return new InstrumentCalibrated(instrument, pairs, sigmaAngle, on);
    }
}
