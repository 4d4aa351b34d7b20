package verge.app.gaps;

import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.core.gaps.Gap;
import verge.core.gaps.GapPutAway;
import verge.core.gaps.WorkBounded;

/** What is said of gaps, in journals and in the book. */
final class GapKinds {
    private GapKinds() {
    }

    @Component
    static final class PutAway extends EntryKind<GapPutAway> {
        private static final Wire<Gap> GAP = Wire.object(o -> {
            var kind = o.field("kind", Wire.choice(Gap.Kind.class), Gap::kind);
            var about = o.field("about", Wire.TEXT, Gap::about);
            var other = o.field("other", Wire.TEXT, Gap::other);
            var at = o.field("at", Wires.PLAN.maybe(), Gap::at);
            var metres = o.field("metres", Wire.NUMBER, Gap::metres);
            return row -> new Gap(row.get(kind), row.get(about), row.get(other), row.get(at), row.get(metres));
        });
        private static final Wire<GapPutAway> WIRE = Wire.object(o -> {
            var gap = o.field("gap", GAP, GapPutAway::gap);
            var reason = o.field("reason", Wire.TEXT, GapPutAway::reason);
            return row -> new GapPutAway(row.get(gap), row.get(reason));
        });

        PutAway() {
            super(GapPutAway.class, "gap-put-away", 1, "gap");
        }

        @Override
        public Wire<GapPutAway> wire() {
            return WIRE;
        }

        @Override
        public String text(GapPutAway says, InBook in) {
            return GapWords.of(says.gap(), in.state()) + " Meant so" + (says.reason().isEmpty() ? "." : ": " + says.reason());
        }

        @Override
        public Stream<Value<GapPutAway>> values(GapPutAway says, InBook in) {
            return new Values<>(says, in).words("reason", "Reason", says.reason(), (was, reason) -> new GapPutAway(was.gap(), reason))
                    .all();
        }
    }

    @Component
    static final class Bounded extends EntryKind<WorkBounded> {
        private static final Wire<WorkBounded> WIRE = Wire.object(o -> {
            var outline = o.field("outline", Wires.PLAN.list(), WorkBounded::outline);
            var work = o.field("work", Wire.TEXT, WorkBounded::work);
            return row -> new WorkBounded(row.get(outline), row.get(work));
        });

        Bounded() {
            super(WorkBounded.class, "work-bounded", 1, "area");
        }

        @Override
        public Wire<WorkBounded> wire() {
            return WIRE;
        }

        @Override
        public String text(WorkBounded says, InBook in) {
            return (says.outline().isEmpty() ? "all among the shots is to be measured" : "to be measured within an outline of "
                    + says.outline().size() + " corners") + (says.work().isEmpty() ? "" : ", as a work of the kind " + says.work());
        }

        @Override
        public Stream<Value<WorkBounded>> values(WorkBounded says, InBook in) {
            return Stream.empty();
        }

        @Override
        public String saidAnew() {
            return "gaps";
        }
    }
}
