package verge.app.job;

import java.util.regex.Pattern;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** A job's name: it becomes part of file names, so no path characters, no control characters, and no dot in front. */
record JobName(String text) {
    static final int LONGEST = 80;
    private static final Pattern FIT = Pattern.compile("[\\p{L}\\p{N}][^\\p{Cntrl}/\\\\:*?\"<>|]{0,79}");

    JobName {
        if (!FIT.matcher(text).matches() || text.endsWith(".")) {
            String shown = text.length() > 40 ? text.substring(0, 40) + "…" : text;
            throw new SurveyException(Problem.JOB_NAME_UNFIT, shown, LONGEST);
        }
    }

    static JobName parse(String typed) {
        return new JobName(typed.strip());
    }
}
