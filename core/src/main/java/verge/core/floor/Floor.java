package verge.core.floor;

import java.util.regex.Pattern;
import verge.core.geodesy.Elevation;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * A floor of a building, or a landing, a deck, a gallery.
 *
 * @param level elevation of its surface, in the job's heights
 */
public record Floor(String name, Elevation level) {
    public static final int LONGEST_NAME = 30;
    private static final Pattern FIT = Pattern.compile("[\\p{L}\\p{N}][\\p{L}\\p{M}\\p{N}.,()'\u2019_/#+ -]{0," + (LONGEST_NAME - 1) + "}");

    /** @throws SurveyException FLOOR_NAME_UNFIT */
    public Floor {
        if (!FIT.matcher(name).matches() || name.endsWith(" ")) {
            throw new SurveyException(Problem.FLOOR_NAME_UNFIT, name, LONGEST_NAME);
        }
    }
}
