package verge.core.reduction;

import verge.core.units.Length;

/** One correction in a reduction, for the report and the trace. */
public record Step(Kind kind, Length before, Length after) {
    /** What was corrected for. */
    public enum Kind { PRISM_CONSTANT, ATMOSPHERE, HORIZONTAL, GRID_SCALE }
}
