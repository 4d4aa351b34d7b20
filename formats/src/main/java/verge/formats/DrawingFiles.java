package verge.formats;

import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.formats.dxf.DxfReader;
import verge.formats.geojson.GeoJsonReader;
import verge.formats.geopackage.GeoPackageReader;
import verge.formats.kml.KmlReader;
import verge.formats.landxml.LandXmlReader;
import verge.formats.reading.FileKind;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Watch;
import verge.formats.shapefile.ShapefileReader;

/** The one door to all readers of drawings: which reader a file is for is found from its bytes. */
public final class DrawingFiles {
    private DrawingFiles() {
    }

    /**
     * Reads a file that says itself how it is to be read. Tables of text do not and have a reader of their own.
     *
     * @throws SurveyException FILE_KIND_UNKNOWN, FILE_BINARY_DRAWING, FILE_CLOSED_DRAWING, FILE_DAMAGED, FILE_HAS_ENTITIES,
     *     FILE_ARCHIVE_UNSAFE, FILE_TOO_MUCH, FILE_NOTHING_READ or READING_STOPPED
     */
    public static ReadFile read(Path file, Watch watch) throws IOException {
        try {
            FileKind kind = FileKind.of(file);
            return switch (kind) {
                case DXF -> DxfReader.read(file, watch);
                case LANDXML -> LandXmlReader.read(file, watch);
                case GEOJSON -> GeoJsonReader.read(file, watch);
                case GEOPACKAGE -> GeoPackageReader.read(file, watch);
                case KML -> KmlReader.read(file, watch);
                case KMZ -> KmlReader.readArchive(file, watch);
                case SHAPEFILE -> zipped(file) ? ShapefileReader.readArchive(file, watch) : ShapefileReader.read(file, watch);
                case BINARY_DXF -> throw new SurveyException(Problem.FILE_BINARY_DRAWING, watch.fileName());
                case CLOSED_DRAWING -> throw new SurveyException(Problem.FILE_CLOSED_DRAWING, watch.fileName());
                case TABLE, CODEBOOK, XML, ZIP,
                        BINARY -> throw new SurveyException(Problem.FILE_KIND_UNKNOWN, watch.fileName(), kind.title());
            };
        } catch (EOFException brokenOff) {
            throw watch.damaged("its end");
        }
    }

    private static boolean zipped(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            return in.read() == 'P';
        }
    }
}
