package verge.app.drawing;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.FileSystem;
import verge.core.drawing.FileUnit;
import verge.core.units.LengthUnit;
import verge.core.units.PlanAxes;
import verge.formats.csv.Column;
import verge.formats.csv.DecimalMark;
import verge.formats.csv.PointCsvLayout;

/**
 * How a file is to be read, as it is kept with it. Texts and flags only, so that what was kept years ago can still be understood.
 *
 * @param system job-grid, job-grid-zone, job-ground, lat-lon, or a code, or a definition in WKT
 * @param table null unless it is a table of text
 */
public record ReadAs(String system, FileUnit unit, PlanAxes.Order order, boolean southwards, boolean westwards,
        FileCoordinates.Heights heights, Table table) {
    private static final String GRID = "job-grid";
    private static final String ZONED = "job-grid-zone";
    private static final String GROUND = "job-ground";
    private static final String LAT_LON = "lat-lon";

    /** @param columns for each column of the file what it means, or an empty text */
    public record Table(String separator, DecimalMark decimalMark, boolean header, List<String> columns) {
        public static Table of(PointCsvLayout layout, int width) {
            String[] columns = new String[width];
            Arrays.fill(columns, "");
            layout.columns().forEach((meaning, index) -> {
                if (index < width) {
                    columns[index] = meaning.name();
                }
            });
            return new Table(String.valueOf(layout.separator()), layout.decimalMark(), layout.header(), List.of(columns));
        }

        /** Northing and easting the other way round. */
        public Table turned() {
            return new Table(separator, decimalMark, header, columns.stream()
                    .map(c -> c.equals(Column.NORTHING.name()) ? Column.EASTING.name()
                    : c.equals(Column.EASTING.name()) ? Column.NORTHING.name() : c).toList());
        }

        /** With the coordinate in front that comes first. */
        public Table inOrder(PlanAxes.Order order) {
            return order() == order ? this : turned();
        }

        public PlanAxes.Order order() {
            return columns.indexOf(Column.NORTHING.name()) < columns.indexOf(Column.EASTING.name()) ? PlanAxes.Order.NORTH_EAST
                    : PlanAxes.Order.EAST_NORTH;
        }

        /** Figures stay as they are written: the unit is put on afterwards, for every kind of file alike. */
        public PointCsvLayout layout() {
            Map<Column, Integer> found = new EnumMap<>(Column.class);
            for (int i = 0; i < columns.size(); i++) {
                if (!columns.get(i).isEmpty()) {
                    found.putIfAbsent(Column.valueOf(columns.get(i)), i);
                }
            }
            return new PointCsvLayout(separator.charAt(0), decimalMark, header, found, LengthUnit.METRE);
        }
    }

    /**
     * The coordinates as texts. A table says by its columns which is which, so that turning its order over changes these.
     */
    static ReadAs of(FileCoordinates c, Table table) {
        if (table != null && c.axes().order() == PlanAxes.Order.EAST_NORTH) {
            return of(c.with(new PlanAxes(PlanAxes.Order.NORTH_EAST, c.axes().southwards(), c.axes().westwards())), table.turned());
        }
        String system = c.system() instanceof FileSystem.JobGround ? GROUND : c.system() instanceof FileSystem.JobGridZoned ? ZONED
                : c.system() instanceof FileSystem.LatLon ? LAT_LON
                : c.system() instanceof FileSystem.Published p ? p.code() : c.system() instanceof FileSystem.Defined d ? d.wkt() : GRID;
        return new ReadAs(system, c.unit(), c.axes().order(), c.axes().southwards(), c.axes().westwards(), c.heights(), table);
    }

    /** The same figures in other columns. */
    public ReadAs with(Table other) {
        return new ReadAs(system, unit, order, southwards, westwards, heights, other);
    }

    /** The same file with its figures meant otherwise. */
    public ReadAs with(FileCoordinates other) {
        return of(other, table);
    }

    public FileCoordinates coordinates() {
        return new FileCoordinates(fileSystem(), unit, new PlanAxes(order, southwards, westwards), heights);
    }

    private FileSystem fileSystem() {
        return switch (system) {
            case GRID -> FileSystem.JOB_GRID;
            case ZONED -> FileSystem.JOB_GRID_ZONED;
            case GROUND -> FileSystem.JOB_GROUND;
            case LAT_LON -> FileSystem.LAT_LON;
            default -> system.matches("EPSG:\\d+") ? new FileSystem.Published(system) : new FileSystem.Defined(system);
        };
    }
}
