package verge.app.strings;

import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.app.journal.Wire;
import verge.core.strings.Edit;
import verge.core.strings.StringEdited;
import verge.core.strings.SurveyString;
import verge.core.strings.VertexId;
import verge.core.units.Length;

/** What is done to strings after their shots, in journals and in the book. */
@Component
final class StringKind extends EntryKind<StringEdited> {
    private static final Wire<StringEdited> WIRE = Wire.object(o -> {
        var string = o.field("string", Wire.ID, StringEdited::string);
        var edit = o.field("edit", StringWires.EDIT, StringEdited::edit);
        return row -> new StringEdited(row.get(string), row.get(edit));
    });

    StringKind() {
        super(StringEdited.class, "string", 1, "string");
    }

    @Override
    public Wire<StringEdited> wire() {
        return WIRE;
    }

    @Override
    public String text(StringEdited says, InBook in) {
        return in.state().strings().find(says.string()).map(s -> s.name().toString()).orElse("a string") + " "
                + words(says, says.edit(), in);
    }

    private static String words(StringEdited says, Edit edit, InBook in) {
        if (edit instanceof Edit.Named named) {
            return "is called " + named.name();
        } else if (edit instanceof Edit.Ring ring) {
            return ring.closed() ? "closed to a ring" : "opened again";
        } else if (edit instanceof Edit.Ended) {
            return "ended";
        } else if (edit instanceof Edit.Reversed) {
            return "turned round";
        } else if (edit instanceof Edit.Bent bent) {
            return StringWords.bend(bent.bend()) + " at " + at(says, bent.vertex(), in);
        } else if (edit instanceof Edit.Curved curved) {
            return curved.curve().map(StringWords::curve).orElse("the curve that fits") + " about " + at(says, curved.vertex(), in);
        } else if (edit instanceof Edit.PointInserted inserted) {
            return "through " + inserted.point().name() + inserted.after().map(v -> " after " + at(says, v, in)).orElse(" first");
        } else if (edit instanceof Edit.Dropped dropped) {
            return "not through " + at(says, dropped.vertex(), in) + " any more";
        } else if (edit instanceof Edit.Split split) {
            return "split at " + at(says, split.vertex(), in) + ", from there on " + split.name();
        } else if (edit instanceof Edit.Joined joined) {
            return "joined with another, which becomes part of it";
        } else if (edit instanceof Edit.Beside beside) {
            return "accompanied by " + beside.name() + ", " + in.figures().length(new Length(Math.abs(beside.left())))
                    + (beside.left() < 0 ? " right of it" : " left of it")
                    + (beside.up() == 0 ? "" : ", " + in.figures().length(new Length(Math.abs(beside.up())))
                    + (beside.up() < 0 ? " lower" : " higher"));
        }
        return edit instanceof Edit.Squared ? "squared to a ring of four" : "put in another order";
    }

    private static String at(StringEdited says, VertexId vertex, InBook in) {
        return in.state().points().of(vertex.by()).stream().findFirst().map(p -> p.name().text())
                .orElseGet(() -> in.state().strings().find(says.string()).flatMap((SurveyString s) -> s.vertex(vertex))
                .flatMap(v -> v.point())
                .map(Object::toString).orElse("a vertex"));
    }

    @Override
    public Stream<Value<StringEdited>> values(StringEdited says, InBook in) {
        return Stream.empty();
    }

    @Override
    public String saidAnew() {
        return "strings";
    }
}
