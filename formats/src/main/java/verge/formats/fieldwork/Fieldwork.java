package verge.formats.fieldwork;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.plan.Path;
import verge.core.units.Angle;
import verge.core.units.LengthUnit;

/**
 * What was drawn in the field, to be handed over. Coordinates in metres of the grid; writers put them into the unit. A vertex that several
 * strings share is the same in all of them, to the last bit, whatever the form.
 *
 * @param system in words, what the coordinates are
 * @param reference the same for programs
 * @param unit in which coordinates are written
 */
public record Fieldwork(String job, String system, Reference reference, LengthUnit unit, Codebook book, List<Spot> points,
        List<Line> strings, List<Dimension> dimensions) {
    public Fieldwork {
        points = List.copyOf(points);
        strings = List.copyOf(strings);
        dimensions = List.copyOf(dimensions);
    }

    /**
     * What coordinates refer to, as programs know it.
     *
     * @param code of a published system, 'EPSG:25832'; empty for others
     * @param definition in well-known text; empty for a grid that lies nowhere on earth
     * @param heights in words, what elevations are
     */
    public record Reference(String code, String definition, String heights) {
    }

    String heights() {
        return reference.heights();
    }

    /** Where dimensions are drawn. */
    static final String DIMENSIONS = "dimensions";

    /** A point. @param attributes what was answered for it, by name, in an order */
    public record Spot(String name, Code code, Position position, Map<String, String> attributes) {
        public Spot {
            attributes = new LinkedHashMap<>(attributes);
        }
    }

    /** A string. @param paths one for each part of it */
    public record Line(String name, Code code, List<Path> paths, Map<String, String> attributes) {
        public Line {
            paths = List.copyOf(paths);
            attributes = new LinkedHashMap<>(attributes);
        }
    }

    /** What was measured between things and is written where it was, with the lines that show it. */
    public record Dimension(List<Path> lines, List<Words> words) {
        public Dimension {
            lines = List.copyOf(lines);
            words = List.copyOf(words);
        }
    }

    /** @param along the azimuth of what they measure; absent for words that stand level */
    public record Words(String text, GridPoint at, Optional<Angle> along) {
    }

    /** The layer of a code: its own, else one called like it. */
    String layer(Code code) {
        String layer = book.row(code).map(row -> row.drawn().layer()).orElse("");
        return !layer.isEmpty() ? layer : code.equals(Code.NONE) ? "points" : code.text();
    }

    /** All codes that occur, in the order of the book. */
    List<Code> codes() {
        List<Code> used = Stream.concat(points.stream().map(Spot::code), strings.stream().map(Line::code)).distinct().toList();
        return Stream.concat(book.rows().stream().map(Codebook.Row::code).filter(used::contains), used.stream()).distinct()
                .filter(Objects::nonNull).toList();
    }

    String meaning(Code code) {
        return book.row(code).map(Codebook.Row::meaning).orElse("");
    }

    /** Metres in the unit of the drawing. */
    double inUnit(double metres) {
        return metres / unit.metresPerUnit();
    }
}
