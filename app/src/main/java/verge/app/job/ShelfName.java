package verge.app.job;

import java.util.regex.Pattern;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** A site's or a job's name: it becomes part of file names, so no path characters, no control characters, and no dot in front. */
final class ShelfName {
    private static final int LONGEST = 80;
    private static final int LONGEST_SHOWN = 40;
    private static final Pattern FIT = Pattern.compile("[\\p{L}\\p{N}][^\\p{Cntrl}/\\\\:*?\"<>|]{0,79}");

    private ShelfName() {
    }

    /**
     * The name in what was typed, blanks around it dropped.
     *
     * @param of 'site' or 'job', for the words
     * @throws SurveyException NAME_UNFIT
     */
    static String parse(String typed, String of) {
        String name = typed.strip();
        if (!FIT.matcher(name).matches() || name.endsWith(".")) {
            throw new SurveyException(Problem.NAME_UNFIT, name.length() > LONGEST_SHOWN ? name.substring(0, LONGEST_SHOWN) + "…" : name,
                    LONGEST, of);
        }
        return name;
    }
}
