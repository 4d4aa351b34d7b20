package verge.app.system;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * Writes the list that the search of systems looks through: run by the build, never by the application, because opening the dataset
 * takes seconds.
 *
 * <p>One line a system, parted by tabs: code, kind, name, other names, areas, boxes (south west north east), unit, method, deprecated.
 */
public final class CatalogueMaker {
    private static final String DATASET = "jdbc:derby:classpath:SIS-DATA/Databases/SpatialMetadata";
    private static final String SYSTEMS = """
            select c.COORD_REF_SYS_CODE, c.COORD_REF_SYS_KIND, c.COORD_REF_SYS_NAME, c.DEPRECATED, u.UNIT_OF_MEAS_NAME, \
            m.COORD_OP_METHOD_NAME
            from EPSG."Coordinate Reference System" c
            join EPSG."Coordinate Axis" a on a.COORD_SYS_CODE = c.COORD_SYS_CODE and a.COORD_AXIS_ORDER = 1
            join EPSG."Unit of Measure" u on u.UOM_CODE = a.UOM_CODE
            left join EPSG."Coordinate_Operation" o on o.COORD_OP_CODE = c.PROJECTION_CONV_CODE
            left join EPSG."Coordinate_Operation Method" m on m.COORD_OP_METHOD_CODE = o.COORD_OP_METHOD_CODE
            where c.COORD_REF_SYS_KIND in ('projected', 'geographic 2D')""";
    private static final String AREAS = """
            select g.OBJECT_CODE, e.EXTENT_DESCRIPTION, e.BBOX_SOUTH_BOUND_LAT, e.BBOX_WEST_BOUND_LON, e.BBOX_NORTH_BOUND_LAT, \
            e.BBOX_EAST_BOUND_LON
            from EPSG."Usage" g join EPSG."Extent" e on e.EXTENT_CODE = g.EXTENT_CODE
            where g.OBJECT_TABLE_NAME = 'Coordinate Reference System'""";
    private static final String NAMES = """
            select OBJECT_CODE, ALIAS from EPSG."Alias" where OBJECT_TABLE_NAME = 'Coordinate Reference System'""";

    private CatalogueMaker() {
    }

    private static final class Row {
        private String kind = "";
        private String name = "";
        private final Set<String> names = new LinkedHashSet<>();
        private final Set<String> areas = new LinkedHashSet<>();
        private final Set<String> boxes = new LinkedHashSet<>();
        private String unit = "";
        private String method = "";
        private boolean deprecated;
    }

    /** @param arguments the file to write */
    public static void main(String[] arguments) throws SQLException, IOException {
        Path file = Path.of(arguments[0]);
        if (Files.exists(file)) {
            return;   // the dataset's version is pinned: what was made from it does not age
        }
        System.setProperty("derby.stream.error.method", "java.io.OutputStream.nullOutputStream");
        Files.createDirectories(file.getParent());
        Map<Integer, Row> rows = new TreeMap<>();
        try (Connection connection = DriverManager.getConnection(DATASET); Statement sql = connection.createStatement()) {
            read(sql, SYSTEMS, r -> {
                Row row = rows.computeIfAbsent(r.getInt(1), code -> new Row());
                row.kind = r.getString(2).startsWith("projected") ? "plane" : "lat-lon";
                row.name = r.getString(3);
                row.deprecated = r.getBoolean(4);
                row.unit = r.getString(5);
                row.method = r.getString(6) == null ? "" : r.getString(6);
            });
            read(sql, AREAS, r -> {
                Row row = rows.get(r.getInt(1));
                if (row != null) {
                    row.areas.add(r.getString(2));
                    row.boxes.add(String.format(Locale.ROOT, "%.2f %.2f %.2f %.2f", r.getDouble(3), r.getDouble(4), r.getDouble(5),
                            r.getDouble(6)));
                }
            });
            read(sql, NAMES, r -> {
                Row row = rows.get(r.getInt(1));
                if (row != null && !r.getString(2).equals(row.name)) {
                    row.names.add(r.getString(2));
                }
            });
        }
        StringBuilder text = new StringBuilder();
        rows.forEach((code, row) -> text.append(String.join("\t", "EPSG:" + code, row.kind, plain(row.name),
                plain(String.join("; ", row.names)),
                plain(String.join(" ", row.areas)), String.join(";", row.boxes), plain(row.unit), plain(row.method),
                row.deprecated ? "deprecated" : "")).append('\n'));
        Files.writeString(file, text);
    }

    private static String plain(String text) {
        return text.replaceAll("\\s+", " ").strip();
    }

    private interface Reader {
        void read(ResultSet row) throws SQLException;
    }

    private static void read(Statement sql, String query, Reader reader) throws SQLException {
        try (ResultSet result = sql.executeQuery(query)) {
            while (result.next()) {
                reader.read(result);
            }
        }
    }
}
