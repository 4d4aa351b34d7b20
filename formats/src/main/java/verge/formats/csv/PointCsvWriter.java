package verge.formats.csv;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import verge.core.geodesy.Uncertainty;
import verge.core.points.AsStaked;
import verge.core.points.StoredPoint;
import verge.core.units.Decimals;
import verge.core.units.Length;
import verge.core.units.LengthUnit;
import verge.core.units.PlanAxes;

/** Writes points as a table of text that any spreadsheet opens. An absent figure is an empty cell, never 0. */
public final class PointCsvWriter {
    /** Said above the heading where an elevation is 0: other programs write 0 for none. */
    static final String NOUGHTS = "An elevation of 0 is one; where there is none, nothing stands.";

    private PointCsvWriter() {
    }

    /** What can be written of a point. */
    public enum Field {
        NAME("Name", false),
        NORTHING("Northing", true),
        EASTING("Easting", true),
        ELEVATION("Elevation", true),
        CODE("Code", false),
        DESCRIPTION("Description", false),
        ORIGIN("Origin", false),
        SIGMA_PLAN("Sigma plan", true),
        SIGMA_HEIGHT("Sigma height", true),
        STAKED_NORTH("Staked minus design N", true),
        STAKED_EAST("Staked minus design E", true),
        STAKED_HEIGHT("Staked minus design H", true);

        private final String heading;
        private final boolean length;

        Field(String heading, boolean length) {
            this.heading = heading;
            this.length = length;
        }

        public String heading() {
            return heading;
        }

        /** As the axes call it, with the unit. */
        private String heading(LengthUnit unit, PlanAxes axes) {
            String called = this == NORTHING ? axes.northName() : this == EASTING ? axes.eastName() : heading;
            return length ? called + " [" + unit.symbol() + "]" : called;
        }
    }

    /**
     * @param fields in the order they are written
     * @param separator with a decimal comma it must not be a comma
     * @param decimals of a length in its unit
     * @param axes sense and names of the plan coordinates; their order is that of the fields
     */
    public record Layout(List<Field> fields, char separator, DecimalMark decimalMark, LengthUnit unit, int decimals, PlanAxes axes) {
        public Layout(List<Field> fields, char separator, DecimalMark decimalMark, LengthUnit unit, int decimals) {
            this(fields, separator, decimalMark, unit, decimals, PlanAxes.NORTH_THEN_EAST);
        }

        public Layout {
            fields = List.copyOf(fields);
            if (separator == ',' && decimalMark == DecimalMark.COMMA) {
                throw new IllegalArgumentException("a comma cannot both separate and mark decimals");
            }
        }
    }

    /**
     * What is written.
     *
     * @param remarks lines above the heading, each behind a '#'
     * @param points positions as they are to stand in the file
     * @param noteFields further columns
     * @param notes what stands in them
     */
    public record Content(List<String> remarks, List<StoredPoint> points, List<String> noteFields,
            Function<StoredPoint, Map<String, String>> notes) {
        public static Content of(List<StoredPoint> points) {
            return new Content(List.of(), points, List.of(), point -> Map.of());
        }
    }

    public static void write(Appendable out, Content content, Layout layout) throws IOException {
        boolean noughts = layout.fields().contains(Field.ELEVATION) && content.points().stream()
                .anyMatch(p -> Decimals.parse(cell(p, Field.ELEVATION, layout).replace(',', '.')).filter(d -> d == 0).isPresent());
        for (String remark : Stream.concat(content.remarks().stream(), noughts ? Stream.of(NOUGHTS) : Stream.empty()).toList()) {
            out.append("# ").append(remark).append("\r\n");
        }
        try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.RFC4180.builder().setDelimiter(layout.separator()).get())) {
            printer.printRecord(Stream.concat(layout.fields().stream().map(f -> f.heading(layout.unit(), layout.axes())),
                    content.noteFields().stream().map(PlainCells::text)));
            for (StoredPoint point : content.points()) {
                Map<String, String> notes = content.notes().apply(point);
                printer.printRecord(Stream.concat(layout.fields().stream().map(f -> cell(point, f, layout)),
                        content.noteFields().stream().map(field -> PlainCells.text(notes.getOrDefault(field, "")))));
            }
        }
    }

    private static String cell(StoredPoint point, Field field, Layout layout) {
        Optional<Length> length = switch (field) {
            case NORTHING -> Optional.of(point.position().plan().north().times(layout.axes().northSign()));
            case EASTING -> Optional.of(point.position().plan().east().times(layout.axes().eastSign()));
            case ELEVATION -> point.position().elevation().map(e -> e.asLength());
            case SIGMA_PLAN -> point.sigma().map(Uncertainty::plan);
            case SIGMA_HEIGHT -> point.sigma().map(Uncertainty::up);
            case STAKED_NORTH -> point.staked().map(s -> s.north().times(layout.axes().northSign()));
            case STAKED_EAST -> point.staked().map(s -> s.east().times(layout.axes().eastSign()));
            case STAKED_HEIGHT -> point.staked().flatMap(AsStaked::up);
            case NAME, CODE, DESCRIPTION, ORIGIN -> Optional.empty();
        };
        return switch (field) {
            case NAME -> point.name().text();
            case CODE -> point.code().text();
            case DESCRIPTION -> PlainCells.text(point.description());
            case ORIGIN -> point.origin().word();
            default -> length.map(l -> number(l, layout)).orElse("");
        };
    }

    private static String number(Length length, Layout layout) {
        String point = Decimals.print(length.in(layout.unit()), layout.decimals());
        return layout.decimalMark() == DecimalMark.COMMA ? point.replace('.', ',') : point;
    }
}
