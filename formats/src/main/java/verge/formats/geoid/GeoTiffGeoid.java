package verge.formats.geoid;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.SeekableByteChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;
import mil.nga.tiff.FieldTagType;
import mil.nga.tiff.FileDirectory;
import mil.nga.tiff.Rasters;
import mil.nga.tiff.TiffReader;
import mil.nga.tiff.util.TiffException;
import verge.core.geodesy.GeoidGrid;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.formats.reading.Watch;

/** A geoid model as the first band of a north-up GeoTIFF in degrees. */
final class GeoTiffGeoid {
    private static final int RASTER_TYPE_KEY = 1025;
    private static final int PIXEL_IS_POINT = 2;
    private static final int KEY_WORDS = 4;
    /** Both numbers that stand for deflation. */
    private static final Set<Integer> DEFLATED = Set.of(8, 32_946);
    private static final Pattern ASKED = Pattern.compile("<Item name=\"interpolation_method\"[^>]*>\\s*([A-Za-z]+)\\s*</Item>");

    private GeoTiffGeoid() {
    }

    static GeoidGrid read(Path file, Watch watch) throws IOException {
        String name = watch.fileName();
        try {
            FileDirectory directory = TiffReader.readTiff(file.toFile()).getFileDirectory();
            List<Double> scale = directory.getModelPixelScale();
            List<Double> tie = directory.getModelTiepoint();
            if (scale == null || scale.size() < 2 || tie == null || tie.size() < 6) {
                throw new SurveyException(Problem.NOT_A_GEOID_GRID, name);
            }
            requireWhole(file, directory, watch);
            Rasters raster = directory.readRasters();
            int columns = raster.getWidth();
            int rows = raster.getHeight();
            double half = pixelIsPoint(directory) ? 0 : 0.5;
            double west = tie.get(3) + (half - tie.get(0)) * scale.get(0);
            double north = tie.get(4) - (half - tie.get(1)) * scale.get(1);
            float[] values = values(raster, noValue(directory));
            GeoidFile.requireUndulations(values, name);
            return new GeoidGrid(new GeoidGrid.Frame(north - scale.get(1) * (rows - 1), west, scale.get(1), scale.get(0), rows, columns),
                    values, between(directory, name));
        } catch (IndexOutOfBoundsException | NegativeArraySizeException cut) {
            throw new SurveyException(Problem.GEOID_GRID_TRUNCATED, name, file.toFile().length(), 0L);
        } catch (TiffException | IllegalArgumentException | NullPointerException notReadable) {   // the library's answers to a broken file
            throw new SurveyException(Problem.NOT_A_GEOID_GRID, name);
        }
    }

    /** What is packed by deflation must unpack to its end: the library would wait for the rest of a piece that is cut short, for ever. */
    private static void requireWhole(Path file, FileDirectory directory, Watch watch) throws IOException {
        String name = watch.fileName();
        long nodes = directory.getImageWidth().longValue() * directory.getImageHeight().longValue();
        if (nodes <= 0) {
            throw new SurveyException(Problem.NOT_A_GEOID_GRID, name);
        }
        if (nodes > GeoidFile.MOST_NODES) {
            throw new SurveyException(Problem.FILE_TOO_MUCH, name, "nodes", GeoidFile.MOST_NODES);
        }
        if (!DEFLATED.contains(directory.getCompression())) {
            return;
        }
        List<? extends Number> offsets = directory.isTiled() ? directory.getTileOffsets() : directory.getStripOffsets();
        List<? extends Number> counts = directory.isTiled() ? directory.getTileByteCounts() : directory.getStripByteCounts();
        try (SeekableByteChannel bytes = Files.newByteChannel(file)) {
            for (int i = 0; i < offsets.size(); i++) {
                long count = counts.get(i).longValue();
                if (count < 0 || offsets.get(i).longValue() + count > bytes.size()) {
                    throw new SurveyException(Problem.GEOID_GRID_TRUNCATED, name, bytes.size(), offsets.get(i).longValue() + count);
                }
                ByteBuffer piece = ByteBuffer.allocate((int) Math.min(count, Integer.MAX_VALUE - 8));
                bytes.position(offsets.get(i).longValue());
                while (piece.hasRemaining() && bytes.read(piece) >= 0) {
                    continue;
                }
                requireUnpacks(piece.flip(), watch, bytes.size());
            }
        }
    }

    private static void requireUnpacks(ByteBuffer piece, Watch watch, long size) {
        String name = watch.fileName();
        Inflater inflater = new Inflater();
        try {
            inflater.setInput(piece);
            byte[] into = new byte[1 << 16];
            while (!inflater.finished()) {
                watch.goOn();
                if (inflater.inflate(into) == 0 && !inflater.finished() && (inflater.needsInput() || inflater.needsDictionary())) {
                    throw new SurveyException(Problem.GEOID_GRID_TRUNCATED, name, size, 0L);
                }
                if (inflater.getBytesWritten() > GeoidFile.MOST_NODES * (long) Double.BYTES) {
                    throw new SurveyException(Problem.NOT_A_GEOID_GRID, name);
                }
            }
        } catch (DataFormatException damaged) {
            throw new SurveyException(Problem.NOT_A_GEOID_GRID, name);
        } finally {
            inflater.end();
        }
    }

    private static boolean pixelIsPoint(FileDirectory directory) {
        List<Number> keys = directory.getNumberListEntryValue(FieldTagType.GeoKeyDirectory);
        for (int i = KEY_WORDS; keys != null && i + KEY_WORDS <= keys.size(); i += KEY_WORDS) {
            if (keys.get(i).intValue() == RASTER_TYPE_KEY) {
                return keys.get(i + 3).intValue() == PIXEL_IS_POINT;
            }
        }
        return false;
    }

    /** How its maker asks for values between nodes; most do not say, and mean straight. */
    private static GeoidGrid.Between between(FileDirectory directory, String name) {
        String about = directory.getStringEntryValue(FieldTagType.GDAL_METADATA);
        Matcher asked = ASKED.matcher(about == null ? "" : about);
        String method = asked.find() ? asked.group(1).toLowerCase(Locale.ROOT) : "bilinear";
        return switch (method) {
            case "bilinear" -> GeoidGrid.Between.BILINEAR;
            case "bicubic" -> GeoidGrid.Between.BICUBIC;
            default -> throw new SurveyException(Problem.GEOID_METHOD_UNKNOWN, name, method);
        };
    }

    private static double noValue(FileDirectory directory) {
        String text = directory.getStringEntryValue(FieldTagType.GDAL_NODATA);
        try {
            return text == null ? Double.NaN : Double.parseDouble(text.strip());
        } catch (NumberFormatException words) {
            return Double.NaN;
        }
    }

    /** Turned over: the file begins in the north. */
    private static float[] values(Rasters raster, double noValue) {
        int columns = raster.getWidth();
        int rows = raster.getHeight();
        float[] values = new float[rows * columns];
        for (int y = 0; y < rows; y++) {
            for (int x = 0; x < columns; x++) {
                double value = raster.getFirstPixelSample(x, y).doubleValue();
                values[(rows - 1 - y) * columns + x] = value == noValue ? Float.NaN : (float) value;
            }
        }
        return values;
    }
}
