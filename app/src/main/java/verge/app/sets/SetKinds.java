package verge.app.sets;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.core.coding.PointName;
import verge.core.journal.Payload;
import verge.core.reading.Target;
import verge.core.sets.MarkCarried;
import verge.core.sets.SetLimits;
import verge.core.sets.SetMark;
import verge.core.sets.SetPointing;
import verge.core.sets.SetTakenOut;
import verge.core.sets.SetsPlanned;

/** Sets of directions, in journals and in the book. */
public final class SetKinds {
    private static final String MARGIN = "sets";

    private SetKinds() {
    }

    /** Sets and their marks. */
    public static String planned(SetsPlanned plan) {
        return plan.sets() + (plan.sets() == 1 ? " set on " : " sets on ") + plan.marks().stream().map(m -> m.name().text()).collect(Collectors.joining(", "));
    }

    @Component
    static final class Planned extends EntryKind<SetsPlanned> {
        Planned() {
            super(SetsPlanned.class, "sets", 2, MARGIN);
        }

        @Override
        public Map<Integer, Class<? extends Earlier>> earlier() {
            return Map.of(1, SetsPlanned1.class);
        }

        @Override
        public String text(SetsPlanned says, InBook in) {
            return planned(says);
        }
        @Override
        public Stream<Value<SetsPlanned>> values(SetsPlanned says, InBook in) {
            Values<SetsPlanned> values = new Values<>(says, in);
            for (int i = 0; i < says.marks().size(); i++) {
                int place = i;
                String group = says.marks().get(i).name().text();
                values.name("mark-" + i, group, "Mark", says.marks().get(i).name(), (was, name) -> was.with(place, was.marks().get(place).with(name)))
                        .target("height-" + i, "prism-" + i, group, p -> p.marks().get(place).target(), (was, target) -> was.with(place, was.marks().get(place).with(target)));
            }
            return values.all();
        }
    }

    @Component
    static final class Pointed extends EntryKind<SetPointing> {
        Pointed() {
            super(SetPointing.class, "set-pointing", 1, MARGIN);
        }

        @Override
        public String text(SetPointing says, InBook in) {
            return "set " + says.set() + "  " + says.mark() + "  " + in.circle(says.pointing());
        }

        @Override
        public String spoken(SetPointing says, InBook in) {
            return "set " + says.set() + ", " + says.mark() + " read";
        }
        @Override
        public Stream<Value<SetPointing>> values(SetPointing says, InBook in) {
            return new Values<>(says, in).pointing("", "", SetPointing::pointing, (was, pointing) -> new SetPointing(was.plan(), was.set(), was.mark(), pointing)).all();
        }
    }

    @Component
    static final class TakenOut extends EntryKind<SetTakenOut> {
        TakenOut() {
            super(SetTakenOut.class, "set-out", 1, MARGIN);
        }

        @Override
        public String text(SetTakenOut says, InBook in) {
            return "set " + says.set() + says.mark().map(m -> ", " + m).orElse("") + " taken out: " + says.reason();
        }
        @Override
        public Stream<Value<SetTakenOut>> values(SetTakenOut says, InBook in) {
            return new Values<>(says, in).words("why", "Why it was taken out", says.reason(), (was, why) -> new SetTakenOut(was.plan(), was.set(), was.mark(), why)).all();
        }
    }

    @Component
    static final class Carried extends EntryKind<MarkCarried> {
        Carried() {
            super(MarkCarried.class, "mark-carried", 1, "new mark");
        }

        @Override
        public String text(MarkCarried says, InBook in) {
            return says.mark() + " joins the known points, from the sets of line " + in.line(says.plan());
        }
        @Override
        public Stream<Value<MarkCarried>> values(MarkCarried says, InBook in) {
            return new Values<>(says, in).name("mark", "", "Mark", says.mark(), (was, mark) -> new MarkCarried(was.plan(), mark)).all();
        }
    }

    /** Before marks of sets could be given another name later. */
    record SetsPlanned1(UUID setup, List<Mark1> marks, int sets, SetLimits limits) implements EntryKind.Earlier {
        record Mark1(PointName name, Target target) {
        }

        @Override
        public Payload today() {
            return new SetsPlanned(setup, marks.stream().map(m -> new SetMark(m.name(), m.target())).toList(), sets, limits);
        }
    }
}
