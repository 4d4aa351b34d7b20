package verge.core.geodesy.system;

import java.util.Optional;
import java.util.regex.Pattern;
import org.apache.sis.measure.Units;
import org.apache.sis.metadata.iso.extent.DefaultGeographicBoundingBox;
import org.apache.sis.referencing.CRS;
import org.apache.sis.referencing.CommonCRS;
import org.opengis.parameter.ParameterNotFoundException;
import org.opengis.parameter.ParameterValueGroup;
import org.opengis.referencing.NoSuchAuthorityCodeException;
import org.opengis.referencing.crs.CoordinateReferenceSystem;
import org.opengis.referencing.crs.ProjectedCRS;
import org.opengis.referencing.operation.CoordinateOperation;
import org.opengis.referencing.operation.SingleOperation;
import org.opengis.util.FactoryException;
import verge.core.geodesy.AreaOfUse;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * Systems of the EPSG dataset by their code, and how satellite positions reach their datum.
 *
 * <p>The first look-up opens the dataset and takes seconds; {@link #warm} does it in advance.
 */
public final class PublishedSystems {
    private static final Pattern CODE = Pattern.compile("EPSG:\\d{4,6}");
    /** Published accuracies end far below this; what is worse is the library's way to say that a grid is missing. */
    private static final double WORST_METRES = 100;
    private static final String UNKNOWN_SHIFT = "Unspecified datum change";

    private PublishedSystems() {
    }

    /** Opens the dataset. */
    public static void warm() {
        find("EPSG:25832");
    }

    /**
     * @param code such as EPSG:25832
     * @throws SurveyException SYSTEM_UNKNOWN if there is none, SYSTEM_METHOD_UNKNOWN if its formulas are not at hand
     */
    public static CoordinateSystem find(String code) {
        if (!CODE.matcher(code).matches()) {
            throw new SurveyException(Problem.SYSTEM_UNKNOWN, code);
        }
        CoordinateReferenceSystem crs;
        try {
            crs = CRS.forCode(code);
        } catch (NoSuchAuthorityCodeException none) {
            throw new SurveyException(Problem.SYSTEM_UNKNOWN, code);
        } catch (FactoryException noMethod) {
            throw new SurveyException(Problem.SYSTEM_METHOD_UNKNOWN, code);
        }
        CoordinateSystem kept = SystemText.of(crs, code);
        if (!(kept instanceof CoordinateSystem.Projected projected)) {
            return kept;
        }
        return new CoordinateSystem.Projected(projected.name(), code, projected.wkt(),
                toWgs84((ProjectedCRS) crs, SystemText.projection(projected).area()));
    }

    /** Parameters to WGS 84 for the system's area; empty if none are published or a grid would be needed. */
    private static Optional<DatumShift> toWgs84(ProjectedCRS system, AreaOfUse area) {
        try {
            CoordinateOperation operation = CRS.findOperation(system.getBaseCRS(), CommonCRS.WGS84.geographic(),
                    new DefaultGeographicBoundingBox(area.west(), area.east(), area.south(), area.north()));
            double accuracy = CRS.getLinearAccuracy(operation);
            if (operation.getName().getCode().contains(UNKNOWN_SHIFT) || accuracy > WORST_METRES) {
                return Optional.empty();
            }
            return shift(operation).map(s -> new DatumShift(s.rotation(), s.tx(), s.ty(), s.tz(), s.rx(), s.ry(), s.rz(), s.ppm(),
                    Double.isNaN(accuracy) ? 0 : accuracy));
        } catch (FactoryException | IllegalArgumentException cannot) {
            return Optional.empty();
        }
    }

    private static Optional<DatumShift> shift(CoordinateOperation operation) {
        if (operation.getMathTransform().isIdentity()) {
            return Optional.of(DatumShift.NONE);
        }
        if (!(operation instanceof SingleOperation single)) {
            return Optional.empty();
        }
        String method = single.getMethod().getName().getCode();
        ParameterValueGroup p = single.getParameterValues();
        if (method.startsWith("Geocentric translations")) {
            return Optional.of(DatumShift.translation(metres(p, "X"), metres(p, "Y"), metres(p, "Z")));
        }
        boolean vector = method.startsWith("Position Vector");
        if (vector || method.startsWith("Coordinate Frame")) {
            return Optional.of(new DatumShift(vector ? DatumShift.Rotation.POSITION_VECTOR : DatumShift.Rotation.COORDINATE_FRAME,
                    metres(p, "X"), metres(p, "Y"), metres(p, "Z"), seconds(p, "X"), seconds(p, "Y"), seconds(p, "Z"),
                    value(p, "Scale difference"), 0));
        }
        return Optional.empty();
    }

    private static double metres(ParameterValueGroup p, String axis) {
        return p.parameter(axis + "-axis translation").doubleValue(Units.METRE);
    }

    private static double seconds(ParameterValueGroup p, String axis) {
        return p.parameter(axis + "-axis rotation").doubleValue(Units.ARC_SECOND);
    }

    private static double value(ParameterValueGroup p, String name) {
        try {
            return p.parameter(name).doubleValue(Units.PPM);
        } catch (ParameterNotFoundException none) {
            return 0;
        }
    }
}
