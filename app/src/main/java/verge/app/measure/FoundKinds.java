package verge.app.measure;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.TraceStep;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.app.strings.StringWires;
import verge.core.measure.Finding;
import verge.core.measure.Found;
import verge.core.measure.FoundOf;
import verge.core.measure.PointFound;
import verge.core.measure.SightTaken;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Points that no prism stood on, and the sights they were found by, in journals and in the book. */
final class FoundKinds {
    private FoundKinds() {
    }

    /** How a point was found, in words. */
    static String words(Finding finding, Figures f) {
        if (finding instanceof Finding.Beyond beyond) {
            return f.bare(beyond.beyond()) + " beyond two sights" + beyond.between().map(b -> ", prisms " + f.bare(b) + " apart")
                    .orElse("");
        } else if (finding instanceof Finding.Edges) {
            return "the middle between two edges";
        } else if (finding instanceof Finding.Rim) {
            return "the middle by three places of the rim";
        } else if (finding instanceof Finding.Taped taped) {
            return f.bare(taped.from()) + " from " + taped.first().name() + " and " + f.bare(taped.fromOther()) + " from " + taped.other()
                    .name() + (taped.left() ? ", to the left" : ", to the right");
        }
        Finding.Square square = (Finding.Square) finding;
        return f.bare(square.along()) + " along " + square.first().name() + "\u2013" + square.other().name() + " and "
                + f.bare(square.right().abs()) + (square.right().metres() < 0 ? " left" : " right");
    }

    /** Why what was read may give no place. */
    static String why(Finding finding) {
        if (finding instanceof Finding.Beyond) {
            return "both sights are one place, or they are from two stations of which one has no height";
        } else if (finding instanceof Finding.Edges) {
            return "the face was not read between the edges, or not from the same station, or both edges are one";
        } else if (finding instanceof Finding.Rim) {
            return "the three places lie in one line, or two of them are one";
        }
        return finding instanceof Finding.Taped ? "the two distances do not meet on that side: together they are too short, or one too long"
                : "both points lie in one place";
    }

    /** What came out besides the place; empty if nothing did. */
    static String more(Found found, Figures f) {
        return found.radius().map(r -> ", radius " + f.length(r)).orElse("") + found.misfit()
                .map(m -> ", the prisms read " + f.small(m.abs()) + (m.metres() < 0 ? " too near" : " too far") + " to each other")
                .orElse("");
    }

    @Component
    static final class OneSight extends EntryKind<SightTaken> {
        private static final Wire<SightTaken> WIRE = Wire.object(o -> {
            var setup = o.field("setup", Wire.ID, SightTaken::setup);
            var point = o.field("point", Wire.ID, SightTaken::point);
            var reading = o.field("reading", Wires.POINTING, SightTaken::reading);
            var target = o.field("target", Wires.TARGET, SightTaken::target);
            return row -> new SightTaken(row.get(setup), row.get(point), row.get(reading), row.get(target));
        });

        OneSight() {
            super(SightTaken.class, "sight", 1, "sight");
        }

        @Override
        public Wire<SightTaken> wire() {
            return WIRE;
        }

        @Override
        public String text(SightTaken says, InBook in) {
            return "for " + in.state().subject(says.point()).map(s -> s.title()).orElse("a point that is not found yet") + "  "
                    + in.circle(says.reading());
        }

        @Override
        public Stream<Value<SightTaken>> values(SightTaken says, InBook in) {
            return new Values<>(says, in).target("targetHeight", "prismConstant", "", SightTaken::target, SightTaken::with)
                    .pointing("", "", SightTaken::reading, SightTaken::with).all();
        }
    }

    @Component
    static final class Point extends EntryKind<PointFound> {
        private static final Wire<Finding> FINDING = Wire.oneOf(
                new Wire.Kind<>("beyond", Finding.Beyond.class, Wire.object(o -> {
                    var beyond = o.field("beyond", Wires.LENGTH, Finding.Beyond::beyond);
                    var between = o.field("between", Wires.LENGTH.maybe(), Finding.Beyond::between);
                    return row -> new Finding.Beyond(row.get(beyond), row.get(between));
                })),
                new Wire.Kind<>("edges", Finding.Edges.class, Wire.object(o -> row -> new Finding.Edges())),
                new Wire.Kind<>("rim", Finding.Rim.class, Wire.object(o -> row -> new Finding.Rim())),
                new Wire.Kind<>("taped", Finding.Taped.class, Wire.object(o -> {
                    var first = o.field("first", Wires.SEEN, Finding.Taped::first);
                    var other = o.field("other", Wires.SEEN, Finding.Taped::other);
                    var from = o.field("from", Wires.LENGTH, Finding.Taped::from);
                    var fromOther = o.field("fromOther", Wires.LENGTH, Finding.Taped::fromOther);
                    var left = o.field("left", Wire.FLAG, Finding.Taped::left);
                    return row -> new Finding.Taped(row.get(first), row.get(other), row.get(from), row.get(fromOther), row.get(left));
                })),
                new Wire.Kind<>("square", Finding.Square.class, Wire.object(o -> {
                    var first = o.field("first", Wires.SEEN, Finding.Square::first);
                    var other = o.field("other", Wires.SEEN, Finding.Square::other);
                    var along = o.field("along", Wires.LENGTH, Finding.Square::along);
                    var right = o.field("right", Wires.LENGTH, Finding.Square::right);
                    return row -> new Finding.Square(row.get(first), row.get(other), row.get(along), row.get(right));
                })));
        private static final Wire<PointFound> WIRE = Wire.object(o -> {
            var name = o.field("name", Wires.NAME, PointFound::name);
            var code = o.field("code", Wires.CODE, PointFound::code);
            var finding = o.field("finding", FINDING, PointFound::finding);
            var notes = o.field("notes", Wire.TEXT.byName(), PointFound::notes);
            var joins = o.field("joins", StringWires.JOINING.list(), PointFound::joins);
            return row -> new PointFound(row.get(name), row.get(code), row.get(finding), row.get(notes), row.get(joins));
        });

        Point() {
            super(PointFound.class, "point-found", 1, "found");
        }

        @Override
        public Wire<PointFound> wire() {
            return WIRE;
        }

        @Override
        public String text(PointFound says, InBook in) {
            return ShotKinds.named(says) + "  " + words(says.finding(), in.figures()) + in.state().latest(new FoundOf(in.entry().id()))
                    .map(found -> more(found, in.figures())).orElse("") + ShotKinds.joins(says, in) + ShotKinds.notes(says.notes());
        }

        @Override
        public String spoken(PointFound says, InBook in) {
            return ShotKinds.named(says) + " found";
        }

        @Override
        public List<TraceStep> steps(PointFound says, InBook in) {
            return point(in).map(p -> List.of(new TraceStep(words(says.finding(), in.figures()) + in.state()
                    .latest(new FoundOf(in.entry().id())).map(found -> more(found, in.figures())).orElse(""),
                    in.state().settings().place(p.position())))).orElse(List.of());
        }

        @Override
        public Stream<Value<PointFound>> values(PointFound says, InBook in) {
            Values<PointFound> values = new Values<>(says, in).name("name", "", "Name", says.name(), (was, name) -> was.renamed(n -> name))
                    .code("code", "", says.code(), PointFound::with);
            lengths(says.finding()).forEach((field, now) ->
                    values.length(field, LABELS.get(field), now, (was, typed) -> was.with(with(was.finding(), field, typed))));
            return values.all();
        }

        private static final Map<String, String> LABELS = Map.of("beyond", "Beyond the second", "from", "From the first", "fromOther",
                "From the other", "along", "Along the line", "right", "Right of it");

        private static Map<String, Length> lengths(Finding finding) {
            if (finding instanceof Finding.Beyond beyond) {
                return Map.of("beyond", beyond.beyond());
            } else if (finding instanceof Finding.Taped taped) {
                return new TreeMap<>(Map.of("from", taped.from(), "fromOther", taped.fromOther()));
            }
            return finding instanceof Finding.Square square ? new TreeMap<>(Map.of("along", square.along(), "right", square.right()))
                    : Map.of();
        }

        private static Finding with(Finding finding, String field, Length typed) {
            if (finding instanceof Finding.Beyond beyond) {
                return new Finding.Beyond(typed, beyond.between());
            } else if (finding instanceof Finding.Taped t) {
                return field.equals("from") ? new Finding.Taped(t.first(), t.other(), typed, t.fromOther(), t.left())
                        : new Finding.Taped(t.first(), t.other(), t.from(), typed, t.left());
            }
            Finding.Square s = (Finding.Square) finding;
            return field.equals("along") ? new Finding.Square(s.first(), s.other(), typed, s.right())
                    : new Finding.Square(s.first(), s.other(), s.along(), typed);
        }
    }
}
