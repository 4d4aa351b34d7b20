package verge.app.fit;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.TraceStep;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.app.journal.Wire;
import verge.core.fit.FitEntries.FittedOf;
import verge.core.fit.MarksFitted;
import verge.core.geodesy.transformation.Fitted;
import verge.core.units.Length;

/** Fits in journals and in the book. */
@Component
final class FitKind extends EntryKind<MarksFitted> {
    FitKind() {
        super(MarksFitted.class, "fitted", 1, "fit");
    }

    @Override
    public Wire<MarksFitted> wire() {
        return FitWires.FITTED;
    }

    @Override
    public String text(MarksFitted says, InBook in) {
        String by = says.pairs().isEmpty() ? "moved by values" : "fitted onto " + says.pairs().size() + " found: " + says.pairs().stream()
                .map(p -> says.marks().get(p.mark()).name() + " = " + p.found().name()).collect(Collectors.joining(", "));
        return says.source() + " " + by
                + (says.kept().isEmpty() ? "" : "; " + says.kept().size() + " points, " + says.kept().get(0).name() + " and so on");
    }

    @Override
    public String result(MarksFitted says, InBook in) {
        return in.state().latest(new FittedOf(in.entry().id()))
                .map(c -> FitWords.move(c, in.state().settings()) + "; " + FitWords.heights(c, in.figures()))
                .orElse("it cannot be fitted any more");
    }

    @Override
    public List<TraceStep> steps(MarksFitted says, InBook in) {
        return in.state().latest(new FittedOf(in.entry().id()))
                .map(came -> Stream.concat(Stream.of(new TraceStep("Moved", FitWords.move(came, in.state().settings())),
                new TraceStep("Heights", FitWords.heights(came, in.figures()))),
                IntStream.range(0, came.pairs().size())
                .mapToObj(i -> new TraceStep(came.pairs().get(i).computed().name() + " = " + came.pairs().get(i).found().name(),
                "off by " + in.figures().small(new Length(residual(came, i).plan())))))
                .toList()).orElse(List.of());
    }

    private static Fitted.Residual residual(MarksFitted.Came came, int pair) {
        return came.moved().residuals().get(pair);
    }

    /** What each pair counts for; with other marks it is fitted anew. */
    @Override
    public Stream<Value<MarksFitted>> values(MarksFitted says, InBook in) {
        Values<MarksFitted> values = new Values<>(says, in);
        for (int i = 0; i < says.pairs().size(); i++) {
            int which = i;
            MarksFitted.Paired pair = says.pairs().get(i);
            String group = says.marks().get(pair.mark()).name() + " = " + pair.found().name();
            values.tick("plan" + i, group, "in plan", pair.inPlan(), (was, counts) ->
                    was.with(which, new MarksFitted.Paired(was.pairs().get(which).mark(), was.pairs().get(which).found(), counts,
                    was.pairs().get(which).inHeight())))
                    .tick("height" + i, group, "in height", pair.inHeight(),
                    (was, counts) -> was.with(which,
                    new MarksFitted.Paired(was.pairs().get(which).mark(), was.pairs().get(which).found(), was.pairs().get(which).inPlan(),
                    counts)));
        }
        return values.all();
    }
}
