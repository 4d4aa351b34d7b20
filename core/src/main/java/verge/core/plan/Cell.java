package verge.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verge.core.geodesy.GridPoint;

/**
 * One square of a net over the grid, by which what lies near is found without looking at all.
 *
 * @param north @param east how many squares from the grid's origin
 */
public record Cell(int north, int east) {
    /** As far as what is on a site lies apart: a few points to a square. */
    public static final double METRES = 50;

    public static Cell of(GridPoint place) {
        return new Cell(number(place.northing()), number(place.easting()));
    }

    private static int number(double metres) {
        return (int) Math.floor(metres / METRES);
    }

    /** The squares that a box lies on; empty if they are more than can be gone through, or the box lies nowhere. */
    public static Optional<List<Cell>> under(Extent box, int most) {
        double squares = box.isEmpty() ? Double.NaN : ((box.north() - box.south()) / METRES + 2) * ((box.east() - box.west()) / METRES + 2);
        if (!(squares <= most)) {
            return Optional.empty();
        }
        List<Cell> all = new ArrayList<>();
        for (int n = number(box.south()); n <= number(box.north()); n++) {
            for (int e = number(box.west()); e <= number(box.east()); e++) {
                all.add(new Cell(n, e));
            }
        }
        return Optional.of(all);
    }

    public Extent extent() {
        return new Extent(north * METRES, east * METRES, (north + 1) * METRES, (east + 1) * METRES);
    }
}
