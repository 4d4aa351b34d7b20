package verge.app.system;

import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.core.geodesy.Lift;
import verge.core.geodesy.Similarity;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.DatumShift;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.transformation.FitSettings;
import verge.core.geodesy.transformation.Mark;
import verge.core.geodesy.transformation.Pair;

/** Coordinate systems as they are written in journals, and localisations as they are handed on. */
public final class SystemWires {
    public static final Wire<Similarity> SIMILARITY = Wire.object(o -> {
        var from = o.field("from", Wires.PLAN, Similarity::from);
        var to = o.field("to", Wires.PLAN, Similarity::to);
        var rotation = o.field("rotation", Wires.ANGLE, Similarity::rotation);
        var scale = o.field("scale", Wire.NUMBER, Similarity::scale);
        var mirrored = o.field("mirrored", Wire.FLAG, Similarity::mirrored);
        return row -> new Similarity(row.get(from), row.get(to), row.get(rotation), row.get(scale), row.get(mirrored));
    });
    public static final Wire<FitSettings> FIT_SETTINGS = Wire.object(o -> {
        var scale = o.field("scale", Wire.NUMBER.list(), (FitSettings s) -> s.scale().stream().boxed().toList());
        var held = o.field("held", Wire.COUNT.list(), s -> s.held().stream().boxed().toList());
        var heights = o.field("heights", Wire.choice(FitSettings.Heights.class), FitSettings::heights);
        var mirrored = o.field("mirrored", Wire.FLAG, FitSettings::mirrored);
        var sigma = o.field("sigma", Wire.NUMBER, FitSettings::sigma);
        var sigmaHeight = o.field("sigmaHeight", Wire.NUMBER, FitSettings::sigmaHeight);
        return row -> new FitSettings(row.get(scale).stream().mapToDouble(s -> s).findFirst(),
                row.get(held).stream().mapToInt(h -> h).findFirst(), row.get(heights), row.get(mirrored), row.get(sigma),
                row.get(sigmaHeight));
    });
    private static final Wire<DatumShift> SHIFT = Wire.object(o -> {
        var rotation = o.field("rotation", Wire.choice(DatumShift.Rotation.class), DatumShift::rotation);
        var tx = o.field("tx", Wire.NUMBER, DatumShift::tx);
        var ty = o.field("ty", Wire.NUMBER, DatumShift::ty);
        var tz = o.field("tz", Wire.NUMBER, DatumShift::tz);
        var rx = o.field("rx", Wire.NUMBER, DatumShift::rx);
        var ry = o.field("ry", Wire.NUMBER, DatumShift::ry);
        var rz = o.field("rz", Wire.NUMBER, DatumShift::rz);
        var ppm = o.field("ppm", Wire.NUMBER, DatumShift::ppm);
        var accuracy = o.field("accuracyMetres", Wire.NUMBER, DatumShift::accuracyMetres);
        return row -> new DatumShift(row.get(rotation), row.get(tx), row.get(ty), row.get(tz), row.get(rx), row.get(ry), row.get(rz),
                row.get(ppm), row.get(accuracy));
    });
    private static final Wire<CoordinateSystem.Projected> PROJECTED = Wire.object(o -> {
        var name = o.field("name", Wire.TEXT, CoordinateSystem.Projected::name);
        var code = o.field("code", Wire.TEXT, CoordinateSystem.Projected::code);
        var wkt = o.field("wkt", Wire.TEXT, CoordinateSystem.Projected::wkt);
        var shift = o.field("toWgs84", SHIFT.maybe(), CoordinateSystem.Projected::toWgs84);
        return row -> new CoordinateSystem.Projected(row.get(name), row.get(code), row.get(wkt), row.get(shift));
    });
    private static final Wire<CoordinateSystem.LatLonOnly> LAT_LON_ONLY = Wire.object(o -> {
        var name = o.field("name", Wire.TEXT, CoordinateSystem.LatLonOnly::name);
        var code = o.field("code", Wire.TEXT, CoordinateSystem.LatLonOnly::code);
        return row -> new CoordinateSystem.LatLonOnly(row.get(name), row.get(code));
    });
    public static final Wire<CoordinateSystem.Flat> FLAT = Wire.object(o -> {
        var scale = o.field("gridPerGround", Wire.NUMBER, CoordinateSystem.Flat::gridPerGround);
        return row -> new CoordinateSystem.Flat(row.get(scale));
    });
    private static final Wire<GeoidChoice.Constant> CONSTANT = Wire.object(o -> {
        var metres = o.field("metres", Wire.NUMBER, GeoidChoice.Constant::metres);
        return row -> new GeoidChoice.Constant(row.get(metres));
    });
    private static final Wire<GeoidChoice.Grid> GRID = Wire.object(o -> {
        var name = o.field("name", Wire.TEXT, GeoidChoice.Grid::name);
        var source = o.field("source", Wire.TEXT, GeoidChoice.Grid::source);
        return row -> new GeoidChoice.Grid(row.get(name), row.get(source));
    });
    public static final Wire<GeoidChoice> GEOID =
            Wire.oneOf(new Wire.Kind<>("none", GeoidChoice.None.class, Wire.object(o -> row -> new GeoidChoice.None())),
            new Wire.Kind<>("constant", GeoidChoice.Constant.class, CONSTANT),
            new Wire.Kind<>("grid", GeoidChoice.Grid.class, GRID));
    private static final Wire<Lift> LIFT = Wire.object(o -> {
        var about = o.field("about", Wires.PLAN, Lift::about);
        var shift = o.field("shift", Wire.NUMBER, Lift::shift);
        var perNorth = o.field("perNorth", Wire.NUMBER, Lift::perNorth);
        var perEast = o.field("perEast", Wire.NUMBER, Lift::perEast);
        return row -> new Lift(row.get(about), row.get(shift), row.get(perNorth), row.get(perEast));
    });
    private static final Wire<Mark> MARK = Wire.object(o -> {
        var name = o.field("name", Wire.TEXT, Mark::name);
        var position = o.field("position", Wires.POSITION, Mark::position);
        return row -> new Mark(row.get(name), row.get(position));
    });
    private static final Wire<Pair> TIE = Wire.object(o -> {
        var computed = o.field("measured", MARK, Pair::computed);
        var found = o.field("control", MARK, Pair::found);
        var inPlan = o.field("inPlan", Wire.FLAG, Pair::inPlan);
        var inHeight = o.field("inHeight", Wire.FLAG, Pair::inHeight);
        return row -> new Pair(row.get(computed), row.get(found), row.get(inPlan), row.get(inHeight));
    });
    public static final Wire<CoordinateSystem.Localised> LOCALISED = Wire.object(o -> {
        var name = o.field("name", Wire.TEXT, CoordinateSystem.Localised::name);
        var base = o.field("base", PROJECTED, CoordinateSystem.Localised::base);
        var move = o.field("move", SIMILARITY, CoordinateSystem.Localised::move);
        var geoid = o.field("geoid", GEOID, CoordinateSystem.Localised::geoid);
        var lift = o.field("lift", LIFT.maybe(), CoordinateSystem.Localised::lift);
        var ties = o.field("ties", TIE.list(), CoordinateSystem.Localised::ties);
        var settings = o.field("settings", FIT_SETTINGS, CoordinateSystem.Localised::settings);
        return row -> new CoordinateSystem.Localised(row.get(name), row.get(base), row.get(move), row.get(geoid), row.get(lift),
                row.get(ties), row.get(settings));
    });
    public static final Wire<CoordinateSystem> SYSTEM =
            Wire.oneOf(new Wire.Kind<>("projected", CoordinateSystem.Projected.class, PROJECTED),
            new Wire.Kind<>("localised", CoordinateSystem.Localised.class, LOCALISED),
            new Wire.Kind<>("lat-lon", CoordinateSystem.LatLonOnly.class, LAT_LON_ONLY),
            new Wire.Kind<>("flat", CoordinateSystem.Flat.class, FLAT),
            new Wire.Kind<>("undecided", CoordinateSystem.Undecided.class, Wire.object(o -> row -> new CoordinateSystem.Undecided())));

    private SystemWires() {
    }
}
