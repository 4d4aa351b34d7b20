package verge.app.system;

import java.math.BigDecimal;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import verge.app.form.Answers;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.DatumShift;
import verge.core.geodesy.system.Formula;
import verge.core.geodesy.system.FormulaMethod;
import verge.core.geodesy.system.FormulaMethod.Kind;
import verge.core.geodesy.system.FormulaMethod.Parameter;
import verge.core.geodesy.system.SystemText;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.AngleText;
import verge.core.units.AngleUnit;
import verge.core.units.Decimals;
import verge.core.units.LatLonText;
import verge.core.units.LengthText;
import verge.core.units.LengthUnit;
import verge.core.units.PlanAxes;

/** The question 'where': answers into a coordinate system and back. */
@Component
public class SystemAnswers {
    /** The ways to answer. */
    public enum Where { PUBLISHED, FORMULA, PASTED, LOCALISED, FLAT, LATER }

    /** How many parameters the shift to WGS 84 has. */
    public enum Shift { NONE, THREE, SEVEN }

    private static final double LEAST_SEMI_MAJOR = 6_300_000;
    private static final double MOST_SEMI_MAJOR = 6_400_000;
    private static final String OTHER_ELLIPSOID = "other";
    private static final int LONGEST_NAME = 60;
    private static final int SCALE_DECIMALS = 9;

    private final SystemLibrary library;
    private final LocalisedFile localisations;

    SystemAnswers(SystemLibrary library, LocalisedFile localisations) {
        this.library = library;
        this.localisations = localisations;
    }

    /** @throws SurveyException in words, for whatever was left out or cannot be */
    public CoordinateSystem read(Answers a) {
        return switch (a.choice("where", Where.class, Where.FLAT)) {
            case PUBLISHED -> library.find(a.required("system", "coordinate system"));
            case FORMULA -> shifted((CoordinateSystem.Projected) SystemText.read(formula(a).wkt()), a);
            case PASTED -> {
                CoordinateSystem pasted = SystemText.read(a.required("pasted", "definition"));
                if (pasted instanceof CoordinateSystem.Localised unchecked) {
                    throw new SurveyException(Problem.LOCALISATION_UNCHECKED, unchecked.name());
                }
                yield pasted instanceof CoordinateSystem.Projected p && p.toWgs84().isEmpty() ? shifted(p, a) : pasted;
            }
            case LOCALISED -> localisations.read(a.required("localisation", "localisation"));
            case FLAT -> CoordinateSystem.flat(a.has("scale")
                    ? a.number("scale", "scale factor", FlatSite.LOWEST_SCALE, FlatSite.HIGHEST_SCALE) : 1);
            case LATER -> new CoordinateSystem.Undecided();
        };
    }

    private static Formula formula(Answers a) {
        FormulaMethod method = a.choice("method", FormulaMethod.class, FormulaMethod.TRANSVERSE_MERCATOR);
        Map<Parameter, Double> values = new EnumMap<>(Parameter.class);
        for (Parameter p : method.parameters()) {
            String typed = a.text(field(p), p == Parameter.RECTIFIED_TO_SKEW ? a.text(field(Parameter.AZIMUTH_AT_CENTRE)) : p.usual());
            if (!typed.isEmpty()) {
                values.put(p, value(p.kind(), typed));
            }
        }
        String name = a.text("systemName", "Own formula");
        return new Formula(name.substring(0, Math.min(name.length(), LONGEST_NAME)), method, values, ellipsoid(a),
                a.ticked("primeMeridian") ? LatLonText.longitude(a.text("primeMeridian")).degrees() : 0, axes(a), 1);
    }

    /** The field that a parameter is typed into. */
    public static String field(Parameter p) {
        return "parameter." + p.name();
    }

    private static double value(Kind kind, String typed) {
        return switch (kind) {
            case LATITUDE -> LatLonText.latitude(typed).degrees();
            case LONGITUDE -> LatLonText.longitude(typed).degrees();
            case AZIMUTH -> AngleText.parse(typed, AngleUnit.DECIMAL_DEGREES).degrees();
            case SCALE -> Decimals.parse(typed).orElseThrow(() -> new SurveyException(Problem.NOT_A_NUMBER, typed));
            case EAST, NORTH -> LengthText.parse(typed, LengthUnit.METRE).metres();
        };
    }

    private static ReferenceEllipsoid ellipsoid(Answers a) {
        String name = a.text("ellipsoid", ReferenceEllipsoid.GRS80.name());
        if (name.equals(OTHER_ELLIPSOID)) {
            double semiMajor = a.number("semiMajor", "semi-major axis in metres", LEAST_SEMI_MAJOR, MOST_SEMI_MAJOR);
            return new ReferenceEllipsoid("typed", semiMajor, a.number("inverseFlattening", "inverse flattening", 250, 350));
        }
        return Formula.ELLIPSOIDS.stream().filter(e -> e.name().equals(name)).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.CHOICE_UNFIT, "ellipsoid", name, "the list"));
    }

    /** Order and sense as chosen, for systems that have none of their own. */
    public static PlanAxes axes(Answers a) {
        return new PlanAxes(a.choice("axisOrder", PlanAxes.Order.class, PlanAxes.Order.NORTH_EAST), a.ticked("southwards"),
                a.ticked("westwards"));
    }

    private static CoordinateSystem shifted(CoordinateSystem.Projected system, Answers a) {
        return new CoordinateSystem.Projected(system.name(), system.code(), system.wkt(), shift(a));
    }

    /** The shift to WGS 84, if one was typed. @throws SurveyException MISSING, NOT_A_NUMBER or OUT_OF_RANGE */
    public static Optional<DatumShift> shift(Answers a) {
        Shift kind = a.choice("shift", Shift.class, Shift.NONE);
        if (kind == Shift.NONE) {
            return Optional.empty();
        }
        double tx = metres(a, "tx");
        double ty = metres(a, "ty");
        double tz = metres(a, "tz");
        if (kind == Shift.THREE) {
            return Optional.of(DatumShift.translation(tx, ty, tz));
        }
        if (!a.has("rotation")) {
            throw new SurveyException(Problem.MISSING, "meaning of a positive rotation");
        }
        return Optional.of(new DatumShift(a.choice("rotation", DatumShift.Rotation.class, DatumShift.Rotation.POSITION_VECTOR), tx, ty, tz,
                seconds(a, "rx"), seconds(a, "ry"), seconds(a, "rz"),
                a.number("ppm", "scale difference in ppm", -DatumShift.LARGEST_PPM, DatumShift.LARGEST_PPM), 0));
    }

    private static double metres(Answers a, String field) {
        return a.number(field, "shift " + field + " in metres", -DatumShift.FARTHEST_METRES, DatumShift.FARTHEST_METRES);
    }

    private static double seconds(Answers a, String field) {
        return a.number(field, "rotation " + field + " in seconds", -DatumShift.LARGEST_SECONDS, DatumShift.LARGEST_SECONDS);
    }

    /** The answers that give a system. */
    public Map<String, String> write(CoordinateSystem system) {
        Map<String, String> a = new LinkedHashMap<>();
        if (system instanceof CoordinateSystem.Flat flat) {
            a.put("where", Where.FLAT.name());
            a.put("scale", Decimals.print(flat.gridPerGround(), SCALE_DECIMALS));
        } else if (system instanceof CoordinateSystem.Undecided) {
            a.put("where", Where.LATER.name());
        } else if (system instanceof CoordinateSystem.Localised local) {
            a.put("where", Where.LOCALISED.name());
            a.put("localisation", localisations.write(local));
        } else if (system instanceof CoordinateSystem.LatLonOnly only) {
            a.put("where", Where.PUBLISHED.name());
            a.put("system", only.code());
        } else if (system instanceof CoordinateSystem.Projected p && !p.code().isEmpty()) {
            a.put("where", Where.PUBLISHED.name());
            a.put("system", p.code());
        } else if (system instanceof CoordinateSystem.Projected p) {
            a.put("where", Where.PASTED.name());
            a.put("pasted", p.wkt());
            SystemText.formula(p).filter(f -> f.metresPerUnit() == 1).ifPresent(f -> write(f, a));
            p.toWgs84().ifPresent(s -> write(s, a));
        }
        return a;
    }

    private static void write(Formula f, Map<String, String> a) {
        a.put("where", Where.FORMULA.name());
        a.remove("pasted");
        a.put("systemName", f.name());
        a.put("method", f.method().name());
        f.values().forEach((p, value) -> a.put(field(p), figure(value)));
        boolean listed = Formula.ELLIPSOIDS.stream().anyMatch(e -> e.name().equals(f.ellipsoid().name()));
        a.put("ellipsoid", listed ? f.ellipsoid().name() : OTHER_ELLIPSOID);
        a.put("semiMajor", figure(f.ellipsoid().semiMajor()));
        a.put("inverseFlattening", figure(f.ellipsoid().inverseFlattening()));
        a.put("primeMeridian", f.primeMeridian() == 0 ? "" : figure(f.primeMeridian()));
        a.put("southwards", f.axes().southwards() ? "on" : "");
        a.put("westwards", f.axes().westwards() ? "on" : "");
    }

    private static void write(DatumShift s, Map<String, String> a) {
        boolean three = s.rx() == 0 && s.ry() == 0 && s.rz() == 0 && s.ppm() == 0;
        a.put("shift", (three ? Shift.THREE : Shift.SEVEN).name());
        a.put("rotation", s.rotation().name());
        Map.of("tx", s.tx(), "ty", s.ty(), "tz", s.tz(), "rx", s.rx(), "ry", s.ry(), "rz", s.rz(), "ppm", s.ppm())
                .forEach((field, value) -> a.put(field, figure(value)));
    }

    /** All figures of a double, as they would be typed. */
    private static String figure(double value) {
        return new BigDecimal(Double.toString(value)).stripTrailingZeros().toPlainString();
    }
}
