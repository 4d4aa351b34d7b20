package verge.core.gaps;

import java.util.List;
import verge.core.geodesy.GridPoint;
import verge.core.journal.Payload;

/**
 * What is to be measured: from when it is said, instead of what was said before.
 *
 * @param outline of the area of interest; empty for all that lies among the shots
 * @param work the kind of work, as the codebook calls it; empty for none
 */
public record WorkBounded(List<GridPoint> outline, String work) implements Payload {
    private static final double LEAST_SQUARE_METRES = 1;
    public static final WorkBounded OPEN = new WorkBounded(List.of(), "");

    public WorkBounded {
        outline = List.copyOf(outline);
        if (outline.size() == 1 || outline.size() == 2) {
            throw new IllegalArgumentException("an outline of " + outline.size());
        }
    }

    /** Whether there is an outline that goes round nothing to speak of: within it nothing could be missed. */
    public boolean isFlat() {
        return !outline.isEmpty() && Cover.area(outline) < LEAST_SQUARE_METRES;
    }
}
