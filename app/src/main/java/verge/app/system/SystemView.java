package verge.app.system;

import java.util.List;
import java.util.Optional;
import verge.app.words.Words;
import verge.core.geodesy.AreaOfUse;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.LocalScale;
import verge.core.geodesy.MapProjection;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.DatumShift;
import verge.core.units.AngleText;
import verge.core.units.AngleUnit;
import verge.core.units.Decimals;
import verge.core.units.LatLonStyle;
import verge.core.units.LengthUnit;

/**
 * A coordinate system described in words.
 *
 * @param scale point scale at the place, or why there is none; empty like convergence and place if nothing says where the system is meant
 *     for
 * @param place where scale and convergence are told for
 * @param boxes the area of use on a map of the world: x, y, width, height in degrees from its upper left corner
 */
public record SystemView(String code, String name, boolean deprecated, String area, String unit, String ellipsoid, String axes,
        String scale,
        String convergence, String place, String satellites, List<Box> boxes) {
    private static final int SCALE_DECIMALS = 9;

    /** A rectangle on the map, degrees from the upper left corner of the world. */
    public record Box(double x, double y, double width, double height) {
        /** One or two: an area over the date line lies on both edges. */
        static List<Box> of(AreaOfUse area) {
            double y = 90 - area.north();
            double height = Math.max(area.north() - area.south(), 1);
            return area.west() <= area.east() ? List.of(new Box(area.west() + 180, y, Math.max(area.east() - area.west(), 1), height))
                    : List.of(new Box(area.west() + 180, y, 180 - area.west(), height), new Box(0, y, area.east() + 180, height));
        }
    }

    static SystemView of(CoordinateSystem.OnEarth system, MapProjection p, Optional<Geographic> near, boolean deprecated) {
        String code = system instanceof CoordinateSystem.Projected published ? published.code() : "";
        boolean anywhere = p.area().equals(AreaOfUse.WORLD) && near.isEmpty();
        Geographic place = near.filter(p.area()::contains).orElseGet(p.area()::centre);
        if (anywhere) {   // a formula of one's own: nothing says where it is meant for
            return new SystemView(code, system.name(), deprecated, "", unit(p.metresPerUnit()), ellipsoid(p), axes(p), "", "", "",
            satellites(system), List.of());
        }
        LocalScale scale = p.scale(place);
        return new SystemView(code, system.name(), deprecated, p.area().words(), unit(p.metresPerUnit()),
                ellipsoid(p), axes(p),
                scale.conformal() ? Decimals.show(scale.point(), SCALE_DECIMALS) : Words.of("system.differs-with-direction-no-survey"),
                AngleText.signed(scale.convergence(), AngleUnit.DEGREES, 0),
                (near.filter(p.area()::contains).isPresent() ? "there: " : Words.of("system.in-the-middle-of-its")) + words(place),
                satellites(system), Box.of(p.area()));
    }

    private static String ellipsoid(MapProjection p) {
        return p.ellipsoid().name() + ", 1/" + Decimals.show(p.ellipsoid().inverseFlattening(), 6);
    }

    private static String axes(MapProjection p) {
        return p.axes().northFirst() ? p.axes().north() + ", " + p.axes().east() : p.axes().east() + ", " + p.axes().north();
    }

    private static String words(Geographic place) {
        LatLonStyle style = new LatLonStyle(LatLonStyle.Form.DECIMAL, 2);
        return style.latitude(place.latitude()) + ", " + style.longitude(place.longitude());
    }

    private static String satellites(CoordinateSystem.OnEarth system) {
        return system.toWgs84().map(s -> s.equals(DatumShift.NONE) || s.accuracyMetres() == 0
                && s.equals(DatumShift.NONE) ? Words.of("system.as-they-come")
                : Words.of("system.by-published-parameters", s.accuracyMetres() > 0 ? ", to " + Decimals.show(s.accuracyMetres(), 1)
                + " m" : ""))
                .orElse(Words.of("system.not-without-a-grid-or"));
    }

    static String unit(double metresPerUnit) {
        for (LengthUnit unit : LengthUnit.values()) {
            if (Math.abs(unit.metresPerUnit() - metresPerUnit) < 1e-12) {
                return unit == LengthUnit.METRE ? "metre" : unit == LengthUnit.INTERNATIONAL_FOOT ? Words.of("system.international-foot")
                        : Words.of("system.us-survey-foot");
            }
        }
        return Decimals.show(metresPerUnit, 9) + " m";
    }
}
