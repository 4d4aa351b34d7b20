package verge.core.geodesy.system;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Similarity;
import verge.core.geodesy.transformation.FitSettings;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;

/**
 * The plan of a localisation as WKT 2: a derived projected system (ISO 19162:2019), written with the affine parametric transformation (EPSG
 * method 9624) because general software knows it, read with that or the similarity transformation (9621). Base and site count east and
 * north in metres there. Heights and ties have no place in it.
 */
final class LocalisedText {
    private static final String KEYWORD = "DERIVEDPROJCRS";
    private static final String AXES =
            "CS[Cartesian,2],AXIS[\"easting (E)\",east,ORDER[1]],AXIS[\"northing (N)\",north,ORDER[2]],LENGTHUNIT[\"metre\",1]";
    /** Shear and difference of both scales that rounding of the text may leave. */
    private static final double SIMILAR_WITHIN = 1e-9;
    private static final int DEEPEST = 20;

    private LocalisedText() {
    }

    static boolean is(String text) {
        return text.toUpperCase(Locale.ROOT).startsWith(KEYWORD);
    }

    /** An element of the text: KEYWORD[part,part,…], each part as it is written. */
    private record Element(String keyword, List<String> parts) {
        static Element of(String text) {
            int open = text.indexOf('[');
            if (open < 0 || !text.endsWith("]")) {
                throw unreadable(text);
            }
            List<String> parts = new ArrayList<>();
            int depth = 0;
            boolean quoted = false;
            int begin = open + 1;
            for (int i = begin; i < text.length() - 1; i++) {
                char c = text.charAt(i);
                quoted ^= c == '"';
                depth += quoted ? 0 : c == '[' ? 1 : c == ']' ? -1 : 0;
                if (depth < 0 || depth > DEEPEST) {
                    throw unreadable(text);
                }
                if (c == ',' && depth == 0 && !quoted) {
                    parts.add(text.substring(begin, i).strip());
                    begin = i + 1;
                }
            }
            parts.add(text.substring(begin, text.length() - 1).strip());
            return new Element(text.substring(0, open).strip().toUpperCase(Locale.ROOT), parts);
        }

        Optional<Element> part(String... keywords) {
            return parts.stream().filter(p -> List.of(keywords).contains(p.replaceFirst("\\s*\\[(?s).*", "").toUpperCase(Locale.ROOT)))
                    .findFirst().map(Element::of);
        }

        Element required(String... keywords) {
            return part(keywords).orElseThrow(() -> unreadable(keywords[0]));
        }

        /** The name or the figure at a place. */
        String word(int at) {
            if (at >= parts.size()) {
                throw unreadable(keyword);
            }
            String part = parts.get(at);
            return part.length() > 1 && part.startsWith("\"") && part.endsWith("\"") ? part.substring(1, part.length() - 1)
                    .replace("\"\"", "\"") : part;
        }

        double figure(int at) {
            try {
                return Double.parseDouble(word(at));
            } catch (NumberFormatException none) {
                throw unreadable(word(at));
            }
        }

        @Override
        public String toString() {
            return keyword + "[" + String.join(",", parts) + "]";
        }
    }

    private static SurveyException unreadable(String what) {
        return new SurveyException(Problem.SYSTEM_UNREADABLE, what.substring(0, Math.min(what.length(), 60)));
    }

    /** Empty for a base that counts south or west: its conversion's own sense of the axes cannot be told in such a text. */
    static Optional<String> write(CoordinateSystem.Localised system) {
        if (SystemText.projection(system.base()).axes().southwards() || SystemText.projection(system.base()).axes().westwards()) {
            return Optional.empty();
        }
        Element base = Element.of(system.base().wkt());
        String projected = "BASEPROJCRS[" + base.parts().get(0) + "," + base.required("BASEGEOGCRS", "BASEGEODCRS") + ","
                + base.required("CONVERSION") + base.part("ID").map(id -> "," + id).orElse("") + "]";
        Similarity about = system.move().about(new GridPoint(0, 0));
        double cos = about.scale() * about.rotation().cos();
        double sin = about.scale() * about.rotation().sin();
        String deriving = "DERIVINGCONVERSION[\"onto the site\",METHOD[\"Affine parametric transformation\",ID[\"EPSG\",9624]],"
                + metres("A0", about.to().easting(), 8623) + "," + factor("A1", cos, 8624) + ","
                + factor("A2", sin, 8625) + "," + metres("B0", about.to().northing(), 8639) + "," + factor("B1", -sin, 8640) + ","
                + factor("B2", cos, 8641) + "]";
        return Optional.of(KEYWORD + "[\"" + system.name().replace("\"", "\"\"") + "\"," + projected + "," + deriving + "," + AXES + "]");
    }

    private static String metres(String name, double value, int id) {
        return "PARAMETER[\"" + name + "\"," + value + ",LENGTHUNIT[\"metre\",1],ID[\"EPSG\"," + id + "]]";
    }

    private static String factor(String name, double value, int id) {
        return "PARAMETER[\"" + name + "\"," + value + ",SCALEUNIT[\"coefficient\",1],ID[\"EPSG\"," + id + "]]";
    }

    /** @throws SurveyException SYSTEM_UNREADABLE naming what was not understood, a mirrored or sheared site among it */
    static CoordinateSystem.Localised read(String text) {
        Element whole = Element.of(text);
        Element base = whole.required("BASEPROJCRS");
        requireEastNorthMetres(whole);
        String projected = "PROJCRS[" + base.parts().get(0) + "," + base.required("BASEGEOGCRS", "BASEGEODCRS") + ","
                + base.required("CONVERSION") + "," + AXES + "]";
        if (!(SystemText.read(projected) instanceof CoordinateSystem.Projected read)) {
            throw unreadable(base.word(0));
        }
        CoordinateSystem.Projected kept = new CoordinateSystem.Projected(read.name(), "", read.wkt(),
                read.toWgs84().or(() -> Optional.of(published(base).orElse(DatumShift.NONE))));
        return new CoordinateSystem.Localised(whole.word(0), kept, move(whole.required("DERIVINGCONVERSION")), new GeoidChoice.None(),
                Optional.empty(), List.of(), FitSettings.USUAL);
    }

    /** How the register says the base gets to WGS 84, if the text names its code. */
    private static Optional<DatumShift> published(Element base) {
        try {
            return base.part("ID").filter(id -> id.word(0).equalsIgnoreCase("EPSG")).map(id -> PublishedSystems.find("EPSG:" + id.word(1)))
                    .flatMap(s -> s instanceof CoordinateSystem.Projected p ? p.toWgs84() : Optional.empty());
        } catch (SurveyException unknown) {
            return Optional.empty();
        }
    }

    private static void requireEastNorthMetres(Element whole) {
        List<Element> axes = whole.parts().stream().filter(p -> p.toUpperCase(Locale.ROOT).startsWith("AXIS")).map(Element::of).toList();
        boolean eastNorth = axes.size() == 2 && axes.get(0).word(1).equalsIgnoreCase("east") && axes.get(1).word(1)
                .equalsIgnoreCase("north");
        Optional<Element> unit = whole.part("LENGTHUNIT").or(() -> axes.stream().flatMap(a -> a.part("LENGTHUNIT").stream()).findFirst());
        if (!eastNorth || unit.filter(u -> u.figure(1) != 1).isPresent()) {
            throw unreadable(whole.word(0) + ": easting, then northing, in metres");
        }
    }

    private static Similarity move(Element conversion) {
        Map<String, Double> values = new HashMap<>();
        conversion.parts().stream().filter(p -> p.toUpperCase(Locale.ROOT).startsWith("PARAMETER")).map(Element::of)
                .forEach(p -> values.put(p.word(0).toLowerCase(Locale.ROOT), inBaseUnit(p)));
        if (values.containsKey("rotation angle of source crs axes")) {
            double rotation = value(values, "rotation angle of source crs axes");
            return moved(value(values, "ordinate 1 of evaluation point in target crs"),
                    value(values, "ordinate 2 of evaluation point in target crs"), rotation,
                    value(values, "scale factor for source crs axes"));
        }
        double cos = value(values, "a1");
        double sin = value(values, "a2");
        double scale = Math.hypot(cos, sin);
        if (Math.hypot(value(values, "b1") + sin, value(values, "b2") - cos) > SIMILAR_WITHIN * scale) {
            throw unreadable(conversion.word(0) + ": mirrored, sheared, or with two scales");
        }
        return moved(value(values, "a0"), value(values, "b0"), Math.atan2(sin, cos), scale);
    }

    private static Similarity moved(double east, double north, double rotation, double scale) {
        if (!(scale > 0) || !Double.isFinite(east) || !Double.isFinite(north) || !Double.isFinite(rotation)) {
            throw unreadable("scale " + scale);
        }
        return new Similarity(new GridPoint(0, 0), new GridPoint(north, east), new Angle(rotation).wholeCircle(), scale, false);
    }

    /** Metres, radians or parts of one. */
    private static double inBaseUnit(Element parameter) {
        return parameter.figure(1) * parameter.part("LENGTHUNIT", "ANGLEUNIT", "SCALEUNIT").map(u -> u.figure(1)).orElse(1.0);
    }

    private static double value(Map<String, Double> values, String name) {
        if (!values.containsKey(name)) {
            throw unreadable(name);
        }
        return values.get(name);
    }
}
