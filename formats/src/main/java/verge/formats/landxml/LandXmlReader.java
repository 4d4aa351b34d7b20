package verge.formats.landxml;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import verge.core.drawing.Feature;
import verge.core.drawing.FileSystem;
import verge.core.drawing.FileUnit;
import verge.core.plan.Vertices;
import verge.core.units.PlanAxes;
import verge.formats.fieldwork.LandXmlWriter;
import verge.formats.reading.Declared;
import verge.formats.reading.FileKind;
import verge.formats.reading.Gatherer;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Report.Why;
import verge.formats.reading.Watch;
import verge.formats.reading.Xml;

/**
 * Reads LandXML 1.0 to 2.0: points, plan features, parcels, alignments with profiles and station equations, surfaces of triangles.
 * Coordinates are northing, easting, height, as the schema has them.
 */
public final class LandXmlReader {
    /** What stands in a file at its highest level and is read, or says nothing of places. */
    private static final Set<String> PARTS = Set.of("Units", "CoordinateSystem", "Project", "Application", "CgPoints", "PlanFeatures",
            "Parcels", "Alignments", "Surfaces", "Monuments", "PipeNetworks", "Roadways",
            "FeatureDictionary");

    private final Xml xml;
    private final Gatherer out;
    /** Places of the file's points, for what refers to them by name. */
    private final Map<String, double[]> known;
    private boolean unknownReference;
    private Optional<FileUnit> unit = Optional.empty();
    private Optional<FileSystem> system = Optional.empty();

    private LandXmlReader(Xml xml, Gatherer out, Map<String, double[]> known) {
        this.xml = xml;
        this.out = out;
        this.known = known;
    }

    public static ReadFile read(Path file, Watch watch) throws IOException {
        Map<String, double[]> points = new HashMap<>();
        LandXmlReader first = readOnce(file, watch, points);
        // A reference to a point that stands further down can be followed only when all points are known.
        LandXmlReader whole = first.unknownReference ? readOnce(file, watch, points) : first;
        return whole.out.result(FileKind.LANDXML, new Declared(whole.system, whole.unit, PlanAxes.Order.NORTH_EAST, true));
    }

    private static LandXmlReader readOnce(Path file, Watch watch, Map<String, double[]> points) throws IOException {
        try (Xml xml = Xml.open(watch.open(file), watch)) {
            LandXmlReader reader = new LandXmlReader(xml, new Gatherer(watch), points);
            reader.readAll();
            return reader;
        }
    }

    private void readAll() throws IOException {
        Geometry geometry = new Geometry(xml, out, this::place);
        while (xml.nextWithin(0)) {
            if (xml.depth() == 2 && !PARTS.contains(xml.name())) {
                out.leaveOut(xml.name(), Why.NOT_READ, xml.where());
                xml.skip();
                continue;
            }
            switch (xml.name()) {
                case "Metric", "Imperial" -> unit = xml.attribute("linearUnit").flatMap(LandXmlReader::unit);
                case "CoordinateSystem" -> system = xml.attribute("epsgCode").map(c -> c.replaceFirst("(?i)^EPSG:", ""))
                        .filter(c -> c.matches("\\d{4,6}")).<FileSystem>map(c -> new FileSystem.Published("EPSG:" + c))
                        .or(() -> xml.attribute("ogcWktCode").map(LandXmlReader::wellKnown));
                case "Application" -> {
                    if (xml.attribute("name").filter(LandXmlWriter.APPLICATION::equals).isPresent()) {
                        out.noughtsAreHeights();   // what it writes has no third figure where there is no height
                    }
                }
                case "CgPoint" -> point();
                case "PlanFeature" -> geometry.lines("PlanFeature", "Plan features");
                case "Parcel" -> geometry.lines("Parcel", "Parcels");
                case "Alignment" -> new Alignments(xml, out, geometry).read();
                case "Surface" -> new Surfaces(xml, out, geometry).read();
                case "Monument", "PipeNetwork", "Roadway" -> {
                    out.leaveOut(xml.name(), Why.NOT_READ, xml.where());
                    xml.skip();
                }
                default -> { }   // a group of what is read, or words about it
            }
        }
    }

    /** Well-known text, or the number of a published system where some programs write that. */
    private static FileSystem wellKnown(String text) {
        return text.matches("(?i)(EPSG:)?\\d{4,6}") ? new FileSystem.Published("EPSG:" + text.replaceFirst("(?i)^EPSG:", ""))
                : new FileSystem.Defined(text);
    }

    private static Optional<FileUnit> unit(String linearUnit) {
        return switch (linearUnit) {
            case "meter" -> Optional.of(FileUnit.METRE);
            case "centimeter" -> Optional.of(FileUnit.CENTIMETRE);
            case "millimeter" -> Optional.of(FileUnit.MILLIMETRE);
            case "foot" -> Optional.of(FileUnit.INTERNATIONAL_FOOT);
            case "USSurveyFoot" -> Optional.of(FileUnit.US_SURVEY_FOOT);
            case "inch" -> Optional.of(FileUnit.INCH);
            default -> Optional.empty();
        };
    }

    private void point() throws IOException {
        String name = xml.attribute("name").orElse("");
        Optional<String> desc = xml.attribute("desc");
        Optional<String> code = xml.attribute("code");
        String where = xml.where();
        boolean own = xml.attribute("pntRef").isEmpty();
        String reference = xml.attribute("pntRef").orElse("");
        List<String> about = new ArrayList<>(code.isPresent() ? desc.stream().toList() : List.of());
        double[] place = Geometry.place(xml.text(within -> Geometry.property(within).ifPresent(about::add)));
        if (place == null && !own) {
            place = place(reference);
        }
        if (place == null) {
            out.leaveOut("CgPoint", Why.NOT_A_NUMBER, where);
            return;
        }
        known.putIfAbsent(name, place);
        out.limit("points", known.size(), Gatherer.MOST_FEATURES);
        if (own) {
            out.spot("CgPoint", new Feature.Spot(out.layer("Points"), name, code.or(() -> desc).orElse(""), String.join(", ", about),
                    Feature.Spot.Sigma.NONE,
                    new Vertices.Builder().add(place[0], place[1], place[2]).build()), where);
        }
    }

    /** The place of a point of the file; null if it is not known, yet or at all. */
    private double[] place(String name) {
        double[] place = known.get(name);
        unknownReference |= place == null;
        return place;
    }
}
