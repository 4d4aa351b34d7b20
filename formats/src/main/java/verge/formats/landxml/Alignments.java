package verge.formats.landxml;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import verge.core.alignment.Alignment;
import verge.core.alignment.PlanElement;
import verge.core.alignment.Profile;
import verge.core.alignment.Stationing;
import verge.formats.reading.Figures;
import verge.formats.reading.Gatherer;
import verge.formats.reading.Report.Why;
import verge.formats.reading.Xml;

/** One alignment: its line in plan, station equations and design profile. */
final class Alignments {
    /** An alignment with a larger gap between its elements is not one line. */
    private static final double LARGEST_GAP = 0.01;
    /** Lines of roads pass smoothly from piece to piece; a twentieth of a degree is rounding of coordinates. */
    private static final double SHARPEST_KINK = Math.toRadians(0.05);

    private final Xml xml;
    private final Gatherer out;
    private final Geometry geometry;
    private final List<PlanElement> elements = new ArrayList<>();
    private final List<Stationing.Equation> equations = new ArrayList<>();
    private final List<Profile.Pvi> points = new ArrayList<>();

    Alignments(Xml xml, Gatherer out, Geometry geometry) {
        this.xml = xml;
        this.out = out;
        this.geometry = geometry;
    }

    void read() throws IOException {
        String name = xml.attribute("name").orElse("");
        String where = xml.where() + " \u2018" + name + "\u2019";
        xml.attribute("desc").ifPresent(words -> out.leaveOut("desc of an Alignment", Why.ATTRIBUTE_NOT_TAKEN, where));
        double start = xml.number("staStart").orElse(0);
        OptionalDouble stated = xml.number("length");
        int depth = xml.depth();
        while (xml.nextWithin(depth)) {
            switch (xml.name()) {
                case "CoordGeom" -> plan();
                case "StaEquation" -> equation(start);
                case "ProfAlign" -> profile(start);
                case "ProfSurf", "CrossSect", "Superelevation" -> {
                    out.leaveOut(xml.name(), Why.NOT_READ, xml.where());
                    xml.skip();
                }
                case "Property" -> out.leaveOut("Property \u2018" + xml.attribute("label").orElse("") + "\u2019 of an Alignment",
                        Why.ATTRIBUTE_NOT_TAKEN, xml.where());
                default -> { }
            }
        }
        Optional<Profile> profile = Optional.of(points).filter(p -> p.size() > 1).flatMap(p -> profile(where));
        if (elements.isEmpty()) {
            out.leaveOut("Alignment", Why.NO_SHAPE, where);
            return;
        }
        Alignment alignment = new Alignment(name, elements, profile, new Stationing(start, equations));
        if (alignment.largestGap() > LARGEST_GAP) {
            out.leaveOut("Alignment", Why.NO_SHAPE, where);
        } else {
            doubts(alignment, stated, where);
            curvesWithoutRoom(alignment);
            out.alignment("Alignment", out.layer("Alignments"), alignment, where);
        }
    }

    /** What is said of an alignment that is read all the same. */
    private void doubts(Alignment alignment, OptionalDouble stated, String where) {
        if (alignment.sharpestKink() > SHARPEST_KINK && alignment.elements().stream().anyMatch(e -> e.shape() != PlanElement.Shape.LINE)) {
            out.leaveOut("Alignment", Why.KINK, where);
        }
        if (stated.isPresent() && Math.abs(stated.getAsDouble() - alignment.length()) > LARGEST_GAP) {
            out.leaveOut("Alignment", Why.LENGTH_DIFFERS, where + ", " + stated.getAsDouble() + " stated, " + alignment.length()
                    + " found");
        }
    }

    /** Stations as the file counts them: what lies where curves find no room has no height. */
    private void curvesWithoutRoom(Alignment alignment) {
        alignment.profile().ifPresent(profile -> profile.misfits().forEach(distance -> out.leaveOut("PVI", Why.CURVE_WITHOUT_ROOM,
                "\u2018" + alignment.name() + "\u2019, station " + alignment.stationing().station(distance))));
    }

    private void plan() throws IOException {
        for (Geometry.Piece piece : geometry.pieces("Alignment")) {
            if (piece instanceof Geometry.Piece.Element e) {
                elements.add(e.element());
            } else if (piece instanceof Geometry.Piece.Row row) {
                for (int i = 1; i < row.places().size(); i++) {
                    double n = row.places().north(i) - row.places().north(i - 1);
                    double e = row.places().east(i) - row.places().east(i - 1);
                    if (Math.hypot(n, e) > 0 && Math.hypot(n, e) < Gatherer.FARTHEST) {
                        elements.add(new PlanElement(row.places().north(i - 1), row.places().east(i - 1), Math.atan2(e, n),
                                Math.hypot(n, e), 0, 0));
                    }
                }
            }
        }
    }

    /** staInternal counts from staStart as if there were no equations; so the place along the line is their difference. */
    private void equation(double start) {
        OptionalDouble internal = xml.number("staInternal");
        OptionalDouble ahead = xml.number("staAhead");
        if (internal.isPresent() && ahead.isPresent()) {
            equations.add(new Stationing.Equation(internal.getAsDouble() - start, ahead.getAsDouble(),
                    !xml.attribute("staIncrement").orElse("").equals("decreasing")));
            out.limit("station equations", equations.size(), 10_000);
        } else {
            out.leaveOut("StaEquation", Why.NOT_A_NUMBER, xml.where());
        }
    }

    private void profile(double start) throws IOException {
        int depth = xml.depth();
        while (xml.nextWithin(depth)) {
            String kind = xml.name();
            String where = xml.where();
            double length = xml.number("length").orElse(0);
            Profile.Rounding rounding = switch (kind) {
                case "ParaCurve" -> new Profile.Rounding.Parabola(length / 2, length / 2);
                case "UnsymParaCurve" -> new Profile.Rounding.Parabola(xml.number("lengthIn").orElse(0), xml.number("lengthOut").orElse(0));
                case "CircCurve" -> circle(xml.number("radius").orElse(0));
                default -> new Profile.Rounding.None();
            };
            if (!List.of("PVI", "ParaCurve", "UnsymParaCurve", "CircCurve").contains(kind)) {
                continue;
            }
            double[] at = Figures.byBlanks(xml.text());
            if (at.length == 2 && Double.isFinite(at[0] + at[1])) {
                points.add(new Profile.Pvi(at[0] - start, at[1], rounding));
                out.limit("points of one profile", points.size(), 100_000);
            } else {
                out.leaveOut(kind, Why.NOT_A_NUMBER, where);
            }
        }
    }

    private static Profile.Rounding circle(double radius) {
        return radius == 0 ? new Profile.Rounding.None() : new Profile.Rounding.Circle(Math.abs(radius));
    }

    private Optional<Profile> profile(String where) {
        try {
            return Optional.of(new Profile(points));
        } catch (IllegalArgumentException runsBack) {
            out.leaveOut("ProfAlign", Why.NO_SHAPE, where);
            return Optional.empty();
        }
    }
}
