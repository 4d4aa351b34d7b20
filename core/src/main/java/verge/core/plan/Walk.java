package verge.core.plan;

import java.util.Arrays;
import java.util.Optional;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.units.Angle;

/** A path as it is walked from its begin: places by how far one has come, and how far along and how far beside it other places lie. */
public final class Walk {
    private static final double SQUARE_METRES = 1e-6;
    private final Path path;
    /** From the begin to each vertex, and back to the first of a closed path. */
    private final double[] upTo;

    private Walk(Path path, double[] upTo) {
        this.path = path;
        this.upTo = upTo;
    }

    /** @return empty if the path has no length */
    public static Optional<Walk> of(Path path) {
        double[] upTo = new double[path.pieces() + 1];
        for (int i = 0; i < path.pieces(); i++) {
            upTo[i + 1] = upTo[i] + path.pieceLength(i);
        }
        return upTo[path.pieces()] > 0 ? Optional.of(new Walk(path, upTo)) : Optional.empty();
    }

    public double length() {
        return upTo[upTo.length - 1];
    }

    /** A place on the path, with a height if the path has heights there, and the azimuth in which it goes. */
    public record Place(Position position, Angle azimuth) {
    }

    /** The place so many metres from the begin; empty before the begin and beyond the end. */
    public Optional<Place> at(double along) {
        if (!(along >= 0 && along <= length())) {
            return Optional.empty();
        }
        int piece = pieceAt(upTo, along);
        return Optional.of(place(piece, (along - upTo[piece]) / path.pieceLength(piece)));
    }

    /**
     * The piece in which one has come so far: the first that does not end before, but none without a length.
     *
     * @param upTo from the begin to each vertex, never falling
     */
    public static int pieceAt(double[] upTo, double along) {
        int found = Arrays.binarySearch(upTo, Math.max(along, Math.nextUp(upTo[0])));
        int end = found < 0 ? -found - 1 : found;
        while (end > 1 && upTo[end - 1] == upTo[end]) {
            end--;   // several vertices in one place: the way to the first of them
        }
        return Math.min(end, upTo.length - 1) - 1;
    }

    /** How far it is from the begin to a vertex; to the number of vertices, back to the first of a closed path. */
    public double upTo(int vertex) {
        return upTo[vertex];
    }

    private Place place(int piece, double part) {
        Position from = path.vertices().position(piece);
        Position to = path.vertices().position((piece + 1) % path.vertices().size());
        Optional<Elevation> height = from.elevation().flatMap(a -> to.elevation().map(b -> new Elevation(a.metres() + part * (b.metres() - a.metres()))));
        Optional<Arc> arc = Arc.ofBulge(from.plan(), to.plan(), path.bulge(piece));
        double north = to.plan().northing() - from.plan().northing();
        double east = to.plan().easting() - from.plan().easting();
        // The end is the vertex itself, not what adding up comes to.
        GridPoint plan = part == 1 ? to.plan() : arc.map(a -> a.at(part)).orElseGet(() -> from.plan().plus(part * north, part * east));
        return new Place(new Position(plan, height), arc.map(a -> a.azimuth(part)).orElseGet(() -> new Angle(Math.atan2(east, north)).wholeCircle()));
    }

    /**
     * How a place lies to the path.
     *
     * @param along from the begin to where the path passes nearest; negative before the begin, where its first side is lengthened straight on, and beyond its length likewise
     * @param right square to the path, negative to the left
     * @param foot the place on the path, with the path's height there; on a lengthened side the height of its end
     * @param onIt whether the foot lies on the path itself
     * @param square whether the place lies square to it; at a corner that sticks out towards the place nothing does, and the corner is its foot
     */
    public record Beside(double along, double right, Place foot, boolean onIt, boolean square) {
    }

    /** How a place lies to where the path passes nearest. */
    public Beside beside(GridPoint place) {
        Path.Passing passing = path.nearest(place).orElseThrow();
        Place foot = place(passing.piece(), passing.part());
        double north = place.northing() - foot.position().plan().northing();
        double east = place.easting() - foot.position().plan().easting();
        double ahead = north * foot.azimuth().cos() + east * foot.azimuth().sin();
        double right = east * foot.azimuth().cos() - north * foot.azimuth().sin();
        double along = upTo[passing.piece()] + passing.part() * path.pieceLength(passing.piece());
        boolean before = !path.closed() && along == 0 && ahead < 0;
        boolean beyond = !path.closed() && passing.piece() == path.pieces() - 1 && passing.part() == 1 && ahead > 0;
        if (before || beyond) {
            Position end = foot.position();
            GridPoint on = end.plan().plus(ahead * foot.azimuth().cos(), ahead * foot.azimuth().sin());
            return new Beside(along + ahead, right, new Place(new Position(on, end.elevation()), foot.azimuth()), false, true);
        }
        boolean square = passing.part() > 0 && passing.part() < 1 || Math.abs(ahead) <= SQUARE_METRES;
        return square ? new Beside(along, right, foot, true, true) : new Beside(along, Math.copySign(passing.off(), turnsRight(passing) ? -1 : 1), foot, true, false);
    }

    /** Whether the path bends to the right at the corner that is nearest: what no piece lies square to is on the other side. */
    private boolean turnsRight(Path.Passing corner) {
        int in = corner.part() == 1 ? corner.piece() : Math.floorMod(corner.piece() - 1, path.pieces());
        double before = place(in, 1).azimuth().radians();
        double after = place((in + 1) % path.pieces(), 0).azimuth().radians();
        return Math.sin(after - before) > 0;
    }
}
