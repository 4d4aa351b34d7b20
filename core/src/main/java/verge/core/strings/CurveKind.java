package verge.core.strings;

/**
 * What the flowing vertices between two corners make: an arc through three of them, the best arc between the corners, a smooth curve
 * through all, or straight pieces.
 */
public enum CurveKind { ARC, BEST_ARC, SMOOTH, STRAIGHT }
