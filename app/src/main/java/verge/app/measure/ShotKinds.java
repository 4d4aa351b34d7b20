package verge.app.measure;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.TraceStep;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.app.leaf.ReductionSteps;
import verge.app.strings.StringWires;
import verge.core.measure.Aside;
import verge.core.measure.Measured;
import verge.core.measure.NotesWritten;
import verge.core.measure.ShotTaken;
import verge.core.strings.SurveyString;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Shots, in journals and in the book. */
final class ShotKinds {
    private ShotKinds() {
    }

    static String named(Measured shot) {
        return (shot.name() + " " + shot.code()).strip();
    }

    /** The strings that a point is a vertex of, as they are called now. */
    static String joins(Measured shot, InBook in) {
        return shot.joins().isEmpty() ? "" : "  on " + shot.joins().stream()
                .map(j -> in.state().strings().find(j.string()).map(SurveyString::name).orElse(j.name()).toString())
                .collect(Collectors.joining(" and "));
    }

    static String notes(Map<String, String> notes) {
        return notes.entrySet().stream().sorted(Map.Entry.comparingByKey()).map(n -> "  " + n.getKey() + ": " + n.getValue())
                .collect(Collectors.joining());
    }

    @Component
    static final class Shot extends EntryKind<ShotTaken> {
        private static final Wire<Aside> ASIDE = Wire.object(o -> {
            var right = o.field("right", Wires.LENGTH, Aside::right);
            var farther = o.field("farther", Wires.LENGTH, Aside::farther);
            var up = o.field("up", Wires.LENGTH, Aside::up);
            var line = o.field("line", Wire.ID.maybe(), Aside::line);
            return row -> new Aside(row.get(right), row.get(farther), row.get(up), row.get(line));
        });
        private static final Wire<Aside> FROM_THE_INSTRUMENT = Wire.object(o -> {
            var right = o.field("right", Wires.LENGTH);
            var farther = o.field("farther", Wires.LENGTH);
            var up = o.field("up", Wires.LENGTH);
            return row -> new Aside(row.get(right), row.get(farther), row.get(up));
        });
        private static final Wire<ShotTaken> WIRE = Wire.object(o -> {
            var setup = o.field("setup", Wire.ID, ShotTaken::setup);
            var name = o.field("name", Wires.NAME, ShotTaken::name);
            var code = o.field("code", Wires.CODE, ShotTaken::code);
            var reading = o.field("reading", Wires.READING, ShotTaken::reading);
            var target = o.field("target", Wires.TARGET, ShotTaken::target);
            var notes = o.field("notes", Wire.TEXT.byName(), ShotTaken::notes);
            var aside = o.field("aside", ASIDE, ShotTaken::aside);
            var joins = o.field("joins", StringWires.JOINING.list(), ShotTaken::joins);
            return row -> new ShotTaken(row.get(setup), row.get(name), row.get(code), row.get(reading), row.get(target), row.get(notes),
                    row.get(aside), row.get(joins));
        });
        private static final Wire<ShotTaken> BEFORE_LINES = Wire.object(o -> {
            var setup = o.field("setup", Wire.ID);
            var name = o.field("name", Wires.NAME);
            var code = o.field("code", Wires.CODE);
            var reading = o.field("reading", Wires.READING);
            var target = o.field("target", Wires.TARGET);
            var notes = o.field("notes", Wire.TEXT.byName());
            var aside = o.field("aside", FROM_THE_INSTRUMENT);
            var joins = o.field("joins", StringWires.JOINING.list());
            return row -> new ShotTaken(row.get(setup), row.get(name), row.get(code), row.get(reading), row.get(target), row.get(notes),
                    row.get(aside), row.get(joins));
        });
        private static final Wire<ShotTaken> BEFORE_STRINGS = Wire.object(o -> {
            var setup = o.field("setup", Wire.ID);
            var name = o.field("name", Wires.NAME);
            var code = o.field("code", Wires.CODE);
            var reading = o.field("reading", Wires.READING);
            var target = o.field("target", Wires.TARGET);
            var notes = o.field("notes", Wire.TEXT.byName());
            return row -> new ShotTaken(row.get(setup), row.get(name), row.get(code), row.get(reading), row.get(target), row.get(notes));
        });
        private static final Wire<ShotTaken> BEFORE_NOTES = Wire.object(o -> {
            var setup = o.field("setup", Wire.ID);
            var name = o.field("name", Wires.NAME);
            var code = o.field("code", Wires.CODE);
            var reading = o.field("reading", Wires.READING);
            var target = o.field("target", Wires.TARGET);
            return row -> new ShotTaken(row.get(setup), row.get(name), row.get(code), row.get(reading), row.get(target));
        });

        Shot() {
            super(ShotTaken.class, "shot", 4, "shot");
        }

        @Override
        public Wire<ShotTaken> wire() {
            return WIRE;
        }

        @Override
        public Map<Integer, Wire<ShotTaken>> earlier() {
            return Map.of(1, BEFORE_NOTES, 2, BEFORE_STRINGS, 3, BEFORE_LINES);
        }

        @Override
        public String text(ShotTaken says, InBook in) {
            return named(says) + "  " + in.circle(says.reading()) + aside(says.aside(), in) + joins(says, in) + notes(says.notes());
        }

        @Override
        public String brief(ShotTaken says, InBook in) {
            return named(says) + "  " + in.sight(says.reading()) + aside(says.aside(), in) + joins(says, in);
        }

        @Override
        public String spoken(ShotTaken says, InBook in) {
            return named(says) + " measured";
        }

        @Override
        public List<TraceStep> steps(ShotTaken says, InBook in) {
            List<TraceStep> steps = ReductionSteps.of(in, says.setup(), says.reading(), says.target());
            if (steps.isEmpty() || says.aside().isNone()) {
                return steps;
            }
            TraceStep beside = new TraceStep("The point beside the prism:" + aside(says.aside(), in),
                    point(in).map(p -> in.state().settings().place(p.position())).orElse(""));
            return Stream.concat(steps.stream(), Stream.of(beside)).toList();
        }

        @Override
        public String corrected(ShotTaken was, ShotTaken says, InBook in) {
            return text(says, in) + otherTarget(was.target(), says.target(), in);
        }

        /** Where the point lies beside the prism, in words; nothing for where the prism stood. */
        private static String aside(Aside aside, InBook in) {
            Figures f = in.figures();
            String along = aside.line().map(id -> "  along " + in.about(id)).orElse("");
            return one(aside.right(), "right", "left", f)
                    + (along.isEmpty() ? one(aside.farther(), "farther", "nearer", f) : one(aside.farther(), "on", "back", f))
                    + one(aside.up(), "up", "down", f) + (aside.isNone() ? "" : along);
        }

        private static String one(Length off, String ahead, String back, Figures f) {
            return off.equals(Length.ZERO) ? "" : "  " + f.bare(off.abs()) + " " + (off.metres() < 0 ? back : ahead);
        }

        @Override
        public Stream<Value<ShotTaken>> values(ShotTaken says, InBook in) {
            return new Values<>(says, in).name("name", "", "Name", says.name(), (was, name) -> was.renamed(n -> name))
                    .code("code", "", says.code(), ShotTaken::with)
                    .target("targetHeight", "prismConstant", "", ShotTaken::target, (was, target) -> was.withTargets(t -> target))
                    .reading(ShotTaken::reading, ShotTaken::with)
                    .length("right", "Right of the prism", says.aside().right(),
                    (was, right) -> was.with(new Aside(right, was.aside().farther(), was.aside().up(), was.aside().line())))
                    .length("farther", "Farther than the prism", says.aside().farther(),
                    (was, farther) -> was.with(new Aside(was.aside().right(), farther, was.aside().up(), was.aside().line())))
                    .length("up", "Above the pole's foot", says.aside().up(),
                    (was, up) -> was.with(new Aside(was.aside().right(), was.aside().farther(), up, was.aside().line()))).all();
        }
    }

    @Component
    static final class Notes extends EntryKind<NotesWritten> {
        private static final Wire<NotesWritten> WIRE = Wire.object(o -> {
            var shot = o.field("shot", Wire.ID, NotesWritten::shot);
            var notes = o.field("notes", Wire.TEXT.byName(), NotesWritten::notes);
            return row -> new NotesWritten(row.get(shot), row.get(notes));
        });

        Notes() {
            super(NotesWritten.class, "notes", 1, "note");
        }

        @Override
        public Wire<NotesWritten> wire() {
            return WIRE;
        }

        @Override
        public String text(NotesWritten says, InBook in) {
            return "beside line " + in.line(says.shot()) + notes(says.notes());
        }
        @Override
        public Stream<Value<NotesWritten>> values(NotesWritten says, InBook in) {
            Values<NotesWritten> values = new Values<>(says, in);
            says.notes().keySet().stream().sorted()
                    .forEach(field -> values.words("note:" + field, field, says.notes().get(field), (was, text) -> was.with(field, text)));
            return values.all();
        }
    }
}
