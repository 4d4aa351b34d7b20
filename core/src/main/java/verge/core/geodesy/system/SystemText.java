package verge.core.geodesy.system;

import java.text.ParseException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.measure.MeasurementException;
import org.apache.sis.io.wkt.Convention;
import org.apache.sis.io.wkt.WKTFormat;
import org.apache.sis.measure.Units;
import org.apache.sis.referencing.CRS;
import org.apache.sis.referencing.datum.BursaWolfParameters;
import org.apache.sis.referencing.datum.DatumOrEnsemble;
import org.apache.sis.referencing.datum.DefaultGeodeticDatum;
import org.opengis.metadata.extent.GeographicBoundingBox;
import org.opengis.parameter.ParameterNotFoundException;
import org.opengis.parameter.ParameterValueGroup;
import org.opengis.referencing.crs.CoordinateReferenceSystem;
import org.opengis.referencing.crs.GeographicCRS;
import org.opengis.referencing.crs.ProjectedCRS;
import org.opengis.referencing.datum.Ellipsoid;
import org.opengis.referencing.datum.GeodeticDatum;
import org.opengis.referencing.operation.Conversion;
import verge.core.geodesy.AreaOfUse;
import verge.core.geodesy.MapProjection;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.geodesy.system.FormulaMethod.Parameter;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.PlanAxes;

/** Definitions of coordinate systems in text: WKT 2, WKT 1 and PROJ strings in, WKT 2 kept. */
public final class SystemText {
    private static final int LONGEST = 20_000;
    /** Reading one again costs milliseconds. */
    private static final Map<Object, MapProjection> READ = Recent.map();

    private SystemText() {
    }

    /** The projection that a kept system defines. @throws SurveyException SYSTEM_UNREADABLE */
    public static MapProjection projection(CoordinateSystem.OnEarth system) {
        Object key = system instanceof CoordinateSystem.Projected p ? p.wkt() : system;
        MapProjection known = READ.get(key);
        if (known == null) {
            known = system instanceof CoordinateSystem.Localised l ? projection(l.base())
                    .onSite(l.name(), l.move()) : made((CoordinateSystem.Projected) system);
            READ.put(key, known);
        }
        return known;
    }

    private static MapProjection made(CoordinateSystem.Projected system) {
        CoordinateReferenceSystem crs = parse(system.wkt());
        if (!(crs instanceof ProjectedCRS projected)) {
            throw new SurveyException(Problem.SYSTEM_UNREADABLE, crs.getName().getCode());
        }
        return formula(projected).flatMap(Kernels::of).map(k -> MapProjection.of(projected, area(projected), k))
                .orElseGet(() -> MapProjection.of(projected, area(projected)));
    }

    /**
     * Reads what somebody pasted.
     *
     * @throws SurveyException SYSTEM_UNREADABLE naming what was not understood, or SYSTEM_NOT_PLANE for a system of another kind
     */
    public static CoordinateSystem read(String pasted) {
        String text = pasted.strip();
        if (text.isEmpty() || text.length() > LONGEST) {
            throw new SurveyException(Problem.SYSTEM_UNREADABLE, text.isEmpty() ? "an empty text" : text.substring(0, 40) + "\u2026");
        }
        if (text.startsWith("+") || text.contains("+proj")) {
            return ProjText.read(text);
        }
        try {
            return LocalisedText.is(text) ? LocalisedText.read(text) : of(parse(text), "");
        } catch (MeasurementException strange) {   // a unit that cannot be one of angles or lengths
            throw new SurveyException(Problem.SYSTEM_UNREADABLE, String.valueOf(strange.getMessage()));
        }
    }

    /** The definition for others, as WKT 2, in plan; empty where such a text cannot say it. */
    public static Optional<String> definition(CoordinateSystem.OnEarth system) {
        return system instanceof CoordinateSystem.Localised l ? LocalisedText.write(l)
                : Optional.of(((CoordinateSystem.Projected) system).wkt());
    }

    /** A system of a library, kept whole. @param code as published, or empty */
    static CoordinateSystem of(CoordinateReferenceSystem crs, String code) {
        if (crs instanceof GeographicCRS) {
            return new CoordinateSystem.LatLonOnly(crs.getName().getCode(), code);
        }
        if (!(crs instanceof ProjectedCRS projected)) {
            throw new SurveyException(Problem.SYSTEM_NOT_PLANE, crs.getName().getCode());
        }
        CoordinateSystem.Projected kept = new CoordinateSystem.Projected(projected.getName().getCode(), code, wkt(projected),
                shift(projected));
        projection(kept);
        return kept;
    }

    private static CoordinateReferenceSystem parse(String text) {
        try {
            Object read = new WKTFormat().parseObject(text);
            if (read instanceof CoordinateReferenceSystem crs) {
                return crs;
            }
            throw new SurveyException(Problem.SYSTEM_UNREADABLE, "a text that defines no coordinate system");
        } catch (ParseException cannot) {
            throw new SurveyException(Problem.SYSTEM_UNREADABLE, String.valueOf(cannot.getLocalizedMessage()));
        } catch (IllegalArgumentException | IllegalStateException cannot) {   // the library's own refusals of impossible values
            throw new SurveyException(Problem.SYSTEM_UNREADABLE, String.valueOf(cannot.getMessage()));
        }
    }

    /** WKT 2 on one line; the oblique Mercator at a right angle in the form that keeps its figures. */
    private static String wkt(ProjectedCRS system) {
        Conversion conversion = system.getConversionFromBase();
        String method = conversion.getMethod().getName().getCode();
        if (method.equals(FormulaMethod.OBLIQUE_MERCATOR_AZIMUTH.epsgName())) {
            Optional<Formula> formula = formula(system).filter(f -> f.wkt().contains(FormulaMethod.OBLIQUE_MERCATOR_SWISS.epsgName()));
            if (formula.isPresent()) {
                AreaOfUse area = area(system);
                String usage = area.equals(AreaOfUse.WORLD) ? "" : ",USAGE[SCOPE[\"unknown\"],AREA[\"" + area.words().replace("\"", "\"\"")
                        + "\"],BBOX["
                        + area.south() + "," + area.west() + "," + area.north() + "," + area.east() + "]]";
                String written = formula.get().wkt();
                return written.substring(0, written.length() - 1) + usage + "]";
            }
        }
        WKTFormat format = new WKTFormat();
        format.setConvention(Convention.WKT2_2019);
        format.setIndentation(WKTFormat.SINGLE_LINE);
        return format.format(system);
    }

    private static AreaOfUse area(ProjectedCRS system) {
        GeographicBoundingBox box = CRS.getGeographicBoundingBox(system);
        if (box == null) {
            return AreaOfUse.WORLD;
        }
        String words = Optional.ofNullable(system.getDomainOfValidity()).map(e -> e.getDescription()).map(String::valueOf).orElse("");
        return new AreaOfUse(words, box.getWestBoundLongitude(), box.getSouthBoundLatitude(), box.getEastBoundLongitude(),
                box.getNorthBoundLatitude());
    }

    /** Seven parameters that the text itself names. */
    private static Optional<DatumShift> shift(ProjectedCRS system) {
        GeodeticDatum datum = system.getDatum();
        if (!(datum instanceof DefaultGeodeticDatum known) || known.getBursaWolfParameters().length == 0) {
            return Optional.empty();
        }
        BursaWolfParameters p = known.getBursaWolfParameters()[0];
        return Optional.of(new DatumShift(DatumShift.Rotation.POSITION_VECTOR, p.tX, p.tY, p.tZ, p.rX, p.rY, p.rZ, p.dS, 0));
    }

    /** A system as a formula that can be typed; empty if its method is none of those. */
    public static Optional<Formula> formula(CoordinateSystem.Projected system) {
        return parse(system.wkt()) instanceof ProjectedCRS projected ? formula(projected) : Optional.empty();
    }

    private static Optional<Formula> formula(ProjectedCRS system) {
        String name = system.getConversionFromBase().getMethod().getName().getCode();
        for (FormulaMethod method : FormulaMethod.values()) {
            if (method.epsgName().equals(name)) {
                return Optional.of(formula(system, method));
            }
        }
        return Optional.empty();
    }

    private static Formula formula(ProjectedCRS system, FormulaMethod method) {
        MapProjection projection = MapProjection.of(system, AreaOfUse.WORLD);
        PlanAxes axes = projection.axes();
        ParameterValueGroup group = system.getConversionFromBase().getParameterValues();
        Map<Parameter, Double> values = new EnumMap<>(Parameter.class);
        List<Parameter> missing = new ArrayList<>();
        for (Parameter p : method.parameters()) {
            try {
                var value = group.parameter(p.epsgName());
                double sign = p.kind() == FormulaMethod.Kind.EAST ? axes.eastSign() : p.kind() == FormulaMethod.Kind.NORTH
                        ? axes.northSign() : 1;
                values.put(p, p.kind().angular() ? value.doubleValue(Units.DEGREE)
                        : p.kind() == FormulaMethod.Kind.SCALE ? value.doubleValue() : sign * value.doubleValue(Units.METRE) + 0.0);
            } catch (ParameterNotFoundException absent) {
                missing.add(p);
            }
        }
        if (!missing.isEmpty()) {
            throw new SurveyException(Problem.SYSTEM_UNREADABLE, missing.get(0).epsgName());
        }
        Ellipsoid e = DatumOrEnsemble.getEllipsoid(system).orElseThrow();
        double meridian = DatumOrEnsemble.getPrimeMeridian(system.getBaseCRS())
                .map(m -> m.getAngularUnit().getConverterTo(Units.DEGREE).convert(m.getGreenwichLongitude())).orElse(0.0);
        return new Formula(system.getName().getCode(), method, values,
                new ReferenceEllipsoid(e.getName().getCode(), projection.ellipsoid().semiMajor(),
                projection.ellipsoid().inverseFlattening()), meridian,
                axes, projection.metresPerUnit());
    }
}
