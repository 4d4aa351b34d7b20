package verge.app.drawing;

import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.app.journal.Wire;
import verge.core.drawing.DesignChosen;

/** The design that the work goes by, in journals and in the book. */
@Component
final class DesignKind extends EntryKind<DesignChosen> {
    private static final Wire<DesignChosen> WIRE = Wire.object(o -> {
        var file = o.field("file", Wire.ID, DesignChosen::file);
        var name = o.field("fileName", Wire.TEXT, DesignChosen::fileName);
        return row -> new DesignChosen(row.get(file), row.get(name));
    });

    DesignKind() {
        super(DesignChosen.class, "design-chosen", 1, "design");
    }

    @Override
    public Wire<DesignChosen> wire() {
        return WIRE;
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
