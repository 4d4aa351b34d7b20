package verge.app.sketch;

import java.util.UUID;
import verge.core.coding.Codebook;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;

/**
 * A point as the sketch draws it. Coordinates are metres of the grid: the page places the mark with them and shows no figure of its own.
 *
 * @param mark what it is: control, measured, design or staked
 * @param marker shape of a measured point by its code
 */
public record SketchPoint(UUID entry, String name, String code, String mark, String marker, double north, double east) {
    public static SketchPoint of(StoredPoint point, Codebook book) {
        String marker = point.origin() != Origin.MEASURED ? "" : book.marker(point.code()).name();
        return new SketchPoint(point.entry(), point.name().text(), point.code().text(), point.origin().name(), marker,
                point.position().plan().northing(), point.position().plan().easting());
    }
}
