package verge.core.check;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Hull;
import verge.core.plan.Cell;
import verge.core.plan.Extent;
import verge.core.points.JobPoints;
import verge.core.units.Length;

/**
 * How many of a job's points lie outside the marks that it is localised by. What lies well inside or well outside is counted by squares, so
 * that only the points on the way from one to the other are looked at, and the farthest.
 *
 * @param farthest by how much the farthest lies outside
 */
record Beyond(int points, Length farthest) {
    private static final double HALF_DIAGONAL = Cell.METRES * Math.sqrt(0.5);

    /** A square, and how far its middle lies outside: no place in it lies farther or nearer than by half its diagonal. */
    private record Square(Cell cell, double middle) {
        private boolean isAllBeyond() {
            return middle > HALF_DIAGONAL;
        }
    }

    static Beyond of(JobPoints points, Hull hull) {
        List<Square> squares = points.placed().cells().keySet().stream().map(c -> new Square(c, hull.beyond(c.extent().middle())))
                .sorted(Comparator.comparingDouble(Square::middle).reversed()).toList();
        int beyond = 0;
        double farthest = 0;
        for (Square square : squares) {
            if (square.isAllBeyond()) {
                beyond += points.placed().count(square.cell());
            }
            if (square.isAllBeyond() ? square.middle() + HALF_DIAGONAL > farthest : !isWithin(hull, square.cell().extent())) {
                List<Double> each = points.in(square.cell()).stream().map(p -> hull.beyond(p.position().plan())).filter(m -> m > 0)
                        .toList();
                beyond += square.isAllBeyond() ? 0 : each.size();
                farthest = Math.max(farthest, each.stream().mapToDouble(m -> m).max().orElse(0));
            }
        }
        return new Beyond(beyond, new Length(farthest));
    }

    /** A convex figure that has the corners has the whole. */
    private static boolean isWithin(Hull hull, Extent square) {
        return Stream.of(new GridPoint(square.south(), square.west()), new GridPoint(square.south(), square.east()),
                new GridPoint(square.north(), square.west()), new GridPoint(square.north(), square.east()))
                .allMatch(corner -> hull.beyond(corner) == 0);
    }
}
