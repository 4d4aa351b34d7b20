package verge.app.attributes;

import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.app.journal.Wire;
import verge.core.attributes.AttributesWritten;

/** Answers about shots and strings, in journals and in the book. */
@Component
final class AttributeKind extends EntryKind<AttributesWritten> {
    private static final Wire<AttributesWritten> WIRE = Wire.object(o -> {
        var subject = o.field("subject", Wire.ID, AttributesWritten::subject);
        var answers = o.field("answers", Wire.TEXT.byName(), AttributesWritten::answers);
        return row -> new AttributesWritten(row.get(subject), row.get(answers));
    });

    AttributeKind() {
        super(AttributesWritten.class, "attributes", 1, "about");
    }

    @Override
    public Wire<AttributesWritten> wire() {
        return WIRE;
    }

    @Override
    public String text(AttributesWritten says, InBook in) {
        String about = in.about(says.subject());
        return about + says.answers().entrySet().stream().sorted(Map.Entry.comparingByKey())
                .map(a -> "  " + a.getKey() + ": " + a.getValue()).collect(Collectors.joining());
    }

    @Override
    public Stream<Value<AttributesWritten>> values(AttributesWritten says, InBook in) {
        Values<AttributesWritten> values = new Values<>(says, in);
        says.answers().keySet().stream().sorted()
                .forEach(name -> values.words("answer:" + name, name, says.answers().get(name), (was, text) -> was.with(name, text)));
        return values.all();
    }
}
