package verge.app.sets;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
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
