package verge.formats.geoid;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import verge.core.geodesy.GeoidGrid;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * GTX: forty bytes of heading (lower left corner, steps, rows, columns), then single-precision values row by row from the south, all
 * big-endian.
 */
public final class Gtx {
    static final int HEADING_BYTES = 40;
    /** What the format writes where it has no value. */
    private static final float NO_VALUE = -88.8888f;

    private Gtx() {
    }

    /** @throws SurveyException NOT_A_GEOID_GRID or GEOID_GRID_TRUNCATED */
    public static GeoidGrid read(byte[] bytes, String name) {
        if (bytes.length < HEADING_BYTES) {
            throw new SurveyException(Problem.NOT_A_GEOID_GRID, name);
        }
        ByteBuffer in = ByteBuffer.wrap(bytes).order(ByteOrder.BIG_ENDIAN);
        GeoidGrid.Frame frame = frame(in, name);
        long wanted = HEADING_BYTES + 4L * frame.rows() * frame.columns();
        if (bytes.length < wanted) {
            throw new SurveyException(Problem.GEOID_GRID_TRUNCATED, name, (long) bytes.length, wanted);
        }
        float[] values = new float[frame.rows() * frame.columns()];
        for (int i = 0; i < values.length; i++) {
            float value = in.getFloat();
            values[i] = Math.abs(value - NO_VALUE) < 1e-3f ? Float.NaN : value;
        }
        GeoidFile.requireUndulations(values, name);
        return new GeoidGrid(frame, values);
    }

    private static GeoidGrid.Frame frame(ByteBuffer in, String name) {
        double south = in.getDouble();
        double west = in.getDouble();
        double latitudeStep = in.getDouble();
        double longitudeStep = in.getDouble();
        int rows = in.getInt();
        int columns = in.getInt();
        try {
            if (rows > 0 && columns > 0 && (long) rows * columns <= GeoidFile.MOST_NODES && Math.abs(west) <= 360) {
                return new GeoidGrid.Frame(south, west, latitudeStep, longitudeStep, rows, columns);
            }
        } catch (IllegalArgumentException noFrame) {
            // told below
        }
        throw new SurveyException(Problem.NOT_A_GEOID_GRID, name);
    }
}
