package verge.core.satellite;

import java.util.Optional;
import verge.core.problem.SurveyException;
import verge.core.units.Length;

/** An antenna over its mark: which, and how its height was measured. */
public record AntennaOverMark(AntennaModel model, AntennaHeight height) {
    /** Its reference point over the mark. @throws verge.core.problem.SurveyException as {@link AntennaHeight#reference} */
    public Length reference() {
        return height.reference(model);
    }

    /** The same where it can be had; empty for a slant to an antenna whose rim nobody knows, or too short for it. */
    public Optional<Length> known() {
        try {
            return Optional.of(reference());
        } catch (SurveyException notKnown) {
            return Optional.empty();
        }
    }

    /** The same with another height. @throws SurveyException as {@link #reference} */
    public AntennaOverMark with(AntennaHeight other) {
        AntennaOverMark made = new AntennaOverMark(model, other);
        made.reference();
        return made;
    }
}
