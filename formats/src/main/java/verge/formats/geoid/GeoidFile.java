package verge.formats.geoid;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import verge.core.geodesy.GeoidGrid;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.formats.reading.Watch;

/** Geoid models in files: GTX or GeoTIFF, told apart by what is in them. */
public final class GeoidFile {
    /** N lies within 110 m everywhere on earth; what is beyond is no geoid in metres. */
    static final double FARTHEST_METRES = 120;
    /** The earth at two and a half minutes of arc; 160 MB of memory. */
    static final int MOST_NODES = 40_000_000;
    private static final int MAGIC_BYTES = 4;

    private GeoidFile() {
    }

    /** @throws SurveyException NOT_A_GEOID_GRID, GEOID_GRID_TRUNCATED, FILE_TOO_MUCH or READING_STOPPED */
    public static GeoidGrid read(Path file, Watch watch) throws IOException {
        byte[] magic;
        try (InputStream in = Files.newInputStream(file)) {
            magic = in.readNBytes(MAGIC_BYTES);
        }
        boolean tiff = Arrays.equals(magic, new byte[] {'I', 'I', 42, 0}) || Arrays.equals(magic, new byte[] {'M', 'M', 0, 42});
        if (!tiff && Files.size(file) > MOST_NODES * (long) Float.BYTES + Gtx.HEADING_BYTES) {
            throw new SurveyException(Problem.FILE_TOO_MUCH, watch.fileName(), "nodes", MOST_NODES);
        }
        return tiff ? GeoTiffGeoid.read(file, watch) : Gtx.read(Files.readAllBytes(file), watch.fileName());
    }

    /** @throws SurveyException NOT_A_GEOID_GRID if any value cannot be an undulation in metres */
    static void requireUndulations(float[] values, String name) {
        boolean any = false;
        for (float value : values) {
            if (Math.abs(value) > FARTHEST_METRES) {
                throw new SurveyException(Problem.NOT_A_GEOID_GRID, name);
            }
            any |= !Float.isNaN(value);
        }
        if (!any) {
            throw new SurveyException(Problem.NOT_A_GEOID_GRID, name);
        }
    }
}
