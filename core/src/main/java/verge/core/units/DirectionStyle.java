package verge.core.units;

/** How a direction in plan is told. */
public enum DirectionStyle {
    /** Clockwise from grid north, a whole turn. */
    AZIMUTH,
    /** From north or south towards east or west, at most a quarter turn. */
    QUADRANT
}
