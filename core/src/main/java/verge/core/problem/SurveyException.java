package verge.core.problem;

import java.util.List;

/** Something the person can put right: a {@link Problem} and the particulars that its wording names. */
public final class SurveyException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final Problem problem;
    private final transient List<Object> arguments;

    public SurveyException(Problem problem, Object... arguments) {
        super(problem + " " + List.of(arguments));
        this.problem = problem;
        this.arguments = List.of(arguments);
    }

    public Problem problem() {
        return problem;
    }

    /** The particulars, in the order the problem's documentation gives. */
    public List<Object> arguments() {
        return arguments;
    }
}
