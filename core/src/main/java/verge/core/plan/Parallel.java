package verge.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import verge.core.geodesy.GridPoint;

/**
 * A path beside another, everywhere at the same distance: straight pieces stay straight and arcs arcs about the same centre. At a corner
 * the pieces are lengthened or shortened to where they meet; round a sharp one that sticks out an arc about the corner joins them.
 */
public final class Parallel {
    /** Sine of the bend below which two pieces run on into one another: over 100 m it is a hundredth of a millimetre. */
    private static final double SMOOTH = 1e-7;
    /** Cosine of half the bend (60°) behind which a corner that sticks out would reach more than twice the distance away. */
    private static final double SHARP = 0.5;
    /** As exactly as a length is told. */
    private static final double ROOM_METRES = 1e-4;
    private static final int MOST_CROSSINGS = 1_000;

    private final Path path;
    private final double left;
    private final Vertices.Builder vertices = new Vertices.Builder();
    private final List<Double> bulges = new ArrayList<>();

    private Parallel(Path path, double left) {
        this.path = path;
        this.left = left;
    }

    /**
     * @param left distance in metres, positive to the left of the way the path runs
     * @param up what is added to the heights
     * @return empty if the path has no length, or so far off there is no room for each of its pieces: one would run back, or it would cross
     *     itself
     */
    public static Optional<Path> of(Path path, double left, double up) {
        Path once = path.withoutRepeats();
        return once.pieces() == 0 ? Optional.empty() : new Parallel(once, left).path(up)
                .filter(beside -> crossings(beside) <= crossings(once));
    }

    private static int crossings(Path path) {
        return Crossings.of(List.of(path), MOST_CROSSINGS).size();
    }

    /** How far off there is room, in metres, to the side of a distance at which there is none. */
    public static double room(Path path, double left) {
        double least = 0;
        double most = left;
        while (Math.abs(most - least) > ROOM_METRES) {
            double middle = (least + most) / 2;
            if (of(path, middle, 0).isPresent()) {
                least = middle;
            } else {
                most = middle;
            }
        }
        return Math.abs(least);
    }

    /** A piece moved aside: a line from one place to another, or an arc between them. */
    private record Piece(GridPoint from, GridPoint to, double bulge) {
        private double[] heading(boolean atEnd) {
            double chord = from.distanceMetres(to);
            double north = (to.northing() - from.northing()) / chord;
            double east = (to.easting() - from.easting()) / chord;
            double half = 2 * Math.atan(bulge) * (atEnd ? 1 : -1);   // to the left of the chord
            return new double[] {north * Math.cos(half) + east * Math.sin(half), east * Math.cos(half) - north * Math.sin(half)};
        }

        private GridPoint beside(boolean atEnd, double left) {
            double[] heading = heading(atEnd);
            return (atEnd ? to : from).plus(left * heading[1], -left * heading[0]);
        }

        private Piece beside(double left) {
            return new Piece(beside(false, left), beside(true, left), bulge);
        }

        /** Signed radius; positive where it turns left. */
        private double radius() {
            return from.distanceMetres(to) * (1 + bulge * bulge) / (4 * bulge);
        }
    }

    private Optional<Path> path(double up) {
        List<Piece> pieces = new ArrayList<>();
        for (int i = 0; i < path.pieces(); i++) {
            Piece piece = new Piece(path.vertices().plan(i), path.vertices().plan((i + 1) % path.vertices().size()), path.bulge(i));
            if (piece.bulge() != 0 && piece.radius() * left > 0 && Math.abs(piece.radius()) <= Math.abs(left)) {
                return Optional.empty();
            }
            pieces.add(piece);
        }
        int last = pieces.size() - 1;
        GridPoint[] begins = new GridPoint[pieces.size()];
        GridPoint[] ends = new GridPoint[pieces.size()];
        double[] joints = new double[pieces.size()];
        for (int i = 0; i <= last; i++) {
            Piece piece = pieces.get(i);
            Piece next = pieces.get(i == last ? 0 : i + 1);
            boolean joined = i < last || path.closed();
            Corner corner = new Corner(piece, next);
            Optional<GridPoint> meet = joined ? corner.meeting() : Optional.empty();
            if (joined && meet.isEmpty() && !corner.sticksOut()) {
                return Optional.empty();
            }
            ends[i] = meet.orElseGet(() -> piece.beside(true, left));
            begins[i == last ? 0 : i + 1] = meet.orElseGet(() -> next.beside(false, left));
            joints[i] = joined && meet.isEmpty() ? corner.bulge() : Double.NaN;
        }
        for (int i = 0; i <= last; i++) {
            OptionalDouble bulge = bulge(pieces.get(i), begins[i], ends[i]);
            if (bulge.isEmpty()) {
                return Optional.empty();
            }
            add(begins[i], height(i, up), bulge.getAsDouble());
            if (!Double.isNaN(joints[i])) {
                add(ends[i], height((i + 1) % path.vertices().size(), up), joints[i]);
            } else if (i == last && !path.closed()) {
                add(ends[i], height(i + 1, up), 0);
            }
        }
        return Optional.of(Path.of(vertices.build(), bulges.stream().mapToDouble(b -> b).toArray(), path.closed()));
    }

    private double height(int vertex, double up) {
        return path.vertices().height(vertex).orElse(Double.NaN) + up;
    }

    private void add(GridPoint at, double height, double bulge) {
        vertices.add(at.northing(), at.easting(), height);
        bulges.add(bulge);
    }

    /**
     * The bulge of a piece moved aside between its new ends; empty if it would run back, which is where its neighbours leave it no room.
     */
    private OptionalDouble bulge(Piece piece, GridPoint from, GridPoint to) {
        Piece beside = piece.beside(left);
        Optional<Arc> arc = Arc.ofBulge(beside.from(), beside.to(), piece.bulge());
        if (arc.isEmpty()) {
            double[] heading = piece.heading(false);
            boolean ahead = (to.northing() - from.northing()) * heading[0] + (to.easting() - from.easting()) * heading[1] > 0;
            return ahead ? OptionalDouble.of(0) : OptionalDouble.empty();
        }
        double sense = Math.signum(arc.get().sweep());
        double sweep = sense * arc.get().sweep() - sense * turn(arc.get(), beside.from(), from) + sense * turn(arc.get(), beside.to(), to);
        return sweep > 0 && sweep < 2 * Math.PI ? OptionalDouble.of(sense * Math.tan(sweep / 4)) : OptionalDouble.empty();
    }

    /** From one place to another as seen from the centre, the shorter way round, to the left. */
    private static double turn(Arc arc, GridPoint from, GridPoint to) {
        double fromNorth = from.northing() - arc.centreNorth();
        double fromEast = from.easting() - arc.centreEast();
        double toNorth = to.northing() - arc.centreNorth();
        double toEast = to.easting() - arc.centreEast();
        return Math.atan2(fromEast * toNorth - fromNorth * toEast, fromNorth * toNorth + fromEast * toEast);
    }

    private Meetings.Carrier carrier(Piece piece) {
        Piece beside = piece.beside(left);
        return Arc.ofBulge(beside.from(), beside.to(), beside.bulge())
                .<Meetings.Carrier>map(arc -> new Meetings.Circle(new GridPoint(arc.centreNorth(), arc.centreEast()), arc.radius()))
                .orElseGet(() -> new Meetings.Straight(beside.from(), beside.to()));
    }

    /** Where one piece ends and the next begins. */
    private final class Corner {
        private final Piece piece;
        private final Piece next;
        private final double[] in;
        private final double[] out;
        /** Of what the path turns by, positive to the right. */
        private final double sine;
        private final double cosine;

        Corner(Piece piece, Piece next) {
            this.piece = piece;
            this.next = next;
            in = piece.heading(true);
            out = next.heading(false);
            sine = in[0] * out[1] - in[1] * out[0];
            cosine = in[0] * out[0] + in[1] * out[1];
        }

        /** Towards the parallel; one that turns straight back sticks out to both sides. */
        boolean sticksOut() {
            return sine * left > 0 || cosine < 0 && Math.abs(sine) < SMOOTH;
        }

        /** Where the pieces moved aside meet near it; empty if they do not, or meet far off. */
        Optional<GridPoint> meeting() {
            if (Math.abs(sine) < SMOOTH && cosine > 0) {
                return Optional.of(piece.beside(true, left));
            }
            if (sticksOut() && Math.sqrt((1 + cosine) / 2) < SHARP) {
                return Optional.empty();
            }
            double reach = left / (1 + cosine);   // along the sum of both normals: where two straight pieces meet
            GridPoint mitre = piece.to().plus(reach * (in[1] + out[1]), -reach * (in[0] + out[0]));
            return piece.bulge() == 0 && next.bulge() == 0 ? Optional.of(mitre)
                    : Meetings.between(carrier(piece), carrier(next)).stream()
                    .min(Comparator.comparingDouble(place -> place.distanceMetres(mitre)));
        }

        /** Of the arc about it. */
        double bulge() {
            double turn = Math.atan2(Math.abs(sine), cosine);
            return (left > 0 ? -1 : 1) * Math.tan(turn / 4);
        }
    }
}
