package verge.formats.fieldwork;

import java.io.Writer;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.plan.Arc;
import verge.core.plan.Path;
import verge.core.plan.Vertices;
import verge.core.units.LengthUnit;

/**
 * Writes a drawing as LandXML 1.2: points as CgPoints, strings as PlanFeatures of lines and true arcs. Places are northing, easting,
 * elevation.
 */
public final class LandXmlWriter {
    /** As which files call what wrote them. */
    public static final String APPLICATION = "Verge";

    private final Fieldwork work;
    private final XMLStreamWriter xml;

    private LandXmlWriter(Fieldwork work, XMLStreamWriter xml) {
        this.work = work;
        this.xml = xml;
    }

    /** @param date of the writing, as ISO has it @param time likewise */
    public static void write(Fieldwork work, String date, String time, Writer out) {
        try {
            XMLStreamWriter xml = XMLOutputFactory.newDefaultFactory().createXMLStreamWriter(out);
            new LandXmlWriter(work, xml).write(date, time);
            xml.close();
        } catch (XMLStreamException failed) {
            throw new IllegalStateException(failed);
        }
    }

    private void write(String date, String time) throws XMLStreamException {
        xml.writeStartDocument("UTF-8", "1.0");
        begin("LandXML", "xmlns", "http://www.landxml.org/schema/LandXML-1.2", "version", "1.2", "date", date, "time", time, "language",
                "English", "readOnly", "false");
        begin("Units");
        empty(work.unit() == LengthUnit.METRE ? "Metric" : "Imperial", "linearUnit", linearUnit(), "areaUnit",
                work.unit() == LengthUnit.METRE ? "squareMeter" : "squareFoot",
                "volumeUnit", work.unit() == LengthUnit.METRE ? "cubicMeter" : "cubicFeet", "temperatureUnit",
                work.unit() == LengthUnit.METRE ? "celsius" : "fahrenheit",
                "pressureUnit", work.unit() == LengthUnit.METRE ? "HPA" : "inchHG", "angularUnit", "decimal degrees", "directionUnit",
                "decimal degrees");
        xml.writeEndElement();
        coordinateSystem();
        empty("Project", "name", work.job());
        empty("Application", "name", APPLICATION);
        points();
        begin("PlanFeatures", "name", work.job());
        for (Fieldwork.Line string : work.strings()) {
            int part = 0;
            for (Path path : string.paths()) {
                feature(string, path, string.paths().size() == 1 ? string.name() : string.name() + " part " + ++part);
            }
        }
        xml.writeEndElement();
        xml.writeEndElement();
        xml.writeEndDocument();
    }

    /** By the published code where there is one, and by its definition: either is known again. */
    private void coordinateSystem() throws XMLStreamException {
        List<String> about = new ArrayList<>(List.of("desc", work.system()));
        if (work.reference().code().matches("EPSG:\\d+")) {
            about.addAll(List.of("epsgCode", work.reference().code().substring("EPSG:".length())));
        }
        if (!work.reference().definition().isEmpty()) {
            about.addAll(List.of("ogcWktCode", work.reference().definition()));
        }
        if (!work.heights().isEmpty()) {
            about.addAll(List.of("verticalCoordinateSystemName", work.heights()));
        }
        empty("CoordinateSystem", about.toArray(String[]::new));
    }

    private String linearUnit() {
        return switch (work.unit()) {
            case METRE -> "meter";
            case INTERNATIONAL_FOOT -> "foot";
            case US_SURVEY_FOOT -> "USSurveyFoot";
        };
    }

    private void points() throws XMLStreamException {
        if (work.points().isEmpty()) {
            return;
        }
        begin("CgPoints");
        for (Fieldwork.Spot p : work.points()) {
            begin("CgPoint", "name", p.name(), "code", p.code().text(), "desc", work.meaning(p.code()));
            xml.writeCharacters(place(p.position().plan()) + p.position().elevation().map(Elevation::metres)
                    .map(h -> " " + PlainNumber.of(work.inUnit(h))).orElse(""));
            properties(p.code().text(), p.attributes());
            xml.writeEndElement();
        }
        xml.writeEndElement();
    }

    private void feature(Fieldwork.Line string, Path path, String name) throws XMLStreamException {
        begin("PlanFeature", "name", name, "desc", work.meaning(string.code()));
        begin("CoordGeom");
        Vertices v = path.vertices();
        for (int i = 0; i < path.pieces(); i++) {
            int next = (i + 1) % v.size();
            Optional<Arc> arc = Arc.ofBulge(v.plan(i), v.plan(next), path.bulge(i));
            if (arc.isPresent()) {
                begin("Curve", "rot", path.bulge(i) > 0 ? "ccw" : "cw", "crvType", "arc", "radius",
                        PlainNumber.of(work.inUnit(arc.get().radius())));
            } else {
                begin("Line");
            }
            text("Start", place(v, i));
            if (arc.isPresent()) {
                text("Center", place(new GridPoint(arc.get().centreNorth(), arc.get().centreEast())));
            }
            text("End", place(v, next));
            xml.writeEndElement();
        }
        xml.writeEndElement();
        properties(string.code().text(), string.attributes());
        xml.writeEndElement();
    }

    private void properties(String code, Map<String, String> attributes) throws XMLStreamException {
        begin("Feature", "code", code);
        for (Map.Entry<String, String> a : attributes.entrySet()) {
            empty("Property", "label", a.getKey(), "value", a.getValue());
        }
        xml.writeEndElement();
    }

    private String place(GridPoint plan) {
        return PlainNumber.of(work.inUnit(plan.northing())) + " " + PlainNumber.of(work.inUnit(plan.easting()));
    }

    private String place(Vertices v, int i) {
        return place(v.plan(i)) + (v.height(i).isPresent() ? " " + PlainNumber.of(work.inUnit(v.height(i).getAsDouble())) : "");
    }

    private void text(String element, String text) throws XMLStreamException {
        xml.writeStartElement(element);
        xml.writeCharacters(text);
        xml.writeEndElement();
    }

    private void begin(String element, String... attributes) throws XMLStreamException {
        xml.writeStartElement(element);
        attributes(attributes);
    }

    private void empty(String element, String... attributes) throws XMLStreamException {
        xml.writeEmptyElement(element);
        attributes(attributes);
    }

    /** Without what no XML may hold, however it came into a note. */
    private static String plain(String text) {
        return text.replaceAll("[^\\x{9}\\x{A}\\x{D}\\x{20}-\\x{D7FF}\\x{E000}-\\x{FFFD}\\x{10000}-\\x{10FFFF}]", " ");
    }

    private void attributes(String... attributes) throws XMLStreamException {
        for (int i = 0; i < attributes.length; i += 2) {
            xml.writeAttribute(attributes[i], plain(attributes[i + 1]));
        }
    }
}
