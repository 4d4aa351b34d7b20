package verge.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.units.Angle;

/** A line as it is walked from its begin: places by how far one has come, and how far along and how far beside it other places lie. */
public final class Walk {
    /** Below this two azimuths point straight against each other, and no side of a corner is the outer one. */
    private static final double REVERSED = 1e-9;
    /** So many parts of a piece are looked at for a foot each. */
    private static final int PARTS_LOOKED_AT = 32;
    private static final double SAME_FOOT_METRES = 1e-6;
    private static final double ABOUT_A_CENTRE_METRES = 1e-8;

    private final Path path;
    /** From the begin to each vertex of the path, and back to the first of a closed one. */
    private final double[] upTo;
    private final Course course;
    /** From the begin to that of each piece of the course, and to the end of the last. */
    private final double[] begins;

    private Walk(Path path, double[] upTo, Course course, double[] begins) {
        this.path = path;
        this.upTo = upTo;
        this.course = course;
        this.begins = begins;
    }

    /** @return empty if the path has no length */
    public static Optional<Walk> of(Path given) {
        Path path = given.withoutRepeats();
        double[] upTo = new double[path.pieces() + 1];
        for (int i = 0; i < path.pieces(); i++) {
            upTo[i + 1] = upTo[i] + path.pieceLength(i);
        }
        return path.pieces() > 0 ? Optional.of(new Walk(path, upTo, path.course(), upTo)) : Optional.empty();
    }

    /**
     * Along a line that arcs only draw.
     *
     * @param drawn comes near the course everywhere, has a vertex wherever one of its pieces ends, and is open
     * @param upTo how far along the course each vertex lies
     */
    public static Walk along(Course course, Path drawn, double[] upTo) {
        double[] begins = new double[course.pieces() + 1];
        for (int i = 0; i < course.pieces(); i++) {
            begins[i + 1] = begins[i] + course.length(i);
        }
        return new Walk(drawn, upTo.clone(), course, begins);
    }

    public double length() {
        return begins[begins.length - 1];
    }

    /** The line as straight pieces and arcs, none without a length. */
    public Path path() {
        return path;
    }

    /** A place on the path, with a height if the path has heights there, and the azimuth in which it goes. */
    public record Place(Position position, Angle azimuth) {
    }

    /** The place so many metres from the begin; empty before the begin and beyond the end. */
    public Optional<Place> at(double along) {
        if (!(along >= 0 && along <= length())) {
            return Optional.empty();
        }
        int piece = pieceAt(begins, along);
        return Optional.of(course.at(piece, within(piece, along)));
    }

    /** How far along a piece that is, the very end of it for what adding up makes of that. */
    private double within(int piece, double along) {
        return along >= begins[piece + 1] ? course.length(piece) : Math.max(0, Math.min(course.length(piece), along - begins[piece]));
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

    /** How far it is from the begin to a vertex of the path; to the number of vertices, back to the first of a closed path. */
    public double upTo(int vertex) {
        return upTo[vertex];
    }

    /**
     * How a place lies to the path.
     *
     * @param along from the begin to where the path passes nearest; negative before the begin, where its first side is lengthened straight
     *     on, and beyond its length likewise
     * @param right square to the path, negative to the left; at a corner that sticks out towards the place, where nothing lies square, how
     *     far off the corner is
     * @param foot the place on the path, with the path's height there; on a lengthened side the height of its end
     * @param onIt whether the foot lies on the path itself
     */
    public record Beside(double along, double right, Place foot, boolean onIt) {
    }

    /** A place on a piece of the course. */
    private record Foot(int piece, double along, Place place) {
        /** How far ahead of it another place lies, in its own azimuth. */
        double ahead(GridPoint place) {
            return Walk.ahead(this.place, place);
        }
    }

    private static double ahead(Place from, GridPoint to) {
        return north(from, to) * from.azimuth().cos() + east(from, to) * from.azimuth().sin();
    }

    private static double right(Place from, GridPoint to) {
        return east(from, to) * from.azimuth().cos() - north(from, to) * from.azimuth().sin();
    }

    private static double north(Place from, GridPoint to) {
        return to.northing() - from.position().plan().northing();
    }

    private static double east(Place from, GridPoint to) {
        return to.easting() - from.position().plan().easting();
    }

    /** How a place lies to where the path passes nearest. */
    public Beside beside(GridPoint place) {
        Foot foot = foot(place);
        double along = begins[foot.piece()] + foot.along();
        boolean begin = foot.along() == 0;
        boolean end = foot.along() == course.length(foot.piece());
        if (!begin && !end) {
            return new Beside(along, right(foot.place(), place), foot.place(), true);
        }
        Optional<Place> in = begin ? before(foot.piece()).map(piece -> course.at(piece, course.length(piece))) : Optional.of(foot.place());
        Optional<Place> out = end ? after(foot.piece()).map(piece -> course.at(piece, 0)) : Optional.of(foot.place());
        double ahead = foot.ahead(place);
        if (in.isEmpty() && ahead < 0 || out.isEmpty() && ahead > 0) {
            return new Beside(along + ahead, right(foot.place(), place), lengthened(foot.place(), ahead), false);
        }
        double off = foot.place().position().plan().distanceMetres(place);
        double side = in.isEmpty() || out.isEmpty() ? right(foot.place(), place) : sideOfCorner(in.get(), out.get(), place);
        return new Beside(along, Math.copySign(off, side), foot.place(), true);
    }

    /** All feet of a place: wherever the path lies square to the way there, nearest or not, in their order along it. */
    public List<Beside> squares(GridPoint place) {
        List<Beside> all = new ArrayList<>();
        for (int piece = 0; piece < course.pieces(); piece++) {
            double length = course.length(piece);
            for (int part = 0; part < PARTS_LOOKED_AT; part++) {
                double from = length * part / PARTS_LOOKED_AT;
                double to = length * (part + 1) / PARTS_LOOKED_AT;
                if (Math.abs(on(piece, from).ahead(place)) < ABOUT_A_CENTRE_METRES
                        && Math.abs(on(piece, to).ahead(place)) < ABOUT_A_CENTRE_METRES) {
                    continue;   // at the centre of an arc all of it lies square, and no foot is one
                }
                boolean last = part + 1 == PARTS_LOOKED_AT && piece + 1 == course.pieces() && !path.closed();
                if (on(piece, from).ahead(place) == 0 || on(piece, from).ahead(place) > 0 != on(piece, to).ahead(place) > 0 || last
                        && on(piece, to).ahead(place) == 0) {
                    Foot foot = between(piece, from, to, place);
                    double along = begins[piece] + foot.along();
                    if (all.isEmpty() || along - all.get(all.size() - 1).along() > SAME_FOOT_METRES) {
                        all.add(new Beside(along, right(foot.place(), place), foot.place(), true));
                    }
                }
            }
        }
        return List.copyOf(all);
    }

    /** By halving: that the way there is square in between is known. */
    private Foot between(int piece, double from, double to, GridPoint place) {
        double low = from;
        double high = to;
        boolean ahead = on(piece, from).ahead(place) > 0;
        while (on(piece, low).ahead(place) != 0 && (low + high) / 2 > low && (low + high) / 2 < high) {
            double middle = (low + high) / 2;
            if (on(piece, middle).ahead(place) > 0 == ahead) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return on(piece, low);
    }

    private static Place lengthened(Place end, double ahead) {
        GridPoint on = end.position().plan().plus(ahead * end.azimuth().cos(), ahead * end.azimuth().sin());
        return new Place(new Position(on, end.position().elevation()), end.azimuth());
    }

    private Optional<Integer> before(int piece) {
        return piece > 0 ? Optional.of(piece - 1) : path.closed() ? Optional.of(course.pieces() - 1) : Optional.empty();
    }

    private Optional<Integer> after(int piece) {
        return piece < course.pieces() - 1 ? Optional.of(piece + 1) : path.closed() ? Optional.of(0) : Optional.empty();
    }

    /**
     * Positive to the right of a corner. Told by the sum of what lies right of both its pieces, never by the sense in which it bends: of an
     * exact tangent point that is noise, and a place opposite one has its foot just there.
     */
    private static double sideOfCorner(Place in, Place out, GridPoint place) {
        double rightNorth = -in.azimuth().sin() - out.azimuth().sin();
        double rightEast = in.azimuth().cos() + out.azimuth().cos();
        return Math.hypot(rightNorth, rightEast) < REVERSED ? right(in, place) : north(in, place) * rightNorth
                + east(in, place) * rightEast;
    }

    /** Where the path passes nearest, as its arcs have it; then exactly on the course. */
    private Foot foot(GridPoint place) {
        Path.Passing passing = path.nearest(place).orElseThrow();
        double along = upTo[passing.piece()] + passing.part() * (upTo[passing.piece() + 1] - upTo[passing.piece()]);
        if (path.isCourse(course)) {
            return on(passing.piece(), passing.part() == 1 ? course.length(passing.piece())
                    : passing.part() * course.length(passing.piece()));
        }
        int piece = pieceAt(begins, along);
        Foot foot = footOn(piece, within(piece, along), place);
        Optional<Integer> beyond = foot.along() == 0 ? before(piece) : foot.along() == course.length(piece) ? after(piece)
                : Optional.empty();
        return beyond.map(next -> footOn(next, foot.along() == 0 ? course.length(next) : 0, place))
                .filter(other -> other.place().position().plan().distanceMetres(place) < foot.place().position().plan()
                .distanceMetres(place)).orElse(foot);
    }

    private Foot on(int piece, double along) {
        return new Foot(piece, along, course.at(piece, along));
    }

    /**
     * By Newton's method on how far ahead the place lies, which falls by 1 − κ · right a metre; past the centre of curvature nothing is
     * nearest.
     */
    private Foot footOn(int piece, double from, GridPoint place) {
        double length = course.length(piece);
        Foot foot = on(piece, Math.max(0, Math.min(length, from)));
        for (int step = 0; step < 50; step++) {
            double falls = 1 - course.curvature(piece, foot.along()) * right(foot.place(), place);
            double next = foot.along() + foot.ahead(place) / falls;
            double within = Math.max(0, Math.min(length, next));
            if (!(falls > 0) || within == foot.along()) {
                break;
            }
            boolean arrived = Math.abs(within - foot.along()) <= Math.ulp(length);
            foot = on(piece, within);
            if (arrived) {
                break;
            }
        }
        return foot;
    }
}
