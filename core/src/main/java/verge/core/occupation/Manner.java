package verge.core.occupation;

/**
 * How a point is made of solutions.
 *
 * @param epochs how many of them make one
 * @param waits whether those whose σ is beyond its limit are waited over, instead of being refused
 */
public record Manner(int epochs, boolean waits, Limits limits) {
    private static final int USUAL_EPOCHS = 5;
    public static final Manner USUAL = new Manner(USUAL_EPOCHS, false, Limits.USUAL);
}
