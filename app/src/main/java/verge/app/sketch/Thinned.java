package verge.app.sketch;

import java.util.DoubleSummaryStatistics;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import verge.core.geodesy.GridPoint;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;

/**
 * Points thinned to what can be told apart: of each origin one in each cell.
 *
 * @param cell its side in metres; 0 if none is left out
 */
record Thinned(List<StoredPoint> points, double cell) {
    /** No more than so many are sent at once. */
    static final int MOST = 20_000;
    private static final int CELLS_A_SIDE = 120;

    private record Cell(Origin origin, long row, long column) {
    }

    /** All of them if they are few; else as many as can be told apart when all are looked at. */
    static Thinned of(List<StoredPoint> points) {
        if (points.size() <= MOST) {
            return new Thinned(points, 0);
        }
        double north = span(points.stream().mapToDouble(p -> p.position().plan().northing()).summaryStatistics());
        double east = span(points.stream().mapToDouble(p -> p.position().plan().easting()).summaryStatistics());
        return of(points, Math.max(1e-3, Math.max(north, east) / CELLS_A_SIDE));
    }

    private static double span(DoubleSummaryStatistics of) {
        return of.getMax() - of.getMin();
    }

    /** @param least cell to begin with; a larger one is taken if too many would be left */
    static Thinned of(List<StoredPoint> points, double least) {
        if (points.size() <= MOST) {
            return new Thinned(points, 0);
        }
        double cell = least;
        List<StoredPoint> kept = kept(points, cell);
        while (kept.size() > MOST) {
            cell *= 2;
            kept = kept(points, cell);
        }
        return new Thinned(kept, cell);
    }

    private static List<StoredPoint> kept(List<StoredPoint> points, double cell) {
        Set<Cell> taken = new HashSet<>();
        return points.stream().filter(p -> taken.add(cell(p.origin(), p.position().plan(), cell))).toList();
    }

    private static Cell cell(Origin origin, GridPoint at, double side) {
        return new Cell(origin, (long) Math.floor(at.northing() / side), (long) Math.floor(at.easting() / side));
    }
}
