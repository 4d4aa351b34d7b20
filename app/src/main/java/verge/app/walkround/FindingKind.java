package verge.app.walkround;

import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.check.FindingWords;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.app.journal.Wire;
import verge.core.check.FindingAccepted;

/** Findings that are to stay as they are, in journals and in the book. */
@Component
final class FindingKind extends EntryKind<FindingAccepted> {
    private static final Wire<FindingAccepted> WIRE = Wire.object(o -> {
        var kind = o.field("kind", Wire.TEXT, FindingAccepted::kind);
        var about = o.field("about", Wire.TEXT, FindingAccepted::about);
        var reason = o.field("reason", Wire.TEXT, FindingAccepted::reason);
        return row -> new FindingAccepted(row.get(kind), row.get(about), row.get(reason));
    });

    private final FindingWords words;

    FindingKind(FindingWords words) {
        super(FindingAccepted.class, "finding-accepted", 1, "walk-round");
        this.words = words;
    }

    @Override
    public Wire<FindingAccepted> wire() {
        return WIRE;
    }

    @Override
    public String text(FindingAccepted says, InBook in) {
        return (words.title(says.kind()) + " " + says.about()).strip() + ", left because: " + says.reason();
    }
    @Override
    public Stream<Value<FindingAccepted>> values(FindingAccepted says, InBook in) {
        return new Values<>(says, in).words("why", "Why it was left", says.reason(),
                (was, why) -> new FindingAccepted(was.kind(), was.about(), why)).all();
    }
}
