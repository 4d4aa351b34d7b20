package verge.app.drawing;

import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.core.drawing.DesignChosen;

/** The design that the work goes by, in journals and in the book. */
@Component
final class DesignKind extends EntryKind<DesignChosen> {
    DesignKind() {
        super(DesignChosen.class, "design-chosen", 1, "design");
    }

    @Override
    public String text(DesignChosen says, InBook in) {
        return "by the design " + says.fileName();
    }
    @Override
    public Stream<Value<DesignChosen>> values(DesignChosen says, InBook in) {
        return Stream.empty();
    }

    @Override
    public String saidAnew() {
        return "prepare";
    }
}
