package verge.app.strings;

import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.core.strings.Bend;
import verge.core.strings.CurveKind;
import verge.core.strings.Edit;
import verge.core.strings.End;
import verge.core.strings.Joining;
import verge.core.strings.VertexId;

/** What journals hold of strings. */
public final class StringWires {
    private static final Wire<End> END = Wire.choice(End.class);
    private static final Wire<Bend> BEND = Wire.choice(Bend.class);
    private static final Wire<VertexId> VERTEX = Wire.object(o -> {
        var by = o.field("by", Wire.ID, VertexId::by);
        var string = o.field("string", Wire.ID, VertexId::string);
        return row -> new VertexId(row.get(by), row.get(string));
    });
    public static final Wire<Joining> JOINING = Wire.object(o -> {
        var string = o.field("string", Wire.ID, Joining::string);
        var name = o.field("name", Wires.STRING_NAME, Joining::name);
        var end = o.field("end", END, Joining::end);
        var bend = o.field("bend", BEND, Joining::bend);
        var gap = o.field("gap", Wire.FLAG, Joining::gap);
        return row -> new Joining(row.get(string), row.get(name), row.get(end), row.get(bend), row.get(gap));
    });
    static final Wire<Edit> EDIT = Wire.oneOf(
            new Wire.Kind<>("named", Edit.Named.class, Wire.object(o -> {
                var name = o.field("name", Wires.STRING_NAME, Edit.Named::name);
                return row -> new Edit.Named(row.get(name));
            })),
            new Wire.Kind<>("ring", Edit.Ring.class, Wire.object(o -> {
                var closed = o.field("closed", Wire.FLAG, Edit.Ring::closed);
                return row -> new Edit.Ring(row.get(closed));
            })),
            new Wire.Kind<>("ended", Edit.Ended.class, Wire.object(o -> row -> new Edit.Ended())),
            new Wire.Kind<>("reversed", Edit.Reversed.class, Wire.object(o -> row -> new Edit.Reversed())),
            new Wire.Kind<>("bent", Edit.Bent.class, Wire.object(o -> {
                var vertex = o.field("vertex", VERTEX, Edit.Bent::vertex);
                var bend = o.field("bend", BEND, Edit.Bent::bend);
                return row -> new Edit.Bent(row.get(vertex), row.get(bend));
            })),
            new Wire.Kind<>("curved", Edit.Curved.class, Wire.object(o -> {
                var vertex = o.field("vertex", VERTEX, Edit.Curved::vertex);
                var curve = o.field("curve", Wire.choice(CurveKind.class).maybe(), Edit.Curved::curve);
                return row -> new Edit.Curved(row.get(vertex), row.get(curve));
            })),
            new Wire.Kind<>("inserted", Edit.PointInserted.class, Wire.object(o -> {
                var point = o.field("point", Wires.SEEN, Edit.PointInserted::point);
                var after = o.field("after", VERTEX.maybe(), Edit.PointInserted::after);
                var bend = o.field("bend", BEND, Edit.PointInserted::bend);
                return row -> new Edit.PointInserted(row.get(point), row.get(after), row.get(bend));
            })),
            new Wire.Kind<>("dropped", Edit.Dropped.class, Wire.object(o -> {
                var vertex = o.field("vertex", VERTEX, Edit.Dropped::vertex);
                return row -> new Edit.Dropped(row.get(vertex));
            })),
            new Wire.Kind<>("ordered", Edit.Ordered.class, Wire.object(o -> {
                var vertices = o.field("vertices", VERTEX.list(), Edit.Ordered::vertices);
                return row -> new Edit.Ordered(row.get(vertices));
            })),
            new Wire.Kind<>("split", Edit.Split.class, Wire.object(o -> {
                var vertex = o.field("vertex", VERTEX, Edit.Split::vertex);
                var rest = o.field("rest", Wire.ID, Edit.Split::rest);
                var name = o.field("name", Wires.STRING_NAME, Edit.Split::name);
                return row -> new Edit.Split(row.get(vertex), row.get(rest), row.get(name));
            })),
            new Wire.Kind<>("joined", Edit.Joined.class, Wire.object(o -> {
                var other = o.field("other", Wire.ID, Edit.Joined::other);
                var end = o.field("end", END, Edit.Joined::end);
                var otherEnd = o.field("otherEnd", END, Edit.Joined::otherEnd);
                return row -> new Edit.Joined(row.get(other), row.get(end), row.get(otherEnd));
            })),
            new Wire.Kind<>("beside", Edit.Beside.class, Wire.object(o -> {
                var partner = o.field("partner", Wire.ID, Edit.Beside::partner);
                var name = o.field("name", Wires.STRING_NAME, Edit.Beside::name);
                var left = o.field("left", Wire.NUMBER, Edit.Beside::left);
                var up = o.field("up", Wire.NUMBER, Edit.Beside::up);
                return row -> new Edit.Beside(row.get(partner), row.get(name), row.get(left), row.get(up));
            })),
            new Wire.Kind<>("squared", Edit.Squared.class, Wire.object(o -> row -> new Edit.Squared())));

    private StringWires() {
    }
}
