package verge.formats.reading;

import java.util.Optional;
import verge.core.drawing.Drawing;
import verge.core.problem.SurveyException;

/**
 * A file as it was read: its drawing in its own coordinates, what it says of them, and what was not read.
 *
 * @param refused why it cannot be used although something of it could be read: to be looked at, not to be taken
 */
public record ReadFile(FileKind kind, Drawing drawing, Declared declared, Report report, Optional<SurveyException> refused) {
    public ReadFile(FileKind kind, Drawing drawing, Declared declared, Report report) {
        this(kind, drawing, declared, report, Optional.empty());
    }

    public ReadFile refused(SurveyException why) {
        return new ReadFile(kind, drawing, declared, report, Optional.of(why));
    }
}
