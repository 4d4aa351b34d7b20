package verge.app.system;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import verge.app.form.Answers;
import verge.app.words.Words;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.LocalScale;
import verge.core.geodesy.MapProjection;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.DatumShift;
import verge.core.geodesy.system.SystemText;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.AngleText;
import verge.core.units.AngleUnit;
import verge.core.units.Decimals;
import verge.core.units.LatLonStyle;
import verge.core.units.LatLonText;
import verge.core.units.Length;
import verge.core.units.LengthText;
import verge.core.units.LengthUnit;
import verge.core.units.PlanAxes;

/** A position taken through a system that is being chosen, both ways, so that it can be held against a known one before it counts. */
@Component
class TestPosition {
    private static final int DECIMALS = 4;
    private static final int FINE_DEGREES = 9;

    private final SystemAnswers answers;

    TestPosition(SystemAnswers answers) {
        this.answers = answers;
    }

    /**
     * What came out.
     *
     * @param lines what and its figure, in order
     * @param warning why the figures may not be good, or empty
     */
    record Result(List<Line> lines, String warning) {
    }

    record Line(String what, String figure) {
    }

    /** @throws SurveyException in words, for a position or a system that cannot be */
    Result of(Answers a) {
        if (!(answers.read(a) instanceof CoordinateSystem.OnEarth system)) {
            throw new SurveyException(Problem.SYSTEM_NOT_PLANE, a.text("system", "this"));
        }
        MapProjection projection = SystemText.projection(system);
        return a.ticked("testFirst") && a.ticked("testSecond") ? fromGrid(a, projection) : fromLatLon(a, system, projection);
    }

    private static Result fromGrid(Answers a, MapProjection p) {
        LengthUnit unit = a.choice("lengthUnit", LengthUnit.class, LengthUnit.METRE);
        PlanAxes axes = axes(a, p);
        double first = LengthText.parse(a.text("testFirst"), unit).metres();
        double second = LengthText.parse(a.text("testSecond"), unit).metres();
        GridPoint point = new GridPoint(axes.northSign() * (axes.northFirst() ? first : second),
                axes.eastSign() * (axes.northFirst() ? second : first));
        Geographic place = p.geographic(point);
        GridPoint back = p.grid(place);
        LatLonStyle style = a.choice("latLonForm", LatLonStyle.Form.class, LatLonStyle.Form.SEXAGESIMAL) == LatLonStyle.Form.DECIMAL
                ? new LatLonStyle(LatLonStyle.Form.DECIMAL, FINE_DEGREES) : LatLonStyle.sexagesimal();
        return new Result(List.of(new Line("Latitude", style.latitude(place.latitude())),
                new Line("Longitude", style.longitude(place.longitude())),
                scale(p, place), convergence(p, place),
                new Line(Words.of("system.there-and-back"), millimetres(back.distanceMetres(point)))),
                outside(p, place));
    }

    private static Result fromLatLon(Answers a, CoordinateSystem.OnEarth system, MapProjection p) {
        Geographic typed = new Geographic(LatLonText.latitude(a.required("testLatitude", "latitude")),
                LatLonText.longitude(a.required("testLongitude", "longitude")));
        boolean satellite = a.ticked("testSatellite");
        if (satellite && system.toWgs84().isEmpty()) {
            throw new SurveyException(Problem.DATUM_SHIFT_UNKNOWN, system.name());
        }
        Geographic place = satellite ? moved(system.toWgs84().orElseThrow(), typed, p) : typed;
        LengthUnit unit = a.choice("lengthUnit", LengthUnit.class, LengthUnit.METRE);
        PlanAxes axes = axes(a, p);
        GridPoint point = p.grid(place);
        Line north = new Line(axes.northName(), figure(point.northing() * axes.northSign(), unit));
        Line east = new Line(axes.eastName(), figure(point.easting() * axes.eastSign(), unit));
        Geographic back = p.geographic(point);
        Line again = new Line(Words.of("system.there-and-back"), millimetres(p.grid(back).distanceMetres(point)));
        Optional<Line> other = satellite ? system.toWgs84().filter(s -> s.rx() != 0 || s.ry() != 0 || s.rz() != 0)
                .map(s -> new Line(Words.of("system.with-the-other-sense-of"),
                metres(p.grid(moved(s.with(s.rotation().other()), typed, p)).distanceMetres(point))))
                : Optional.empty();
        List<Line> lines = new ArrayList<>(axes.northFirst() ? List.of(north, east) : List.of(east, north));
        lines.addAll(List.of(scale(p, place), convergence(p, place), again));
        other.ifPresent(lines::add);
        return new Result(lines, outside(p, place));
    }

    private static Geographic moved(DatumShift shift, Geographic satellite, MapProjection p) {
        return shift.fromWgs84(new EarthPlace(satellite, new EllipsoidHeight(0)), p.ellipsoid()).position();
    }

    private static PlanAxes axes(Answers a, MapProjection p) {
        return new PlanAxes(a.choice("axisOrder", PlanAxes.Order.class, p.axes().order()), p.axes().southwards(), p.axes().westwards());
    }

    private static Line scale(MapProjection p, Geographic place) {
        return new Line(Words.of("system.point-scale"), p.singleScale(place).map(LocalScale::point).map(k -> Decimals.show(k, 9))
                .orElse(Words.of("system.differs-with-direction")));
    }

    private static Line convergence(MapProjection p, Geographic place) {
        return new Line("Convergence", AngleText.signed(p.scale(place).convergence(), AngleUnit.DEGREES, 1));
    }

    private static String outside(MapProjection p, Geographic place) {
        return p.area().contains(place) ? ""
                : Words.of("system.this-position-lies-outside-the", p.name(), p.area().words().isEmpty() ? "." : ": " + p.area().words());
    }

    private static String figure(double metres, LengthUnit unit) {
        return Decimals.show(new Length(metres).in(unit), DECIMALS) + " " + unit.symbol();
    }

    private static String metres(double metres) {
        return Decimals.show(metres, 2) + " m";
    }

    private static String millimetres(double metres) {
        return Decimals.show(metres * 1000, 3) + " mm";
    }
}
