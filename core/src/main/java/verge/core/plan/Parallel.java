package verge.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import verge.core.geodesy.GridPoint;

/**
 * A path beside another, everywhere at the same distance: straight pieces stay straight and arcs arcs about the same centre. At a corner the
 * pieces are lengthened or shortened to where they meet; where they do not, a short piece joins them.
 */
public final class Parallel {
    /** Sine of the bend below which two pieces run on into one another: over 100 m it is a hundredth of a millimetre. */
    private static final double SMOOTH = 1e-7;

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
     * @return empty if the path has no length, or an arc is narrower than the distance
     */
    public static Optional<Path> of(Path path, double left, double up) {
        return new Parallel(path, left).path(up);
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
        List<Integer> of = new ArrayList<>();
        for (int i = 0; i < path.pieces(); i++) {
            Piece piece = new Piece(path.vertices().plan(i), path.vertices().plan((i + 1) % path.vertices().size()), path.bulge(i));
            if (!piece.from().equals(piece.to())) {
                pieces.add(piece);
                of.add(i);
            }
            if (piece.bulge() != 0 && piece.radius() * left > 0 && Math.abs(piece.radius()) <= Math.abs(left)) {
                return Optional.empty();
            }
        }
        if (pieces.isEmpty()) {
            return Optional.empty();
        }
        int last = pieces.size() - 1;
        GridPoint[] begins = new GridPoint[pieces.size()];
        GridPoint[] ends = new GridPoint[pieces.size()];
        for (int i = 0; i <= last; i++) {
            Piece next = pieces.get(i == last ? 0 : i + 1);
            boolean joined = i < last || path.closed();
            Optional<GridPoint> meet = joined ? meeting(pieces.get(i), next) : Optional.empty();
            ends[i] = meet.orElseGet(pieceEnd(pieces.get(i)));
            begins[i == last ? 0 : i + 1] = meet.orElseGet(() -> next.beside(false, left));
        }
        for (int i = 0; i <= last; i++) {
            int vertex = of.get(i);
            add(begins[i], height(vertex, up), bulge(pieces.get(i), begins[i], ends[i]));
            boolean gap = (i < last || path.closed()) && !ends[i].equals(begins[i == last ? 0 : i + 1]);
            if (gap || i == last && !path.closed()) {
                add(ends[i], height((vertex + 1) % path.vertices().size(), up), 0);
            }
        }
        return Optional.of(Path.of(vertices.build(), bulges.stream().mapToDouble(b -> b).toArray(), path.closed()));
    }

    private Supplier<GridPoint> pieceEnd(Piece piece) {
        return () -> piece.beside(true, left);
    }

    private double height(int vertex, double up) {
        return path.vertices().height(vertex).orElse(Double.NaN) + up;
    }

    private void add(GridPoint at, double height, double bulge) {
        vertices.add(at.northing(), at.easting(), height);
        bulges.add(bulge);
    }

    /** The bulge of a piece's arc between other ends on it. */
    private double bulge(Piece piece, GridPoint from, GridPoint to) {
        Piece beside = piece.beside(left);
        return from.equals(beside.from()) && to.equals(beside.to()) ? piece.bulge()
                : Arc.ofBulge(beside.from(), beside.to(), piece.bulge()).map(arc -> arc.bulgeBetween(from, to)).orElse(0.0);
    }

    /** Where two pieces moved aside meet near the corner between them; empty if they do not. */
    private Optional<GridPoint> meeting(Piece piece, Piece next) {
        double[] in = piece.heading(true);
        double[] out = next.heading(false);
        double sine = in[0] * out[1] - in[1] * out[0];
        double cosine = in[0] * out[0] + in[1] * out[1];
        if (Math.abs(sine) < SMOOTH && cosine > 0) {
            return Optional.of(piece.beside(true, left));
        }
        GridPoint corner = piece.to();
        double reach = left / (1 + cosine);   // along the sum of both normals: where two straight pieces meet
        GridPoint mitre = corner.plus(reach * (in[1] + out[1]), -reach * (in[0] + out[0]));
        if (piece.bulge() == 0 && next.bulge() == 0) {
            return cosine > -1 + SMOOTH ? Optional.of(mitre) : Optional.empty();
        }
        return Meetings.between(carrier(piece), carrier(next)).stream().min((a, b) -> Double.compare(a.distanceMetres(mitre), b.distanceMetres(mitre)));
    }

    private Meetings.Carrier carrier(Piece piece) {
        Piece beside = piece.beside(left);
        return Arc.ofBulge(beside.from(), beside.to(), beside.bulge()).<Meetings.Carrier>map(arc -> new Meetings.Circle(new GridPoint(arc.centreNorth(), arc.centreEast()), arc.radius()))
                .orElseGet(() -> new Meetings.Straight(beside.from(), beside.to()));
    }
}
