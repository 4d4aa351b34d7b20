package verge.formats.geopackage;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import mil.nga.geopackage.GeoPackage;
import mil.nga.geopackage.GeoPackageManager;
import mil.nga.geopackage.features.user.FeatureDao;
import mil.nga.geopackage.features.user.FeatureResultSet;
import mil.nga.geopackage.features.user.FeatureRow;
import mil.nga.geopackage.srs.SpatialReferenceSystem;
import mil.nga.sf.CircularString;
import mil.nga.sf.Geometry;
import mil.nga.sf.GeometryCollection;
import mil.nga.sf.LineString;
import mil.nga.sf.MultiPoint;
import mil.nga.sf.Point;
import mil.nga.sf.Polygon;
import verge.core.drawing.FileSystem;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.MapProjection;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.DatumShift;
import verge.core.geodesy.system.PublishedSystems;
import verge.core.geodesy.system.SystemText;
import verge.core.plan.Vertices;
import verge.core.problem.SurveyException;
import verge.formats.reading.Declared;
import verge.formats.reading.FileKind;
import verge.formats.reading.Gatherer;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Report.Why;
import verge.formats.reading.Shapes;
import verge.formats.reading.Watch;

/** Reads the vector layers of a GeoPackage (an OGC standard), through a library that knows the format. */
public final class GeoPackageReader {
    private static final int ROWS_BETWEEN_LOOKS = 200;

    private long rowsRead;
    private final Gatherer out;
    private final Shapes shapes;
    /** Brings a row of the layer that is being read to the system of all. */
    private UnaryOperator<Vertices> brought = UnaryOperator.identity();

    private GeoPackageReader(Gatherer out) {
        this.out = out;
        this.shapes = new Shapes(out);
    }

    public static ReadFile read(Path file, Watch watch) throws IOException {
        Gatherer out = new Gatherer(watch);
        // Without checks of name and writing: the original lies under its digest and is never touched.
        try (GeoPackage pack = GeoPackageManager.open(false, file.toFile(), false)) {
            Optional<FileSystem> system = new GeoPackageReader(out).layers(pack);
            return out.result(FileKind.GEOPACKAGE, system.filter(FileSystem.LatLon.class::isInstance).map(s -> Declared.LAT_LON)
                    .orElse(Declared.eastNorth(system, Optional.empty())));
        } catch (SurveyException known) {
            throw known;
        } catch (RuntimeException | SQLException broken) {   // the library wraps whatever a damaged database makes of its tables
            throw watch.damaged("its tables");
        }
    }

    /** Reads all layers; where they are in several systems, all are brought to latitude and longitude, since a drawing has one. */
    private Optional<FileSystem> layers(GeoPackage pack) throws SQLException {
        List<String> tables = pack.getFeatureTables();
        out.limit("layers", tables.size(), Gatherer.MOST_LAYERS);
        Map<String, Optional<FileSystem>> systems = new LinkedHashMap<>();
        for (String table : tables) {
            try {
                systems.put(table, system(pack.getFeatureDao(table).getSrs()));
            } catch (RuntimeException missing) {   // the library's word for a table that is announced and is not there
                out.leaveOut("layer", Why.NOT_IN_FILE, table);
            }
        }
        if (systems.isEmpty() && !tables.isEmpty()) {
            throw out.watch().damaged("its tables");
        }
        boolean several = systems.values().stream().distinct().count() > 1;
        for (Map.Entry<String, Optional<FileSystem>> table : systems.entrySet()) {
            Optional<UnaryOperator<Vertices>> way = several ? table.getValue()
                    .flatMap(GeoPackageReader::toDegrees) : Optional.of(UnaryOperator.identity());
            if (way.isEmpty()) {
                out.leaveOut("layer \u2018" + table.getKey() + "\u2019 in a system of its own", Why.NOT_READ, table.getKey());
                continue;
            }
            brought = way.get();
            read(pack.getFeatureDao(table.getKey()), table.getKey());
        }
        return several ? Optional.of(FileSystem.LAT_LON) : systems.values().stream().findFirst().flatMap(s -> s);
    }

    /** From a system's plane to degrees on WGS 84; empty if there is no way. */
    private static Optional<UnaryOperator<Vertices>> toDegrees(FileSystem system) {
        if (system instanceof FileSystem.LatLon) {
            return Optional.of(UnaryOperator.identity());
        }
        try {
            CoordinateSystem found = system instanceof FileSystem.Published p ? PublishedSystems.find(p.code())
                    : SystemText.read(((FileSystem.Defined) system).wkt());
            if (found instanceof CoordinateSystem.Projected projected) {
                MapProjection projection = SystemText.projection(projected);
                DatumShift shift = projected.toWgs84().orElse(DatumShift.NONE);
                return Optional.of(row -> row.placed((values, at) -> {
                    Geographic own = projection.geographic(new GridPoint(values[at] * projection.metresPerUnit(),
                            values[at + 1] * projection.metresPerUnit()));
                    Geographic there = shift.toWgs84(new EarthPlace(own, new EllipsoidHeight(0)), projection.ellipsoid()).position();
                    values[at] = there.latitude().degrees();
                    values[at + 1] = there.longitude().degrees();
                }));
            }
            return Optional.empty();
        } catch (SurveyException unknown) {
            return Optional.empty();
        }
    }

    private static Optional<FileSystem> system(SpatialReferenceSystem srs) {
        if (srs.getSrsId() <= 0) {
            return srs.getSrsId() == 0 ? Optional.of(FileSystem.LAT_LON) : Optional.empty();
        }
        if (srs.getOrganization().equalsIgnoreCase("EPSG")) {
            return Optional.of(srs.getOrganizationCoordsysId() == 4326 ? FileSystem.LAT_LON
                    : new FileSystem.Published("EPSG:" + srs.getOrganizationCoordsysId()));
        }
        return Optional.of(new FileSystem.Defined(srs.getDefinition()));
    }

    private void read(FeatureDao layer, String table) {
        FeatureResultSet rows = layer.queryForAll();
        try {
            while (rows.moveToNext()) {
                rowsRead++;
                readable(rows).ifPresentOrElse(row -> thing(row, table),
                        () -> out.leaveOut("row", Why.NO_SHAPE, table + ", row " + rowsRead));
                if (rowsRead % ROWS_BETWEEN_LOOKS == 0) {
                    out.watch().goOn();
                }
            }
        } finally {
            rows.close();
        }
    }

    /** A shape that cannot be read is one row's misfortune. */
    private static Optional<FeatureRow> readable(FeatureResultSet rows) {
        try {
            return Optional.of(rows.getRow());
        } catch (RuntimeException damaged) {
            return Optional.empty();
        }
    }

    private void thing(FeatureRow row, String table) {
        String where = table + " " + row.getId();
        Geometry geometry = row.getGeometryValue();
        Shapes.Attributes about = new Shapes.Attributes(attributes(row));
        if (geometry == null || geometry.isEmpty()) {
            out.leaveOut("row", Why.NO_SHAPE, where);
        } else {
            shape(geometry, out.layer(about.layer().isEmpty() ? table : about.layer()), about, where);
        }
    }

    private static Map<String, String> attributes(FeatureRow row) {
        Map<String, String> found = new HashMap<>();
        for (String column : row.getColumnNames()) {
            if (!column.equals(row.getGeometryColumnName()) && row.getColumnIndex(column) != row.getPkColumnIndex()
                    && row.getValue(column) != null) {
                found.put(Shapes.Attributes.key(column), row.getValue(column).toString());
            }
        }
        return found;
    }

    private void shape(Geometry geometry, int layer, Shapes.Attributes about, String where) {
        String kind = geometry.getGeometryType().getName().toLowerCase(Locale.ROOT);
        if (geometry instanceof CircularString) {
            out.leaveOut(kind, Why.NOT_READ, where);   // to the library it is a row of places like another
        } else if (geometry instanceof Point point) {
            shapes.points(kind, layer, about, row(List.of(point)), where);
        } else if (geometry instanceof MultiPoint points) {
            shapes.points(kind, layer, about, row(points.getPoints()), where);
        } else if (geometry instanceof LineString line) {
            shapes.line(kind, layer, about, row(line.getPoints()), where);
        } else if (geometry instanceof Polygon polygon) {
            polygon.getRings().forEach(ring -> shapes.line(kind, layer, about, row(ring.getPoints()), where));
        } else if (geometry instanceof GeometryCollection<?> several) {
            several.getGeometries().forEach(part -> shape(part, layer, about, where));
        } else {
            out.leaveOut(kind, Why.NOT_READ, where);
        }
    }

    private Vertices row(List<Point> points) {
        out.checkGrowth(points.size());
        Vertices.Builder row = new Vertices.Builder();
        points.forEach(p -> row.add(p.getY(), p.getX(), p.getZ() == null ? Double.NaN : p.getZ()));
        return brought.apply(row.build());
    }
}
