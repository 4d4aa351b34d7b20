package verge.app.cogo;

import java.util.List;
import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.core.cogo.CircularCurve;
import verge.core.cogo.Computed;
import verge.core.cogo.Deed;
import verge.core.cogo.Given;
import verge.core.cogo.Tool;

/** How what a computation was given is written. */
final class GivenWires {
    private static final Wire.Kind<Given.Point> POINT = new Wire.Kind<>("point", Given.Point.class, Wire.object(o -> {
        var point = o.field("point", Wires.SEEN, Given.Point::point);
        return row -> new Given.Point(row.get(point));
    }));
    private static final Wire.Kind<Given.Spot> SPOT = new Wire.Kind<>("spot", Given.Spot.class, Wire.object(o -> {
        var position = o.field("position", Wires.POSITION, Given.Spot::position);
        return row -> new Given.Spot(row.get(position));
    }));
    private static final Wire<Deed.Leg> LEG = Wire.oneOf(
            new Wire.Kind<>("straight", Deed.Straight.class, Wire.object(o -> {
                var azimuth = o.field("azimuth", Wires.ANGLE, Deed.Straight::azimuth);
                var length = o.field("length", Wires.LENGTH, Deed.Straight::length);
                return row -> new Deed.Straight(row.get(azimuth), row.get(length));
            })),
            new Wire.Kind<>("curve", Deed.Curve.class, Wire.object(o -> {
                var left = o.field("left", Wire.FLAG, Deed.Curve::left);
                var radius = o.field("radius", Wires.LENGTH, (Deed.Curve c) -> c.curve().radius());
                var delta = o.field("delta", Wires.ANGLE, (Deed.Curve c) -> c.curve().delta());
                var begins = o.field("begins", Wires.ANGLE.maybe(), Deed.Curve::begins);
                return row -> new Deed.Curve(row.get(left), new CircularCurve(row.get(radius), row.get(delta)), row.get(begins));
            })));
    private static final Wire.Kind<Given.Points> POINTS = new Wire.Kind<>("points", Given.Points.class, Wire.object(o -> {
        var each = o.field("each", Wire.<Given>oneOf(POINT, SPOT).list(), Given.Points::each);
        return row -> new Given.Points(row.get(each));
    }));
    private static final Wire.Kind<Given.Strung> STRUNG = new Wire.Kind<>("string", Given.Strung.class, Wire.object(o -> {
        var string = o.field("string", Wire.ID, Given.Strung::string);
        return row -> new Given.Strung(row.get(string));
    }));
    private static final Wire.Kind<Given.Drawn> DRAWN = new Wire.Kind<>("drawn", Given.Drawn.class, Wire.object(o -> {
        var name = o.field("name", Wire.TEXT, Given.Drawn::name);
        var path = o.field("path", Wires.PATH, Given.Drawn::path);
        var stationing = o.field("stationing", AlignmentWires.STATIONING.maybe(), Given.Drawn::stationing);
        return row -> new Given.Drawn(row.get(name), row.get(path), row.get(stationing));
    }));
    private static final Wire.Kind<Given.Axis> AXIS = new Wire.Kind<>("axis", Given.Axis.class, Wire.object(o -> {
        var name = o.field("name", Wire.TEXT, Given.Axis::name);
        var alignment = o.field("alignment", AlignmentWires.ALIGNMENT, Given.Axis::alignment);
        return row -> new Given.Axis(row.get(name), row.get(alignment));
    }));
    static final Wire<Given> GIVEN = Wire.oneOf(POINT, SPOT, POINTS, STRUNG, DRAWN, AXIS,
            new Wire.Kind<>("lines", Given.Lines.class, Wire.object(o -> {
                var each = o.field("each", Wire.<Given>oneOf(POINTS, STRUNG, DRAWN, AXIS).list(), Given.Lines::each);
                return row -> new Given.Lines(row.get(each));
            })),
            new Wire.Kind<>("amount", Given.Amount.class, Wire.object(o -> {
                var value = o.field("value", Wire.NUMBER, Given.Amount::value);
                return row -> new Given.Amount(row.get(value));
            })),
            new Wire.Kind<>("numbers", Given.Numbers.class, Wire.object(o -> {
                var each = o.field("each", Wire.NUMBER.list(), Given.Numbers::each);
                return row -> new Given.Numbers(row.get(each));
            })),
            new Wire.Kind<>("between", Given.Between.class, Wire.object(o -> {
                var from = o.field("from", Wires.SEEN, Given.Between::from);
                var to = o.field("to", Wires.SEEN, Given.Between::to);
                return row -> new Given.Between(row.get(from), row.get(to));
            })),
            new Wire.Kind<>("word", Given.Word.class, Wire.object(o -> {
                var word = o.field("word", Wire.TEXT, Given.Word::word);
                return row -> new Given.Word(row.get(word));
            })),
            new Wire.Kind<>("legs", Given.Legs.class, Wire.object(o -> {
                var legs = o.field("legs", LEG.list(), (Given.Legs l) -> l.deed().legs());
                return row -> new Given.Legs(new Deed(row.get(legs)));
            })));
    static final Wire<Computed> COMPUTED = Wire.object(o -> {
        var tool = o.field("tool", Wire.choice(Tool.class), Computed::tool);
        var given = o.field("given", GIVEN.byName(), Computed::given);
        var onGround = o.field("onGround", Wire.FLAG, Computed::onGround);
        var kept = o.field("kept", kept().list(), Computed::kept);
        var lines = o.field("lines", lines().list(), Computed::lines);
        var pinned = o.field("pinned", Wire.FLAG, Computed::pinned);
        return row -> new Computed(row.get(tool), row.get(given), row.get(onGround), row.get(kept), row.get(lines), row.get(pinned));
    });
    static final Wire<Computed> COMPUTED_BEFORE_LINES_WERE_KEPT = Wire.object(o -> {
        var tool = o.field("tool", Wire.choice(Tool.class));
        var given = o.field("given", GIVEN.byName());
        var onGround = o.field("onGround", Wire.FLAG);
        var kept = o.field("kept", kept().list());
        return row -> new Computed(row.get(tool), row.get(given), row.get(onGround), row.get(kept), List.of(), false);
    });

    private GivenWires() {
    }

    private static Wire<Computed.KeptLine> lines() {
        return Wire.object(o -> {
            var index = o.field("index", Wire.COUNT, Computed.KeptLine::index);
            var string = o.field("string", Wire.ID, Computed.KeptLine::string);
            var name = o.field("name", Wires.STRING_NAME, Computed.KeptLine::name);
            return row -> new Computed.KeptLine(row.get(index), row.get(string), row.get(name));
        });
    }

    private static Wire<Computed.Kept> kept() {
        return Wire.object(o -> {
            var index = o.field("index", Wire.COUNT, Computed.Kept::index);
            var name = o.field("name", Wires.NAME, Computed.Kept::name);
            var code = o.field("code", Wires.CODE, Computed.Kept::code);
            return row -> new Computed.Kept(row.get(index), row.get(name), row.get(code));
        });
    }
}
