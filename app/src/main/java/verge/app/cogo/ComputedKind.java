package verge.app.cogo;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.TraceStep;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.app.journal.Wire;
import verge.core.cogo.Computed;
import verge.core.cogo.Given;
import verge.core.cogo.Slot;
import verge.core.cogo.Worked;
import verge.core.cogo.WorkedOf;
import verge.core.plan.Path;
import verge.core.units.Length;

/** Computations noted, in journals and in the book. */
@Component
final class ComputedKind extends EntryKind<Computed> {
    private static final int MOST_FIGURES = 6;
    private final ComputeWords words;

    ComputedKind(ComputeWords words) {
        super(Computed.class, "computed", 2, "computed");
        this.words = words;
    }

    @Override
    public Wire<Computed> wire() {
        return GivenWires.COMPUTED;
    }

    @Override
    public Map<Integer, Wire<Computed>> earlier() {
        return Map.of(1, GivenWires.COMPUTED_BEFORE_LINES_WERE_KEPT);
    }

    @Override
    public String text(Computed says, InBook in) {
        return words.tool(says.tool()) + ": " + says.tool().slots().stream().filter(s -> says.given().containsKey(s.id()))
                .map(s -> words.slot(s) + " " + words.given(s, says.given().get(s.id()), in.state().settings()))
                .collect(Collectors.joining(", "))
                + (says.tool().takesLengths() ? says.onGround() ? "; on the ground" : "; in the grid" : "")
                + (says.pinned() ? "; shown in the sketch" : "");
    }

    /** The points that were kept, else the first figures. */
    @Override
    public String result(Computed says, InBook in) {
        List<String> points = says.kept().stream()
                .flatMap(k -> in.state().points().of(in.entry().id()).stream().filter(p -> p.name().equals(k.name()))
                .map(p -> k.name() + "  " + in.state().settings().place(p.position()))).toList();
        List<String> lines = says.strings().flatMap(id -> in.state().strings().find(id).stream())
                .map(s -> s.name() + "  " + in.figures()
                .length(new Length(in.state().strings().shape(s).paths().stream().mapToDouble(Path::length).sum())) + " in the grid")
                .toList();
        return points.isEmpty() && lines.isEmpty() ? in.state().latest(new WorkedOf(in.entry().id()))
                .map(w -> figures(w, in).limit(MOST_FIGURES).collect(Collectors.joining("  ")))
                .orElse("it cannot be computed any more") : Stream.concat(points.stream(), lines.stream())
                .collect(Collectors.joining("\n"));
    }

    private Stream<String> figures(Worked worked, InBook in) {
        return worked.figures().stream()
                .map(f -> (f.of().isEmpty() ? "" : words.of(f) + " ") + words.figure(f) + " "
                + words.quantity(f.quantity(), in.state().settings()));
    }

    @Override
    public List<TraceStep> steps(Computed says, InBook in) {
        return in.state().latest(new WorkedOf(in.entry().id()))
                .map(w -> w.figures().stream().map(f ->
                new TraceStep((f.of().isEmpty() ? "" : words.of(f) + ": ") + words.figure(f),
                words.quantity(f.quantity(), in.state().settings()))).toList()).orElse(List.of());
    }

    /** Points are given otherwise by their names, figures by what is typed; a list of points or a deed is computed anew instead. */
    @Override
    public Stream<Value<Computed>> values(Computed says, InBook in) {
        Values<Computed> values = new Values<>(says, in);
        for (Slot slot : says.tool().slots()) {
            Given given = says.given().get(slot.id());
            if (given instanceof Given.Point || given instanceof Given.Amount || given instanceof Given.Between) {
                String now = words.given(slot, given, in.state().settings());
                values.words(slot.id(), words.slot(slot), now, (was, typed) -> typed.equals(now) ? was
                        : was.with(slot.id(), new TypedGivens(in.state(), none -> Optional.empty()).given(slot, typed)));
            }
        }
        values.tick("pinned", "", PinnedDimensions.WORDS, says.pinned(), Computed::pinned);
        for (int i = 0; i < says.kept().size(); i++) {
            int which = i;
            Computed.Kept kept = says.kept().get(i);
            values.name("name" + i, "", "Name", kept.name(), (was, name) ->
                    was.with(which, new Computed.Kept(kept.index(), name, was.kept().get(which).code())))
                    .code("code" + i, "", kept.code(),
                    (was, code) -> was.with(which, new Computed.Kept(kept.index(), was.kept().get(which).name(), code)));
        }
        return values.all();
    }
}
