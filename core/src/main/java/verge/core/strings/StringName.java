package verge.core.strings;

import verge.core.coding.Code;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** How people call a string: by its code and which of the code's strings it is. */
public record StringName(Code code, int number) {
    /** @throws SurveyException STRING_WITHOUT_CODE */
    public StringName {
        if (code.equals(Code.NONE)) {
            throw new SurveyException(Problem.STRING_WITHOUT_CODE);
        }
        if (number < 1) {
            throw new IllegalArgumentException("string number: " + number);
        }
    }

    @Override
    public String toString() {
        return code + " " + number;
    }
}
