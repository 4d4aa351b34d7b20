package verge.app.pole;

import java.util.Map;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.core.journal.Payload;
import verge.core.pole.TargetChosen;
import verge.core.reading.Target;
import verge.core.units.Figures;

/** The prism on the pole, in journals and in the book. */
@Component
final class PrismKind extends EntryKind<TargetChosen> {
    PrismKind() {
        super(TargetChosen.class, "target", 2, "prism");
    }

    @Override
    public Map<Integer, Class<? extends Earlier>> earlier() {
        return Map.of(1, TargetChosen1.class);
    }

    @Override
    public String text(TargetChosen says, InBook in) {
        return "pole " + in.figures().length(says.target().height()) + ", prism " + (says.prism() + " " + Figures.metric().small(says.target().prismConstant())).strip();
    }

    @Override
    public Stream<Value<TargetChosen>> values(TargetChosen says, InBook in) {
        return Stream.empty();
    }

    @Override
    public String saidAnew() {
        return "measure";
    }

    /** Before prisms had names. */
    record TargetChosen1(Target target) implements Earlier {
        @Override
        public Payload today() {
            return new TargetChosen(target);
        }
    }
}
