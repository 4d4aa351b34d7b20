package verge.core.geodesy.system;

import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.geodesy.system.FormulaMethod.Kind;
import verge.core.geodesy.system.FormulaMethod.Parameter;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.PlanAxes;

/**
 * A projection of one's own: method, parameters, ellipsoid and axes.
 *
 * <p>Angles are in degrees, lengths in metres. False coordinates count as the axes do: with westings, a false westing is typed.
 *
 * @param primeMeridian degrees east of Greenwich that the longitudes count from
 * @param metresPerUnit of the system's own axes
 */
public record Formula(String name, FormulaMethod method, Map<Parameter, Double> values, ReferenceEllipsoid ellipsoid, double primeMeridian,
        PlanAxes axes, double metresPerUnit) {
    /** Parallels on opposite sides at one distance make a cylinder, not a cone. */
    private static final double LEAST_CONE_DEGREES = 1e-6;
    private static final double RIGHT_ANGLE_WITHIN_DEGREES = 1e-9;

    /** Ellipsoids offered by name; the figures are those of the EPSG dataset. */
    public static final List<ReferenceEllipsoid> ELLIPSOIDS = List.of(ReferenceEllipsoid.GRS80, ReferenceEllipsoid.WGS84,
            new ReferenceEllipsoid("GRS 1967", 6378160, 298.247167427), new ReferenceEllipsoid("Airy 1830", 6377563.396, 299.3249646),
            new ReferenceEllipsoid("Australian National Spheroid", 6378160, 298.25),
            new ReferenceEllipsoid("Bessel 1841", 6377397.155, 299.1528128),
            new ReferenceEllipsoid("Clarke 1866", 6378206.4, 294.978698213898),
            new ReferenceEllipsoid("Clarke 1880 (IGN)", 6378249.2, 293.466021293627),
            new ReferenceEllipsoid("Clarke 1880 (RGS)", 6378249.145, 293.465),
            new ReferenceEllipsoid("Everest 1830 Modified", 6377304.063, 300.8017),
            new ReferenceEllipsoid("International 1924", 6378388, 297), new ReferenceEllipsoid("Krassowsky 1940", 6378245, 298.3));

    /** @throws SurveyException MISSING or OUT_OF_RANGE for a parameter, PARALLELS_UNFIT for parallels that make no cone */
    public Formula {
        values = Map.copyOf(values);
        for (Parameter p : method.parameters()) {
            requireFit(p, values.get(p));
        }
        if (method == FormulaMethod.LAMBERT_TWO_PARALLELS
                && Math.abs(values.get(Parameter.FIRST_PARALLEL) + values.get(Parameter.SECOND_PARALLEL)) < LEAST_CONE_DEGREES) {
            throw new SurveyException(Problem.PARALLELS_UNFIT);
        }
        if (method == FormulaMethod.STEREOGRAPHIC_POLAR && Math.abs(values.get(Parameter.LATITUDE_OF_ORIGIN)) != 90) {
            throw new SurveyException(Problem.OUT_OF_RANGE, "latitude of natural origin", values.get(Parameter.LATITUDE_OF_ORIGIN),
                    "\u221290", "or exactly 90");
        }
    }

    private static void requireFit(Parameter parameter, Double value) {
        if (value == null) {
            throw new SurveyException(Problem.MISSING, words(parameter));
        }
        if (!(value >= parameter.kind().least() && value <= parameter.kind().most())) {
            throw new SurveyException(Problem.OUT_OF_RANGE, words(parameter), value, parameter.kind().least(), parameter.kind().most());
        }
    }

    private static String words(Parameter parameter) {
        return parameter.epsgName().toLowerCase(Locale.ROOT);
    }

    /**
     * The definition as WKT 2. Hotine's formulas at a right angle are replaced by the Swiss form, which is the same projection without
     * their loss of figures.
     */
    public String wkt() {
        return swissIfSquare().written();
    }

    private Formula swissIfSquare() {
        boolean square = method == FormulaMethod.OBLIQUE_MERCATOR_AZIMUTH
                && Math.abs(values.get(Parameter.AZIMUTH_AT_CENTRE) - 90) < RIGHT_ANGLE_WITHIN_DEGREES
                && Math.abs(values.get(Parameter.RECTIFIED_TO_SKEW) - 90) < RIGHT_ANGLE_WITHIN_DEGREES;
        if (!square) {
            return this;
        }
        Map<Parameter, Double> kept = new EnumMap<>(values);
        kept.keySet().retainAll(FormulaMethod.OBLIQUE_MERCATOR_SWISS.parameters());
        return new Formula(name, FormulaMethod.OBLIQUE_MERCATOR_SWISS, kept, ellipsoid, primeMeridian, axes, metresPerUnit);
    }

    private String written() {
        String degree = "ANGLEUNIT[\"degree\",0.017453292519943295]";
        String length = metresPerUnit == 1 ? "LENGTHUNIT[\"metre\",1]" : "LENGTHUNIT[\"unit\"," + metresPerUnit + "]";
        String parameters = method.parameters().stream().map(p -> "PARAMETER[\"" + p.epsgName() + "\"," + signed(p) + ","
                + unit(p.kind(), degree) + ",ID[\"EPSG\"," + p.epsgCode() + "]]").collect(Collectors.joining(","));
        String flattening = Double.isInfinite(ellipsoid.inverseFlattening()) ? "0" : Double.toString(ellipsoid.inverseFlattening());
        String north = "AXIS[\"" + axes.northName() + " (" + axes.north() + ")\"," + (axes.southwards() ? "south" : "north") + "]";
        String east = "AXIS[\"" + axes.eastName() + " (" + axes.east() + ")\"," + (axes.westwards() ? "west" : "east") + "]";
        return "PROJCRS[\"" + quoted(name) + "\",BASEGEOGCRS[\"" + quoted(name) + "\",DATUM[\"" + quoted(name) + "\",ELLIPSOID[\""
                + quoted(ellipsoid.name()) + "\"," + ellipsoid.semiMajor() + "," + flattening + ",LENGTHUNIT[\"metre\",1]]],PRIMEM[\""
                + (primeMeridian == 0 ? "Greenwich" : "typed") + "\"," + primeMeridian + "," + degree + "]],CONVERSION[\"" + quoted(name)
                + "\",METHOD[\"" + method.epsgName() + "\",ID[\"EPSG\"," + method.epsgCode() + "]]," + parameters + "],CS[Cartesian,2],"
                + (axes.northFirst() ? north + "," + east : east + "," + north) + "," + length + "]";
    }

    private double signed(Parameter p) {
        double sign = p.kind() == Kind.EAST ? axes.eastSign() : p.kind() == Kind.NORTH ? axes.northSign() : 1;
        return values.get(p) * sign + 0.0;
    }

    private static String unit(Kind kind, String degree) {
        return kind.angular() ? degree : kind == Kind.SCALE ? "SCALEUNIT[\"unity\",1]" : "LENGTHUNIT[\"metre\",1]";
    }

    private static String quoted(String text) {
        return text.replace("\"", "\"\"");
    }
}
