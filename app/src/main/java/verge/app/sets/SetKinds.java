package verge.app.sets;

import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.app.journal.Wire;
import verge.app.journal.Wires;
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
        return plan.sets() + (plan.sets() == 1 ? " set on " : " sets on ") + plan.marks().stream().map(m -> m.name().text())
                .collect(Collectors.joining(", "));
    }

    @Component
    static final class Planned extends EntryKind<SetsPlanned> {
        private static final Wire<SetLimits> LIMITS = Wire.object(o -> {
            var direction = o.field("direction", Wires.ANGLE, SetLimits::direction);
            var zenith = o.field("zenith", Wires.ANGLE, SetLimits::zenith);
            var distance = o.field("distance", Wires.LENGTH, SetLimits::distance);
            return row -> new SetLimits(row.get(direction), row.get(zenith), row.get(distance));
        });
        private static final Wire<SetsPlanned> WIRE = Wire.object(o -> {
            Wire<SetMark> mark = Wire.object(m -> {
                var name = m.field("name", Wires.NAME, SetMark::name);
                var target = m.field("target", Wires.TARGET, SetMark::target);
                var filed = m.field("filedAs", Wires.NAME.maybe(), SetMark::filedAs);
                return row -> new SetMark(row.get(name), row.get(target), row.get(filed));
            });
            var setup = o.field("setup", Wire.ID, SetsPlanned::setup);
            var marks = o.field("marks", mark.list(), SetsPlanned::marks);
            var sets = o.field("sets", Wire.COUNT, SetsPlanned::sets);
            var limits = o.field("limits", LIMITS, SetsPlanned::limits);
            return row -> new SetsPlanned(row.get(setup), row.get(marks), row.get(sets), row.get(limits));
        });
        private static final Wire<SetsPlanned> BEFORE_OTHER_NAMES = Wire.object(o -> {
            Wire<SetMark> mark = Wire.object(m -> {
                var name = m.field("name", Wires.NAME, SetMark::name);
                var target = m.field("target", Wires.TARGET, SetMark::target);
                return row -> new SetMark(row.get(name), row.get(target));
            });
            var setup = o.field("setup", Wire.ID, SetsPlanned::setup);
            var marks = o.field("marks", mark.list(), SetsPlanned::marks);
            var sets = o.field("sets", Wire.COUNT, SetsPlanned::sets);
            var limits = o.field("limits", LIMITS, SetsPlanned::limits);
            return row -> new SetsPlanned(row.get(setup), row.get(marks), row.get(sets), row.get(limits));
        });

        Planned() {
            super(SetsPlanned.class, "sets", 2, MARGIN);
        }

        @Override
        public Wire<SetsPlanned> wire() {
            return WIRE;
        }

        @Override
        public Map<Integer, Wire<SetsPlanned>> earlier() {
            return Map.of(1, BEFORE_OTHER_NAMES);
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
                values.name("mark-" + i, group, "Mark", says.marks().get(i).name(),
                        (was, name) -> was.with(place, was.marks().get(place).with(name)))
                        .target("height-" + i, "prism-" + i, group, p -> p.marks().get(place).target(),
                        (was, target) -> was.with(place, was.marks().get(place).with(target)));
            }
            return values.all();
        }
    }

    @Component
    static final class Pointed extends EntryKind<SetPointing> {
        private static final Wire<SetPointing> WIRE = Wire.object(o -> {
            var plan = o.field("plan", Wire.ID, SetPointing::plan);
            var set = o.field("set", Wire.COUNT, SetPointing::set);
            var mark = o.field("mark", Wires.NAME, SetPointing::mark);
            var pointing = o.field("pointing", Wires.POINTING, SetPointing::pointing);
            return row -> new SetPointing(row.get(plan), row.get(set), row.get(mark), row.get(pointing));
        });

        Pointed() {
            super(SetPointing.class, "set-pointing", 1, MARGIN);
        }

        @Override
        public Wire<SetPointing> wire() {
            return WIRE;
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
            return new Values<>(says, in).pointing("", "", SetPointing::pointing,
                    (was, pointing) -> new SetPointing(was.plan(), was.set(), was.mark(), pointing)).all();
        }
    }

    @Component
    static final class TakenOut extends EntryKind<SetTakenOut> {
        private static final Wire<SetTakenOut> WIRE = Wire.object(o -> {
            var plan = o.field("plan", Wire.ID, SetTakenOut::plan);
            var set = o.field("set", Wire.COUNT, SetTakenOut::set);
            var mark = o.field("mark", Wires.NAME.maybe(), SetTakenOut::mark);
            var reason = o.field("reason", Wire.TEXT, SetTakenOut::reason);
            return row -> new SetTakenOut(row.get(plan), row.get(set), row.get(mark), row.get(reason));
        });

        TakenOut() {
            super(SetTakenOut.class, "set-out", 1, MARGIN);
        }

        @Override
        public Wire<SetTakenOut> wire() {
            return WIRE;
        }

        @Override
        public String text(SetTakenOut says, InBook in) {
            return "set " + says.set() + says.mark().map(m -> ", " + m).orElse("") + " taken out: " + says.reason();
        }
        @Override
        public Stream<Value<SetTakenOut>> values(SetTakenOut says, InBook in) {
            return new Values<>(says, in).words("why", "Why it was taken out", says.reason(),
                    (was, why) -> new SetTakenOut(was.plan(), was.set(), was.mark(), why)).all();
        }
    }

    @Component
    static final class Carried extends EntryKind<MarkCarried> {
        private static final Wire<MarkCarried> WIRE = Wire.object(o -> {
            var plan = o.field("plan", Wire.ID, MarkCarried::plan);
            var mark = o.field("mark", Wires.NAME, MarkCarried::mark);
            return row -> new MarkCarried(row.get(plan), row.get(mark));
        });

        Carried() {
            super(MarkCarried.class, "mark-carried", 1, "new mark");
        }

        @Override
        public Wire<MarkCarried> wire() {
            return WIRE;
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
}
