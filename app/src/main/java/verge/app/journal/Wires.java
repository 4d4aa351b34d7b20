package verge.app.journal;

import java.util.stream.IntStream;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.enclosure.Original;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.plan.Path;
import verge.core.plan.Vertices;
import verge.core.points.PointSeen;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.strings.StringName;
import verge.core.units.Angle;
import verge.core.units.Length;

/** Values that many kinds of entry hold, as they are written in journals. */
public final class Wires {
    public static final Wire<Length> LENGTH = Wire.object(o -> {
        var metres = o.field("metres", Wire.NUMBER, Length::metres);
        return row -> new Length(row.get(metres));
    });
    public static final Wire<Angle> ANGLE = Wire.object(o -> {
        var radians = o.field("radians", Wire.NUMBER, Angle::radians);
        return row -> new Angle(row.get(radians));
    });
    public static final Wire<Elevation> ELEVATION = Wire.object(o -> {
        var metres = o.field("metres", Wire.NUMBER, Elevation::metres);
        return row -> new Elevation(row.get(metres));
    });
    public static final Wire<PointName> NAME = Wire.object(o -> {
        var text = o.field("text", Wire.TEXT, PointName::text);
        return row -> new PointName(row.get(text));
    });
    public static final Wire<Code> CODE = Wire.object(o -> {
        var text = o.field("text", Wire.TEXT, Code::text);
        return row -> new Code(row.get(text));
    });
    public static final Wire<GridPoint> PLAN = Wire.object(o -> {
        var northing = o.field("northing", Wire.NUMBER, GridPoint::northing);
        var easting = o.field("easting", Wire.NUMBER, GridPoint::easting);
        return row -> new GridPoint(row.get(northing), row.get(easting));
    });
    public static final Wire<Position> POSITION = Wire.object(o -> {
        var plan = o.field("plan", PLAN, Position::plan);
        var elevation = o.field("elevation", ELEVATION.maybe(), Position::elevation);
        return row -> new Position(row.get(plan), row.get(elevation));
    });
    /** With its arcs by their bulges. */
    public static final Wire<Path> PATH = Wire.object(o -> {
        var places = o.field("places", POSITION.list(), (Path p) -> IntStream.range(0, p.vertices().size()).mapToObj(p.vertices()::position)
                .toList());
        var bulges = o.field("bulges", Wire.NUMBER.list(), p -> IntStream.range(0, p.vertices().size()).mapToObj(p::bulge).toList());
        var closed = o.field("closed", Wire.FLAG, Path::closed);
        return row -> Path.of(Vertices.of(row.get(places).toArray(Position[]::new)), row.get(bulges).stream().mapToDouble(b -> b).toArray(),
                row.get(closed));
    });
    public static final Wire<StringName> STRING_NAME = Wire.object(o -> {
        var code = o.field("code", CODE, StringName::code);
        var number = o.field("number", Wire.COUNT, StringName::number);
        return row -> new StringName(row.get(code), row.get(number));
    });
    public static final Wire<Uncertainty> UNCERTAINTY = Wire.object(o -> {
        var north = o.field("north", LENGTH, Uncertainty::north);
        var east = o.field("east", LENGTH, Uncertainty::east);
        var up = o.field("up", LENGTH, Uncertainty::up);
        return row -> new Uncertainty(row.get(north), row.get(east), row.get(up));
    });
    public static final Wire<Target> TARGET = Wire.object(o -> {
        var height = o.field("height", LENGTH, Target::height);
        var prism = o.field("prismConstant", LENGTH, Target::prismConstant);
        return row -> new Target(row.get(height), row.get(prism));
    });
    public static final Wire<TotalStationReading> READING = Wire.object(o -> {
        var direction = o.field("horizontalDirection", ANGLE, TotalStationReading::horizontalDirection);
        var zenith = o.field("zenith", ANGLE, TotalStationReading::zenith);
        var distance = o.field("slopeDistance", LENGTH, TotalStationReading::slopeDistance);
        var raw = o.field("asReceived", Wire.TEXT, TotalStationReading::asReceived);
        return row -> new TotalStationReading(row.get(direction), row.get(zenith), row.get(distance), row.get(raw));
    });
    public static final Wire<Pointing> POINTING = Wire.object(o -> {
        var direction = o.field("horizontalDirection", ANGLE, Pointing::horizontalDirection);
        var zenith = o.field("zenith", ANGLE, Pointing::zenith);
        var distance = o.field("distance", LENGTH.maybe(), Pointing::distance);
        var raw = o.field("asReceived", Wire.TEXT, Pointing::asReceived);
        return row -> new Pointing(row.get(direction), row.get(zenith), row.get(distance), row.get(raw));
    });
    public static final Wire<PointSeen> SEEN = Wire.object(o -> {
        var name = o.field("name", NAME, PointSeen::name);
        var entry = o.field("entry", Wire.ID.maybe(), PointSeen::entry);
        var place = o.field("place", Wire.COUNT, PointSeen::place);
        var position = o.field("position", POSITION.maybe(), PointSeen::position);
        return row -> new PointSeen(row.get(name), row.get(entry), row.get(place), row.get(position));
    });

    public static final Wire<Original> ORIGINAL = Wire.object(o -> {
        var sha256 = o.field("sha256", Wire.TEXT, Original::sha256);
        var name = o.field("name", Wire.TEXT, Original::name);
        var bytes = o.field("bytes", Wire.LONG, Original::bytes);
        return row -> new Original(row.get(sha256), row.get(name), row.get(bytes));
    });

    private Wires() {
    }
}
