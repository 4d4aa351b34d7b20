package verge.formats.csv;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import verge.core.journal.StoredPoint;
import verge.core.setup.Uncertainty;
import verge.core.stakeout.AsStaked;
import verge.core.units.Decimals;
import verge.core.units.Length;
import verge.core.units.LengthUnit;

/** Writes points as a table of text that any spreadsheet opens. An absent figure is an empty cell, never 0. */
public final class PointCsvWriter {
    private PointCsvWriter() {
    }

    /** What can be written of a point. */
    public enum Field {
        NAME("Name", false),
        NORTHING("Northing", true),
        EASTING("Easting", true),
        ELEVATION("Elevation", true),
        CODE("Code", false),
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

        private String heading(LengthUnit unit) {
            return length ? heading + " [" + unit.symbol() + "]" : heading;
        }
    }

    /**
     * @param fields in the order they are written
     * @param separator with a decimal comma it must not be a comma
     * @param decimals of a length in its unit
     */
    public record Layout(List<Field> fields, char separator, DecimalMark decimalMark, LengthUnit unit, int decimals) {
        public Layout {
            fields = List.copyOf(fields);
            if (separator == ',' && decimalMark == DecimalMark.COMMA) {
                throw new IllegalArgumentException("a comma cannot both separate and mark decimals");
            }
        }
    }

    public static void write(Appendable out, List<StoredPoint> points, Layout layout) throws IOException {
        try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.RFC4180.builder().setDelimiter(layout.separator()).get())) {
            printer.printRecord(layout.fields().stream().map(f -> f.heading(layout.unit())));
            for (StoredPoint point : points) {
                printer.printRecord(layout.fields().stream().map(f -> cell(point, f, layout)));
            }
        }
    }

    private static String cell(StoredPoint point, Field field, Layout layout) {
        Optional<Length> length = switch (field) {
            case NORTHING -> Optional.of(point.position().plan().north());
            case EASTING -> Optional.of(point.position().plan().east());
            case ELEVATION -> point.position().elevation().map(e -> e.asLength());
            case SIGMA_PLAN -> point.sigma().map(Uncertainty::plan);
            case SIGMA_HEIGHT -> point.sigma().map(Uncertainty::up);
            case STAKED_NORTH -> point.staked().map(AsStaked::north);
            case STAKED_EAST -> point.staked().map(AsStaked::east);
            case STAKED_HEIGHT -> point.staked().flatMap(AsStaked::up);
            case NAME, CODE, ORIGIN -> Optional.empty();
        };
        return switch (field) {
            case NAME -> point.name().text();
            case CODE -> point.code().text();
            case ORIGIN -> point.origin().word();
            default -> length.map(l -> number(l, layout)).orElse("");
        };
    }

    private static String number(Length length, Layout layout) {
        String point = Decimals.print(length.in(layout.unit()), layout.decimals());
        return layout.decimalMark() == DecimalMark.COMMA ? point.replace('.', ',') : point;
    }
}
