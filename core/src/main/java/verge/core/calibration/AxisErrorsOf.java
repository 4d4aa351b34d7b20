package verge.core.calibration;

import verge.core.journal.Key;

/** The latest determination of an instrument's axis errors. */
public record AxisErrorsOf(String instrument) implements Key<InstrumentCalibrated> {
}
