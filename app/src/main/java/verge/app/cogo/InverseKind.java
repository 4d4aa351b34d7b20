package verge.app.cogo;

import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.core.cogo.EndsOf;
import verge.core.cogo.InverseNoted;
import verge.core.cogo.SiteInverse;
import verge.core.geodesy.Position;
import verge.core.points.PointSeen;
import verge.core.problem.SurveyException;

/** Inverses noted, in journals and in the book. */
@Component
final class InverseKind extends EntryKind<InverseNoted> {
    private static final Wire<InverseNoted> WIRE = Wire.object(o -> {
        var from = o.field("from", Wires.SEEN, InverseNoted::from);
        var to = o.field("to", Wires.SEEN, InverseNoted::to);
        return row -> new InverseNoted(row.get(from), row.get(to));
    });
    private static final Wire<InverseNoted> BY_NAMES = Wire.object(o -> {
        var from = o.field("from", Wires.NAME);
        var to = o.field("to", Wires.NAME);
        return row -> new InverseNoted(PointSeen.named(row.get(from)), PointSeen.named(row.get(to)));
    });

    InverseKind() {
        super(InverseNoted.class, "inverse", 2, "inverse");
    }

    @Override
    public Wire<InverseNoted> wire() {
        return WIRE;
    }

    @Override
    public Map<Integer, Wire<InverseNoted>> earlier() {
        return Map.of(1, BY_NAMES);
    }

    @Override
    public String text(InverseNoted says, InBook in) {
        return says.from().name() + " to " + says.to().name();
    }

    /** As it is now, and as it was when it was noted if that has changed since. */
    @Override
    public String result(InverseNoted says, InBook in) {
        Optional<String> then = says.from().position().flatMap(from -> says.to().position().map(to -> figures(from, to, in)));
        Optional<String> now = in.state().latest(new EndsOf(in.entry().id())).map(ends -> figures(ends.from(), ends.to(), in));
        return now.map(n -> n + then.filter(t -> !t.equals(n)).map(t -> "; when it was noted " + t).orElse(""))
                .or(() -> then.map(t -> t + "; its points are there no more")).orElse("");
    }

    private static String figures(Position from, Position to, InBook in) {
        try {
            SiteInverse.Result r = in.state().inverse(from, to);
            return in.figures().direction(r.azimuth()) + "  " + in.figures().length(r.ground()) + " ground";
        } catch (SurveyException coincident) {
            return "";
        }
    }

    @Override
    public Stream<Value<InverseNoted>> values(InverseNoted says, InBook in) {
        return new Values<>(says, in).name("from", "", "From", says.from().name(),
                (was, from) -> new InverseNoted(PointSeen.named(from), was.to()))
                .name("to", "", "To", says.to().name(), (was, to) -> new InverseNoted(was.from(), PointSeen.named(to))).all();
    }
}
