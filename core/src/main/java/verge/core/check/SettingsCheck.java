package verge.core.check;

import java.util.ArrayList;
import java.util.List;
import verge.core.check.Finding.Kind;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.LocalScale;
import verge.core.geodesy.MapProjection;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.settings.JobGeodesy;
import verge.core.settings.JobSettings.Tool;
import verge.core.settings.JobSettings;
import verge.core.units.Length;
import verge.core.units.LengthUnit;

/** Looks settings over for what does not fit together, before any work is done with them. */
public final class SettingsCheck {
    private static final double STATION_SHOWN = 2350;
    private static final double MILLIMETRES_PER_METRE = 1000;

    private SettingsCheck() {
    }

    public static List<Finding> of(JobGeodesy geodesy) {
        JobSettings s = geodesy.settings();
        List<Finding> found = new ArrayList<>();
        boolean satellites = s.work().tools().contains(Tool.SATELLITES);
        boolean totalStation = s.work().tools().contains(Tool.TOTAL_STATION);
        if (s.system() instanceof CoordinateSystem.LatLonOnly only && totalStation) {
            found.add(Finding.of(Kind.TOTAL_STATION_WITHOUT_PLANE, only.name()));
        }
        if (s.system() instanceof CoordinateSystem.Flat && satellites) {
            found.add(Finding.of(Kind.SATELLITES_ON_FLAT_SITE));
        }
        if (s.system() instanceof CoordinateSystem.Undecided) {
            found.add(Finding.of(Kind.SYSTEM_UNDECIDED));
        }
        if (satellites && totalStation && s.ground().kind() == GroundUse.Kind.GRID && geodesy.projection().isPresent()) {
            found.add(Finding.of(Kind.TOOLS_MIXED_IN_GRID));
        }
        LengthUnit unit = s.figures().lengthUnit();
        if (!s.figures().stationing().fits(unit)) {
            found.add(Finding.of(Kind.STATIONING_UNFIT, s.figures().station(Length.of(STATION_SHOWN, unit)), unit.symbol()));
        }
        geodesy.projection().ifPresent(p -> projected(p, geodesy, found));
        return List.copyOf(found);
    }

    private static void projected(MapProjection projection, JobGeodesy geodesy, List<Finding> found) {
        JobSettings s = geodesy.settings();
        if (!scale(projection).conformal()) {
            found.add(Finding.of(Kind.SCALE_NOT_SINGLE, projection.name()));
        }
        LengthUnit unit = s.figures().lengthUnit();
        boolean otherFoot = unit == LengthUnit.INTERNATIONAL_FOOT && projection.metresPerUnit() == LengthUnit.US_SURVEY_FOOT.metresPerUnit()
                || unit == LengthUnit.US_SURVEY_FOOT && projection.metresPerUnit() == LengthUnit.INTERNATIONAL_FOOT.metresPerUnit();
        if (otherFoot) {
            double far = Math.max(Math.abs(projection.grid(projection.area().centre()).northing()),
                    Math.abs(projection.grid(projection.area().centre()).easting()));
            double apart = far * (LengthUnit.US_SURVEY_FOOT.metresPerUnit() / LengthUnit.INTERNATIONAL_FOOT.metresPerUnit() - 1);
            found.add(Finding.of(Kind.FOOT_KINDS_DIFFER, Math.rint(apart * MILLIMETRES_PER_METRE)));
        }
        if (geodesy.geoid().isEmpty()) {
            found.add(Finding.of(Kind.GEOID_MISSING));
        }
        if (s.referenceHeight().isEmpty()) {
            found.add(Finding.of(Kind.REFERENCE_HEIGHT_MISSING));
        }
    }

    private static LocalScale scale(MapProjection projection) {
        return projection.scale(projection.area().centre());
    }
}
