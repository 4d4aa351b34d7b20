package verge.app.fit;

import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.app.system.SystemWires;
import verge.core.fit.MarksFitted;

/** How fits are written. */
final class FitWires {
    private static final Wire<MarksFitted.How> HOW = Wire.oneOf(
            new Wire.Kind<>("pairs", MarksFitted.How.ByPairs.class, Wire.object(o -> {
                var settings = o.field("settings", SystemWires.FIT_SETTINGS, MarksFitted.How.ByPairs::settings);
                return row -> new MarksFitted.How.ByPairs(row.get(settings));
            })),
            new Wire.Kind<>("affine", MarksFitted.How.Affinely.class, Wire.object(o -> {
                var settings = o.field("settings", SystemWires.FIT_SETTINGS, MarksFitted.How.Affinely::settings);
                return row -> new MarksFitted.How.Affinely(row.get(settings));
            })),
            new Wire.Kind<>("space", MarksFitted.How.InSpace.class, Wire.object(o -> {
                var settings = o.field("settings", SystemWires.FIT_SETTINGS, MarksFitted.How.InSpace::settings);
                return row -> new MarksFitted.How.InSpace(row.get(settings));
            })),
            new Wire.Kind<>("values", MarksFitted.How.ByValues.class, Wire.object(o -> {
                var similarity = o.field("similarity", SystemWires.SIMILARITY, MarksFitted.How.ByValues::similarity);
                var rise = o.field("rise", Wire.NUMBER, MarksFitted.How.ByValues::rise);
                return row -> new MarksFitted.How.ByValues(row.get(similarity), row.get(rise));
            })));
    private static final Wire<MarksFitted.Computed> COMPUTED = Wire.object(o -> {
        var name = o.field("name", Wire.TEXT, MarksFitted.Computed::name);
        var position = o.field("position", Wires.POSITION, MarksFitted.Computed::position);
        var point = o.field("point", Wires.SEEN.maybe(), MarksFitted.Computed::point);
        return row -> new MarksFitted.Computed(row.get(name), row.get(position), row.get(point));
    });
    private static final Wire<MarksFitted.Paired> PAIRED = Wire.object(o -> {
        var mark = o.field("mark", Wire.COUNT, MarksFitted.Paired::mark);
        var found = o.field("found", Wires.SEEN, MarksFitted.Paired::found);
        var inPlan = o.field("inPlan", Wire.FLAG, MarksFitted.Paired::inPlan);
        var inHeight = o.field("inHeight", Wire.FLAG, MarksFitted.Paired::inHeight);
        return row -> new MarksFitted.Paired(row.get(mark), row.get(found), row.get(inPlan), row.get(inHeight));
    });
    private static final Wire<MarksFitted.Kept> KEPT = Wire.object(o -> {
        var mark = o.field("mark", Wire.COUNT, MarksFitted.Kept::mark);
        var name = o.field("name", Wires.NAME, MarksFitted.Kept::name);
        var code = o.field("code", Wires.CODE, MarksFitted.Kept::code);
        return row -> new MarksFitted.Kept(row.get(mark), row.get(name), row.get(code));
    });
    static final Wire<MarksFitted> FITTED = Wire.object(o -> {
        var source = o.field("source", Wire.TEXT, MarksFitted::source);
        var marks = o.field("marks", COMPUTED.list(), MarksFitted::marks);
        var pairs = o.field("pairs", PAIRED.list(), MarksFitted::pairs);
        var how = o.field("how", HOW, MarksFitted::how);
        var kept = o.field("kept", KEPT.list(), MarksFitted::kept);
        return row -> new MarksFitted(row.get(source), row.get(marks), row.get(pairs), row.get(how), row.get(kept));
    });

    private FitWires() {
    }
}
