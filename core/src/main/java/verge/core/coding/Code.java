package verge.core.coding;

import java.util.regex.Pattern;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** The code of a point: what it is in the field. Up to 16 letters, figures and {@code . - _}; empty for a point without one. */
public record Code(String text) {
    private static final Pattern FIT = Pattern.compile("([\\p{L}\\p{N}][\\p{L}\\p{N}._-]{0,15})?");
    /** No code; stands after the pattern that its making needs. */
    public static final Code NONE = new Code("");

    public Code {
        if (!FIT.matcher(text).matches()) {
            throw new SurveyException(Problem.CODE_UNFIT, text);
        }
    }

    public static Code parse(String typed) {
        return new Code(typed.strip());
    }

    @Override
    public String toString() {
        return text;
    }
}
