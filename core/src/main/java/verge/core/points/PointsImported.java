package verge.core.points;

import java.util.ArrayList;
import java.util.List;
import verge.core.journal.Payload;

/**
 * @param origin CONTROL or DESIGN
 * @param sha256 of the file's bytes, in hexadecimal
 */
public record PointsImported(Origin origin, String fileName, String sha256, List<NamedPosition> points) implements Payload {
    public PointsImported {
        points = List.copyOf(points);
    }

    /** The same with another point in the place of one. */
    public PointsImported with(int place, NamedPosition other) {
        List<NamedPosition> all = new ArrayList<>(points);
        all.set(place, other);
        return new PointsImported(origin, fileName, sha256, all);
    }
}
