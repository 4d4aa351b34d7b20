package verge.core.geodesy.system;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.geodesy.system.FormulaMethod.Parameter;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.LatLonText;
import verge.core.units.LengthUnit;
import verge.core.units.PlanAxes;

/**
 * PROJ strings of one projection, such as {@code +proj=tmerc +lat_0=0 +lon_0=9 +k=0.9996 +x_0=500000 +ellps=GRS80 +units=m}. What is not
 * understood is named and refused; nothing is passed over, since a word passed over is a shift of metres.
 */
final class ProjText {
    private static final Set<String> WITHOUT_MEANING_HERE = Set.of("type", "no_defs", "wktext", "title", "no_off");
    private static final Map<String, ReferenceEllipsoid> ELLIPSOIDS = Map.ofEntries(
            named("GRS80", "GRS 1980"), named("WGS84", "WGS 84"), named("GRS67", "GRS 1967"), named("airy", "Airy 1830"),
            named("aust_SA", "Australian National Spheroid"), named("bessel", "Bessel 1841"), named("clrk66", "Clarke 1866"),
            named("clrk80ign", "Clarke 1880 (IGN)"), named("intl", "International 1924"), named("krass", "Krassowsky 1940"),
            named("evrst48", "Everest 1830 Modified"));
    private static final Map<String, String> DATUMS = Map.of("WGS84", "WGS84", "NAD83", "GRS80", "GGRS87", "GRS80", "potsdam", "bessel",
            "hermannskogel", "bessel",
            "ire65", "airy", "OSGB36", "airy");
    private static final int SEVEN = 7;

    private final Map<String, String> words = new LinkedHashMap<>();
    private final Set<String> read = new HashSet<>(WITHOUT_MEANING_HERE);

    private ProjText(String text) {
        Arrays.stream(text.strip().split("\\s+")).map(w -> w.startsWith("+") ? w.substring(1) : w).filter(w -> !w.isEmpty())
                .forEach(word -> {
            String[] pair = word.split("=", 2);
            words.put(pair[0], pair.length == 2 ? pair[1] : "");
        });
    }

    private static Map.Entry<String, ReferenceEllipsoid> named(String proj, String name) {
        return Map.entry(proj, Formula.ELLIPSOIDS.stream().filter(e -> e.name().equals(name)).findFirst().orElseThrow());
    }

    /** @throws SurveyException SYSTEM_UNREADABLE naming the word that is not understood */
    static CoordinateSystem read(String text) {
        return new ProjText(text).system();
    }

    private CoordinateSystem system() {
        String projection = word("proj").orElseThrow(() -> unread("a text without +proj"));
        if (Set.of("longlat", "latlong", "lonlat", "latlon").contains(projection)) {
            return new CoordinateSystem.LatLonOnly("Latitude and longitude", "");
        }
        Map<Parameter, Double> values = new EnumMap<>(Parameter.class);
        FormulaMethod method = method(projection, values);
        PlanAxes axes = axes();
        for (Parameter p : method.parameters()) {
            values.computeIfAbsent(p, q -> value(q, axes));
        }
        Formula formula = new Formula("Pasted " + projection, method, values, ellipsoid(), word("pm").map(this::meridian).orElse(0.0), axes,
                unit());
        Optional<DatumShift> shift = word("towgs84").map(this::shift).or(this::ofDatum);
        words.keySet().stream().filter(w -> !read.contains(w)).findFirst().ifPresent(strange -> {
            throw unread("+" + strange);
        });
        CoordinateSystem.Projected kept = new CoordinateSystem.Projected(formula.name(), "", formula.wkt(), shift);
        SystemText.projection(kept);
        return kept;
    }

    private FormulaMethod method(String projection, Map<Parameter, Double> values) {
        switch (projection) {
            case "utm" -> {
                double zone = number("zone", Double.NaN);
                if (!(zone >= 1 && zone <= 60)) {
                    throw unread("+zone");
                }
                values.put(Parameter.LATITUDE_OF_ORIGIN, 0.0);
                values.put(Parameter.LONGITUDE_OF_ORIGIN, zone * 6 - 183);
                values.put(Parameter.SCALE_AT_ORIGIN, 0.9996);
                values.put(Parameter.FALSE_EASTING, 500_000.0);
                values.put(Parameter.FALSE_NORTHING, word("south").isPresent() ? 10_000_000.0 : 0.0);
                return FormulaMethod.TRANSVERSE_MERCATOR;
            }
            case "tmerc", "etmerc" -> {
                return FormulaMethod.TRANSVERSE_MERCATOR;
            }
            case "lcc" -> {
                boolean one = !words.containsKey("lat_2") || words.get("lat_2").equals(words.get("lat_1"));
                if (one && words.containsKey("lat_0") && !words.get("lat_0").equals(words.getOrDefault("lat_1", words.get("lat_0")))) {
                    throw unread("+lat_1 other than +lat_0 with one parallel");
                }
                if (one) {
                    word("lat_2");
                    double parallel = degrees("lat_1", degrees("lat_0", Double.NaN));
                    values.put(Parameter.LATITUDE_OF_ORIGIN, parallel);
                }
                return one ? FormulaMethod.LAMBERT_ONE_PARALLEL : FormulaMethod.LAMBERT_TWO_PARALLELS;
            }
            case "omerc" -> {
                if (!words.containsKey("gamma")) {
                    values.put(Parameter.RECTIFIED_TO_SKEW, degrees("alpha", Double.NaN));
                }
                return word("no_uoff").isPresent() ? FormulaMethod.OBLIQUE_MERCATOR_NATURAL_ORIGIN : FormulaMethod.OBLIQUE_MERCATOR_AZIMUTH;
            }
            case "somerc" -> {
                return FormulaMethod.OBLIQUE_MERCATOR_SWISS;
            }
            case "sterea" -> {
                return FormulaMethod.STEREOGRAPHIC_OBLIQUE;
            }
            case "stere" -> {
                double pole = degrees("lat_0", Double.NaN);
                if (Math.abs(pole) != 90) {
                    throw unread("+proj=stere away from a pole (use +proj=sterea)");
                }
                if (words.containsKey("lat_ts")) {
                    values.put(Parameter.LATITUDE_OF_PARALLEL, degrees("lat_ts", Double.NaN));
                    return FormulaMethod.STEREOGRAPHIC_POLAR_PARALLEL;
                }
                return FormulaMethod.STEREOGRAPHIC_POLAR;
            }
            case "cass" -> {
                return FormulaMethod.CASSINI;
            }
            case "krovak" -> {
                values.put(Parameter.CONE_AXIS, 30 + 17.0 / 60 + 17.30311 / 3600);
                values.put(Parameter.PSEUDO_PARALLEL, 78.5);
                values.put(Parameter.LATITUDE_OF_CENTRE, degrees("lat_0", 49.5));
                values.put(Parameter.LONGITUDE_DOWN, degrees("lon_0", 24 + 50.0 / 60));
                values.put(Parameter.SCALE_ON_PSEUDO_PARALLEL, number("k", number("k_0", 0.9999)));
                word("alpha");
                return FormulaMethod.KROVAK;
            }
            default -> throw unread("+proj=" + projection);
        }
    }

    /** False coordinates stand in the string as eastings and northings; a formula counts them as its axes do. */
    private double value(Parameter parameter, PlanAxes axes) {
        return switch (parameter) {
            case LATITUDE_OF_ORIGIN, LATITUDE_OF_FALSE_ORIGIN, LATITUDE_OF_CENTRE -> degrees("lat_0", 0);
            case LONGITUDE_OF_CENTRE -> words.containsKey("lonc") ? degrees("lonc", 0) : degrees("lon_0", 0);
            case LONGITUDE_OF_ORIGIN, LONGITUDE_OF_FALSE_ORIGIN, LONGITUDE_DOWN -> degrees("lon_0", 0);
            case SCALE_AT_ORIGIN, SCALE_AT_CENTRE, SCALE_ON_PSEUDO_PARALLEL -> number("k", number("k_0", 1));
            case FALSE_EASTING, EASTING_AT_FALSE_ORIGIN, EASTING_AT_CENTRE -> axes.eastSign() * number("x_0", 0) + 0.0;
            case FALSE_NORTHING, NORTHING_AT_FALSE_ORIGIN, NORTHING_AT_CENTRE -> axes.northSign() * number("y_0", 0) + 0.0;
            case FIRST_PARALLEL -> degrees("lat_1", Double.NaN);
            case SECOND_PARALLEL -> degrees("lat_2", Double.NaN);
            case AZIMUTH_AT_CENTRE -> degrees("alpha", Double.NaN);
            case RECTIFIED_TO_SKEW -> degrees("gamma", Double.NaN);
            case LATITUDE_OF_PARALLEL -> degrees("lat_ts", Double.NaN);
            case CONE_AXIS, PSEUDO_PARALLEL -> throw new IllegalStateException(parameter.name());
        };
    }

    private PlanAxes axes() {
        String axis = word("axis").orElse("enu");
        if (!axis.matches("[ew][ns]u|[ns][ew]u")) {
            throw unread("+axis=" + axis);
        }
        boolean northFirst = axis.charAt(0) == 'n' || axis.charAt(0) == 's';
        return new PlanAxes(northFirst ? PlanAxes.Order.NORTH_EAST : PlanAxes.Order.EAST_NORTH, axis.contains("s"), axis.contains("w"));
    }

    private double unit() {
        String unit = word("units").orElse("m");
        double named = switch (unit) {
            case "m" -> 1;
            case "ft" -> LengthUnit.INTERNATIONAL_FOOT.metresPerUnit();
            case "us-ft" -> LengthUnit.US_SURVEY_FOOT.metresPerUnit();
            default -> throw unread("+units=" + unit);
        };
        return number("to_meter", named);
    }

    private ReferenceEllipsoid ellipsoid() {
        if (words.containsKey("a")) {
            double a = number("a", Double.NaN);
            double flattening = words.containsKey("rf") ? number("rf", Double.NaN) : a / (a - number("b", a));
            if (!(a > 6e6 && a < 7e6) || !(flattening > 100)) {
                throw unread("+a=" + words.get("a"));
            }
            return new ReferenceEllipsoid("typed", a, flattening);
        }
        String name = word("ellps").or(() -> Optional.ofNullable(words.get("datum")).map(d -> DATUMS.getOrDefault(d, "?"))).orElse("GRS80");
        ReferenceEllipsoid known = ELLIPSOIDS.get(name);
        if (known == null) {
            throw unread(words.containsKey("ellps") ? "+ellps=" + name : "+datum=" + words.get("datum"));
        }
        return known;
    }

    private Optional<DatumShift> ofDatum() {
        return word("datum").filter(d -> d.equals("WGS84") || d.equals("NAD83")).map(d -> DatumShift.NONE);
    }

    private DatumShift shift(String list) {
        try {
            List<Double> p = Arrays.stream(list.split(",")).map(Double::valueOf).toList();
            if (p.size() != 3 && p.size() != SEVEN) {
                throw unread("+towgs84=" + list);
            }
            return p.size() == 3 ? DatumShift.translation(p.get(0), p.get(1), p.get(2))
                    : new DatumShift(DatumShift.Rotation.POSITION_VECTOR, p.get(0), p.get(1), p.get(2), p.get(3), p.get(4), p.get(5),
                    p.get(6), 0);
        } catch (IllegalArgumentException notFigures) {
            throw unread("+towgs84=" + list);
        }
    }

    private double meridian(String text) {
        return switch (text) {
            case "greenwich" -> 0;
            case "paris" -> 2.33722917;
            case "ferro" -> -17 - 40.0 / 60;
            default -> degrees("pm", 0);
        };
    }

    private Optional<String> word(String key) {
        read.add(key);
        return Optional.ofNullable(words.get(key));
    }

    private double number(String key, double otherwise) {
        return word(key).map(text -> {
            try {
                return Double.valueOf(text);
            } catch (NumberFormatException notANumber) {
                throw unread("+" + key + "=" + text);
            }
        }).orElse(otherwise);
    }

    /** Decimal degrees, or the string's own 24d50'0" and letters. */
    private double degrees(String key, double otherwise) {
        return word(key).map(text -> {
            try {
                return text.contains("d") ? LatLonText.longitude(text.replace('d', '\u00b0').replace("'", "\u2032"))
                        .degrees() : number(key, otherwise);
            } catch (SurveyException notAnAngle) {
                throw unread("+" + key + "=" + text);
            }
        }).orElseGet(() -> {
            if (Double.isNaN(otherwise)) {
                throw unread("a text without +" + key);
            }
            return otherwise;
        });
    }

    private static SurveyException unread(String what) {
        return new SurveyException(Problem.SYSTEM_UNREADABLE, what);
    }
}
