package verge.core.plan;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.units.Angle;

/**
 * Vertices joined by straight pieces or arcs.
 *
 * <p>An arc is told by its bulge, the tangent of a quarter of the angle it turns through: 0 is straight, 1 a half-circle; positive turns
 * left (anticlockwise) for somebody who looks at the plan with north up. Heights run evenly along a piece.
 */
public final class Path {
    private static final int MOST_CHORDS = 4096;
    /** A tenth of what a vertex may be off by rounding; a piece so short has no direction. */
    private static final double REPEATED_METRES = 1e-6;
    private final Vertices vertices;
    /** One for each vertex, of the piece that begins there; null if all are straight. */
    private final double[] bulges;
    private final boolean closed;

    private Path(Vertices vertices, double[] bulges, boolean closed) {
        this.vertices = vertices;
        this.bulges = bulges;
        this.closed = closed;
    }

    public static Path straight(Vertices vertices, boolean closed) {
        return new Path(vertices, null, closed);
    }

    /** @param bulges one for each vertex; the last counts only if the path is closed */
    public static Path of(Vertices vertices, double[] bulges, boolean closed) {
        if (bulges.length != vertices.size()) {
            throw new IllegalArgumentException(bulges.length + " bulges for " + vertices.size() + " vertices");
        }
        for (double bulge : bulges) {
            if (bulge != 0) {
                return new Path(vertices, bulges.clone(), closed);
            }
        }
        return straight(vertices, closed);
    }

    public Vertices vertices() {
        return vertices;
    }

    public boolean closed() {
        return closed;
    }

    /** Number of pieces between vertices. */
    public int pieces() {
        return vertices.size() < 2 ? 0 : closed ? vertices.size() : vertices.size() - 1;
    }

    /** Bulge of the piece that begins at a vertex. */
    public double bulge(int piece) {
        return bulges == null ? 0 : bulges[piece];
    }

    /** Length in plan, along the arcs, in metres of the grid. */
    public double length() {
        double length = 0;
        for (int i = 0; i < pieces(); i++) {
            length += pieceLength(i);
        }
        return length;
    }

    /**
     * Area in plan of what a closed path encloses, with its arcs, in square metres of the grid; empty if it is open. A path that crosses
     * itself has no one area: this is then the sum with signs.
     */
    public OptionalDouble area() {
        if (!closed || vertices.size() < 2) {
            return OptionalDouble.empty();
        }
        double north = vertices.north(0);   // reckoned from a vertex: a million metres squared would leave no digits
        double east = vertices.east(0);
        double twice = 0;
        for (int i = 0; i < pieces(); i++) {
            int next = (i + 1) % vertices.size();
            twice += (vertices.east(i) - east) * (vertices.north(next) - north) - (vertices.east(next) - east)
                    * (vertices.north(i) - north);
            twice += 2 * segment(i);
        }
        return OptionalDouble.of(Math.abs(twice / 2));
    }

    /**
     * The centroid of what a closed path encloses: of its corners, as far as its area goes, without the segments of its arcs; of one
     * without an area its first vertex.
     */
    public GridPoint centroid() {
        double north = vertices.north(0);
        double east = vertices.east(0);
        double twice = 0;
        double momentNorth = 0;
        double momentEast = 0;
        for (int i = 0; i < vertices.size(); i++) {
            int next = (i + 1) % vertices.size();
            double n1 = vertices.north(i) - north;
            double e1 = vertices.east(i) - east;
            double n2 = vertices.north(next) - north;
            double e2 = vertices.east(next) - east;
            double cross = e1 * n2 - e2 * n1;
            twice += cross;
            momentNorth += cross * (n1 + n2);
            momentEast += cross * (e1 + e2);
        }
        GridPoint centroid = twice == 0 ? vertices.plan(0)
                : new GridPoint(north + momentNorth / (3 * twice), east + momentEast / (3 * twice));
        return vertices.extent().contains(centroid) ? centroid : vertices.plan(0);   // of one that crosses itself the moments may cancel
    }

    /** Area between a piece's chord and its arc, positive on its right. */
    private double segment(int piece) {
        double bulge = bulge(piece);
        if (bulge == 0) {
            return 0;
        }
        double angle = 4 * Math.atan(bulge);
        double radius = chord(piece) * (1 + bulge * bulge) / (4 * bulge);
        return radius * radius * (angle - Math.sin(angle)) / 2;
    }

    private double chord(int piece) {
        int next = (piece + 1) % vertices.size();
        return Math.hypot(vertices.north(next) - vertices.north(piece), vertices.east(next) - vertices.east(piece));
    }

    /**
     * The path with its arcs drawn as chords that leave them by at most the given distance; a closed one ends where it began.
     *
     * @param sagitta in metres, above 0
     */
    public Vertices chords(double sagitta) {
        if (bulges == null && !closed) {
            return vertices;
        }
        Vertices.Builder drawn = new Vertices.Builder();
        for (int i = 0; i < pieces(); i++) {
            addPiece(drawn, i, sagitta);
        }
        int last = closed ? 0 : vertices.size() - 1;
        if (vertices.size() > 0) {
            drawn.add(vertices.north(last), vertices.east(last), vertices.height(last).orElse(Double.NaN));
        }
        return drawn.build();
    }

    private void addPiece(Vertices.Builder drawn, int piece, double sagitta) {
        int next = (piece + 1) % vertices.size();
        double from = vertices.height(piece).orElse(Double.NaN);
        double to = vertices.height(next).orElse(Double.NaN);
        drawn.add(vertices.north(piece), vertices.east(piece), from);
        Optional<Arc> arc = Arc.ofBulge(vertices.plan(piece), vertices.plan(next), bulge(piece));
        int chords = arc.map(a -> a.chords(sagitta, MOST_CHORDS)).orElse(1);
        for (int k = 1; k < chords; k++) {
            double part = (double) k / chords;
            arc.get().add(drawn, part, from + part * (to - from));
        }
    }

    /**
     * Where a piece passes nearest to a place.
     *
     * @param part of the piece at which it does, from 0 to 1
     * @param off how far off it passes, in metres
     * @param azimuth in which it goes there
     */
    record Passing(int piece, double part, double off, Angle azimuth) {
    }

    /**
     * The azimuth in which the nearest of several paths goes where it passes a place; empty without a piece. Two as near are taken in their
     * order.
     */
    public static Optional<Angle> azimuthNear(List<Path> paths, GridPoint place) {
        return paths.stream().map(p -> p.nearest(place)).flatMap(Optional::stream).min(Comparator.comparingDouble(Passing::off))
                .map(Passing::azimuth);
    }

    /** The first of those that pass nearest; empty without a piece that has a length. */
    Optional<Passing> nearest(GridPoint place) {
        return IntStream.range(0, pieces()).mapToObj(i -> passing(i, place)).flatMap(Optional::stream)
                .min(Comparator.comparingDouble(Passing::off));
    }

    /** How far off it passes a place at its nearest, in metres; infinite without a piece that has a length. */
    public double offMetres(GridPoint place) {
        return nearest(place).map(Passing::off).orElse(Double.POSITIVE_INFINITY);
    }

    private Optional<Passing> passing(int piece, GridPoint place) {
        GridPoint from = vertices.plan(piece);
        GridPoint to = vertices.plan((piece + 1) % vertices.size());
        Optional<Arc> arc = Arc.ofBulge(from, to, bulge(piece));
        if (arc.isPresent()) {
            double part = arc.get().part(place);
            boolean beside = part <= 1;
            double nearest = beside ? part : place.distanceMetres(from) < place.distanceMetres(to) ? 0 : 1;
            double off = beside ? Math.abs(arc.get().off(place)) : Math.min(place.distanceMetres(from), place.distanceMetres(to));
            return Optional.of(new Passing(piece, nearest, off, arc.get().azimuth(nearest)));
        }
        double length = from.distanceMetres(to);
        if (length == 0) {
            return Optional.empty();
        }
        double north = (to.northing() - from.northing()) / length;
        double east = (to.easting() - from.easting()) / length;
        double along = Math.max(0, Math.min(length, (place.northing() - from.northing()) * north
                + (place.easting() - from.easting()) * east));
        return Optional.of(new Passing(piece, along / length, place.distanceMetres(from.plus(along * north, along * east)),
                new Angle(Math.atan2(east, north)).wholeCircle()));
    }

    /**
     * Without vertices that repeat the one before: of a piece without a length no direction is known. What is dropped is the later of both,
     * the last of a closed path that repeats its first.
     */
    Path withoutRepeats() {
        Vertices.Builder kept = new Vertices.Builder();
        double[] bulgesOfKept = new double[vertices.size()];
        for (int i = 0; i < vertices.size(); i++) {
            if (kept.size() == 0 || !repeats(kept, kept.size() - 1, i)) {
                kept.add(vertices.north(i), vertices.east(i), vertices.height(i).orElse(Double.NaN));
            }
            bulgesOfKept[kept.size() - 1] = bulge(i);
        }
        int size = closed && kept.size() > 1 && repeats(kept, kept.size() - 1, 0) ? kept.size() - 1 : kept.size();
        return size == vertices.size() ? this : of(kept.build().first(size), Arrays.copyOf(bulgesOfKept, size), closed && size > 1);
    }

    private boolean repeats(Vertices.Builder kept, int index, int vertex) {
        return Math.hypot(vertices.north(vertex) - kept.north(index), vertices.east(vertex) - kept.east(index)) < REPEATED_METRES;
    }

    /** Its own pieces, exactly as they are. */
    Course course() {
        return new OwnCourse(this);
    }

    boolean isCourse(Course course) {
        return course instanceof OwnCourse own && own.path() == this;
    }

    private record OwnCourse(Path path) implements Course {
        @Override
        public int pieces() {
            return path.pieces();
        }

        @Override
        public double length(int piece) {
            return path.pieceLength(piece);
        }

        @Override
        public double curvature(int piece, double along) {
            double bulge = path.bulge(piece);
            return -4 * bulge / (path.chord(piece) * (1 + bulge * bulge));
        }

        @Override
        public Walk.Place at(int piece, double along) {
            double part = along / path.pieceLength(piece);
            Position from = path.vertices.position(piece);
            Position to = path.vertices.position((piece + 1) % path.vertices.size());
            Optional<Elevation> height = from.elevation()
                    .flatMap(a -> to.elevation().map(b -> new Elevation(a.metres() + part * (b.metres() - a.metres()))));
            Optional<Arc> arc = Arc.ofBulge(from.plan(), to.plan(), path.bulge(piece));
            double north = to.plan().northing() - from.plan().northing();
            double east = to.plan().easting() - from.plan().easting();
            // Both ends are the vertices themselves, not what adding up comes to.
            GridPoint plan = part == 0 ? from.plan() : part == 1 ? to.plan() : arc.map(a -> a.at(part))
                    .orElseGet(() -> from.plan().plus(part * north, part * east));
            return new Walk.Place(new Position(plan, height), arc.map(a -> a.azimuth(part))
                    .orElseGet(() -> new Angle(Math.atan2(east, north)).wholeCircle()));
        }
    }

    /** Length of one piece in metres of the grid, along its arc. */
    public double pieceLength(int piece) {
        double bulge = Math.abs(bulge(piece));
        // s = rθ with θ = 4 atan b and r = c (1 + b²) / 4b
        return bulge == 0 ? chord(piece) : chord(piece) * (1 + bulge * bulge) * Math.atan(bulge) / bulge;
    }

    /** The same, walked from its end; a closed one from its first vertex the other way round. */
    public Path reversed() {
        int size = vertices.size();
        int shift = closed ? 0 : 1;
        Vertices.Builder turned = new Vertices.Builder();
        double[] back = new double[size];
        for (int i = 0; i < size; i++) {
            int was = Math.floorMod(-i - shift, size);
            turned.add(vertices.north(was), vertices.east(was), vertices.height(was).orElse(Double.NaN));
            int piece = Math.floorMod(was - 1, size);
            back[i] = closed || piece < size - 1 ? -bulge(piece) : 0;
        }
        return of(turned.build(), back, closed);
    }

    /** Elsewhere; where the plan is mirrored, what turned left turns right. */
    public Path placed(Placement placement) {
        double[] turned = bulges;
        if (bulges != null && placement.mirrors()) {
            turned = bulges.clone();
            for (int i = 0; i < turned.length; i++) {
                turned[i] = -turned[i];
            }
        }
        return new Path(vertices.placed(placement), turned, closed);
    }
}
