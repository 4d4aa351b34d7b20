package verge.formats.geopackage;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import mil.nga.geopackage.GeoPackage;
import mil.nga.geopackage.GeoPackageManager;
import mil.nga.geopackage.features.user.FeatureDao;
import mil.nga.geopackage.features.user.FeatureResultSet;
import mil.nga.geopackage.features.user.FeatureRow;
import mil.nga.geopackage.srs.SpatialReferenceSystem;
import mil.nga.sf.Geometry;
import mil.nga.sf.GeometryCollection;
import mil.nga.sf.LineString;
import mil.nga.sf.MultiPoint;
import mil.nga.sf.Point;
import mil.nga.sf.Polygon;
import verge.core.drawing.FileSystem;
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
    private final Gatherer out;
    private final Shapes shapes;

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

    /** Reads all layers of the first layer's system; layers in another are left out, since a drawing has one. */
    private Optional<FileSystem> layers(GeoPackage pack) throws SQLException {
        Optional<FileSystem> system = Optional.empty();
        Long first = null;
        List<String> tables = pack.getFeatureTables();
        out.limit("layers", tables.size(), Gatherer.MOST_LAYERS);
        for (String table : tables) {
            FeatureDao layer = pack.getFeatureDao(table);
            SpatialReferenceSystem srs = layer.getSrs();
            first = first == null ? srs.getSrsId() : first;
            if (srs.getSrsId() != first) {
                out.leaveOut("layer \u2018" + table + "\u2019 in " + srs.getSrsName(), Why.NOT_READ, table);
                continue;
            }
            system = system(srs);
            read(layer, table);
        }
        return system;
    }

    private static Optional<FileSystem> system(SpatialReferenceSystem srs) {
        if (srs.getSrsId() <= 0) {
            return srs.getSrsId() == 0 ? Optional.of(FileSystem.LAT_LON) : Optional.empty();
        }
        if (srs.getOrganization().equalsIgnoreCase("EPSG")) {
            return Optional.of(srs.getOrganizationCoordsysId() == 4326 ? FileSystem.LAT_LON : new FileSystem.Published("EPSG:" + srs.getOrganizationCoordsysId()));
        }
        return Optional.of(new FileSystem.Defined(srs.getDefinition()));
    }

    private void read(FeatureDao layer, String table) {
        FeatureResultSet rows = layer.queryForAll();
        try {
            while (rows.moveToNext()) {
                FeatureRow row = rows.getRow();
                String where = table + " " + row.getId();
                Geometry geometry = row.getGeometryValue();
                Shapes.Attributes about = new Shapes.Attributes(attributes(row));
                if (geometry == null || geometry.isEmpty()) {
                    out.leaveOut("row", Why.NO_SHAPE, where);
                } else {
                    shape(geometry, out.layer(about.layer().isEmpty() ? table : about.layer()), about, where);
                }
            }
        } finally {
            rows.close();
        }
    }

    private static Map<String, String> attributes(FeatureRow row) {
        Map<String, String> found = new HashMap<>();
        for (String column : row.getColumnNames()) {
            if (!column.equals(row.getGeometryColumnName()) && row.getValue(column) != null) {
                found.put(Shapes.Attributes.key(column), row.getValue(column).toString());
            }
        }
        return found;
    }

    private void shape(Geometry geometry, int layer, Shapes.Attributes about, String where) {
        String kind = geometry.getGeometryType().getName().toLowerCase(Locale.ROOT);
        if (geometry instanceof Point point) {
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
        return row.build();
    }
}
