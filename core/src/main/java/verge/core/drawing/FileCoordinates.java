package verge.core.drawing;

import java.util.Objects;
import verge.core.plan.Placement;
import verge.core.units.PlanAxes;

/**
 * How the coordinates of a file are meant: found in the file or said by a person.
 *
 * @param unit of lengths and heights
 * @param axes order and sense. A drawing has its first coordinate along its x axis: to the east where the order is easting first
 * @param heights which kind of height the file has, if its heights count
 */
public record FileCoordinates(FileSystem system, FileUnit unit, PlanAxes axes, Heights heights) {
    /** What a file's heights are. */
    public enum Heights {
        ELEVATIONS,
        /** Above the ellipsoid; brought down by the job's geoid. */
        ABOVE_ELLIPSOID,
        /** Zeros that stand for nothing, or figures that are not to be trusted. */
        NOT_MEANT
    }

    public FileCoordinates {
        Objects.requireNonNull(system, "system");
        Objects.requireNonNull(unit, "unit");
        Objects.requireNonNull(axes, "axes");
        Objects.requireNonNull(heights, "heights");
    }

    /** What a zone's number is counted in, in metres of easting. */
    private static final double ZONE_METRES = 1e6;

    public FileCoordinates with(FileSystem other) {
        return new FileCoordinates(other, unit, axes, heights);
    }

    public FileCoordinates with(PlanAxes other) {
        return new FileCoordinates(system, unit, other, heights);
    }

    public FileCoordinates with(FileUnit other) {
        return new FileCoordinates(system, other, axes, heights);
    }

    public FileCoordinates with(Heights other) {
        return new FileCoordinates(system, unit, axes, other);
    }

    /**
     * From what a file of plane coordinates has to metres, north and east positive. A drawing as read holds its first written
     * coordinate as northing where its order is northing first, so that only a file with another order than its format's usual one
     * is turned over.
     *
     * @param asRead the order in which the reader took the two
     */
    public Placement toGrid(PlanAxes.Order asRead) {
        return turned(asRead, unit.metresPerUnit());
    }

    /** The same for a file of another system, whose figures keep their unit: only order, sense and whether heights count. */
    public Placement asMeant(PlanAxes.Order asRead) {
        return turned(asRead, 1);
    }

    private Placement turned(PlanAxes.Order asRead, double toMetres) {
        boolean swap = axes.order() != asRead;
        boolean zoned = system instanceof FileSystem.JobGridZoned;
        return new Placement() {
            @Override
            public void place(double[] values, int at) {
                double north = swap ? values[at + 1] : values[at];
                double east = swap ? values[at] : values[at + 1];
                values[at] = north * toMetres * axes.northSign() + 0.0;
                double eastMetres = east * toMetres * axes.eastSign() + 0.0;
                values[at + 1] = zoned ? eastMetres % ZONE_METRES : eastMetres;
                values[at + 2] = heights == Heights.NOT_MEANT ? Double.NaN : values[at + 2] * toMetres;
            }

            @Override
            public boolean mirrors() {
                return swap ^ axes.southwards() ^ axes.westwards();
            }
        };
    }
}
