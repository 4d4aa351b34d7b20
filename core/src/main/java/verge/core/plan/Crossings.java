package verge.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiPredicate;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;
import verge.core.geodesy.GridPoint;

/** Where paths cross or touch themselves and each other, arcs as arcs. */
public final class Crossings {
    /** Nearer than this two places of a path are one: a tenth of what a coordinate is told to. */
    private static final double ONE_PLACE_METRES = 1e-5;

    private Crossings() {
    }

    /** A piece of a path with both ends. */
    private record Piece(int path, int index, GridPoint from, GridPoint to, Optional<Arc> arc) {
        Envelope box() {
            Envelope box = new Envelope(from.easting(), to.easting(), from.northing(), to.northing());
            arc.ifPresent(a -> {
                for (int quarter = 0; quarter < 4; quarter++) {
                    GridPoint outmost = new GridPoint(a.centreNorth() + a.radius() * Math.sin(quarter * Math.PI / 2),
                            a.centreEast() + a.radius() * Math.cos(quarter * Math.PI / 2));
                    if (a.part(outmost) <= 1) {
                        box.expandToInclude(outmost.easting(), outmost.northing());
                    }
                }
            });
            box.expandBy(ONE_PLACE_METRES);
            return box;
        }

        Meetings.Carrier carrier() {
            return Crossings.carrier(from, to, arc);
        }

        /**
         * Whether both are straight, one begins where the other ends, and it does not go straight back: then they have that place alone in
         * common.
         */
        boolean onlyMeetsAtJoint(Piece other) {
            boolean joined = path == other.path && (to.equals(other.from) || other.to.equals(from));
            if (!joined || arc.isPresent() || other.arc.isPresent()) {
                return false;
            }
            double cross = (to.northing() - from.northing()) * (other.to.easting() - other.from.easting()) - (to.easting() - from.easting())
                    * (other.to.northing() - other.from.northing());
            return Math.abs(cross) > ONE_PLACE_METRES * (from.distanceMetres(to) + other.from.distanceMetres(other.to))
                    && !(to.equals(other.from) && other.to.equals(from));
        }

        boolean has(GridPoint place) {
            if (place.distanceMetres(from) <= ONE_PLACE_METRES || place.distanceMetres(to) <= ONE_PLACE_METRES) {
                return true;
            }
            if (arc.isPresent()) {
                return arc.get().part(place) <= 1 && Math.abs(arc.get().off(place)) <= ONE_PLACE_METRES;
            }
            double north = to.northing() - from.northing();
            double east = to.easting() - from.easting();
            double part = ((place.northing() - from.northing()) * north + (place.easting() - from.easting()) * east)
                    / (north * north + east * east);
            return part >= 0 && part <= 1 && place.distanceMetres(from.plus(part * north, part * east)) <= ONE_PLACE_METRES;
        }
    }

    /**
     * Each place once, in the order of the pieces. Where one piece only goes on from another they do not cross; where they lie upon each
     * other the ends of what they share are told.
     *
     * @param most as many are enough
     */
    public static List<GridPoint> of(List<Path> paths, int most) {
        return of(paths, (one, other) -> true, most);
    }

    /** Where paths cross or touch others, and not themselves. */
    public static List<GridPoint> between(List<Path> some, List<Path> others, int most) {
        return of(Stream.concat(some.stream(), others.stream()).toList(),
                (one, other) -> one.path() < some.size() != other.path() < some.size(), most);
    }

    private static List<GridPoint> of(List<Path> paths, BiPredicate<Piece, Piece> matters, int most) {
        List<Piece> pieces = pieces(paths);
        STRtree tree = new STRtree();
        pieces.forEach(piece -> tree.insert(piece.box(), piece));
        List<GridPoint> found = new ArrayList<>();
        for (Piece piece : pieces) {
            for (Object met : tree.query(piece.box())) {
                Piece other = (Piece) met;
                if (other.index() > piece.index() && found.size() < most && matters.test(piece, other) && !piece.onlyMeetsAtJoint(other)) {
                    meet(piece, other, found);
                }
            }
        }
        return found;
    }

    private static List<Piece> pieces(List<Path> paths) {
        List<Piece> pieces = new ArrayList<>();
        for (int p = 0; p < paths.size(); p++) {
            Path path = paths.get(p);
            for (int i = 0; i < path.pieces(); i++) {
                GridPoint from = path.vertices().plan(i);
                GridPoint to = path.vertices().plan((i + 1) % path.vertices().size());
                if (!from.equals(to)) {
                    pieces.add(new Piece(p, pieces.size(), from, to, Arc.ofBulge(from, to, path.bulge(i))));
                }
            }
        }
        return pieces;
    }

    /**
     * Where paths that do not reach each other would, if their first and last pieces went on as they do: straight ones straight on, arcs
     * round their circle.
     */
    public static List<GridPoint> beyondEnds(List<Path> some, List<Path> others) {
        List<Beyond> beyondSome = ends(some);
        List<Beyond> beyondOthers = ends(others);
        List<GridPoint> found = new ArrayList<>();
        beyondSome.forEach(end -> pieces(others).forEach(piece -> end.meet(piece.carrier(), piece::has, found)));
        beyondOthers.forEach(end -> pieces(some).forEach(piece -> end.meet(piece.carrier(), piece::has, found)));
        beyondSome.forEach(end -> beyondOthers.forEach(other -> end.meet(other.carrier(), other::has, found)));
        return found;
    }

    private static List<Beyond> ends(List<Path> paths) {
        List<Beyond> ends = new ArrayList<>();
        for (Path path : paths) {
            List<Piece> pieces = path.closed() ? List.of() : pieces(List.of(path));
            if (!pieces.isEmpty()) {
                Piece first = pieces.get(0);
                Piece last = pieces.get(pieces.size() - 1);
                ends.add(new Beyond(first.to(), first.from(), first.arc()));
                ends.add(new Beyond(last.from(), last.to(), last.arc()));
            }
        }
        return ends;
    }

    /** What goes on from an end of a path. @param from the other end of its piece @param end that it goes on from */
    private record Beyond(GridPoint from, GridPoint end, Optional<Arc> arc) {
        Meetings.Carrier carrier() {
            return Crossings.carrier(from, end, arc);
        }

        boolean has(GridPoint place) {
            return arc.isPresent() || (place.northing() - end.northing()) * (end.northing() - from.northing())
                    + (place.easting() - end.easting()) * (end.easting() - from.easting()) >= 0;
        }

        void meet(Meetings.Carrier other, Predicate<GridPoint> onOther, List<GridPoint> found) {
            Meetings.between(carrier(), other).stream().filter(place -> has(place) && onOther.test(place))
                    .forEach(place -> add(place, found));
        }
    }

    private static Meetings.Carrier carrier(GridPoint from, GridPoint to, Optional<Arc> arc) {
        return arc.<Meetings.Carrier>map(a -> new Meetings.Circle(new GridPoint(a.centreNorth(), a.centreEast()), a.radius()))
                .orElseGet(() -> new Meetings.Straight(from, to));
    }

    private static void add(GridPoint place, List<GridPoint> found) {
        if (found.stream().noneMatch(f -> f.distanceMetres(place) <= 2 * ONE_PLACE_METRES)) {
            found.add(place);
        }
    }

    private static void meet(Piece one, Piece other, List<GridPoint> found) {
        List<GridPoint> places = new ArrayList<>(Meetings.between(one.carrier(), other.carrier()));
        places.addAll(List.of(one.from(), one.to(), other.from(), other.to()));   // a corner that touches, sides that lie upon each other
        for (GridPoint place : places) {
            if (one.has(place) && other.has(place) && !goesOn(one, other, place)) {
                add(place, found);
            }
        }
    }

    private static boolean goesOn(Piece one, Piece other, GridPoint place) {
        return one.path() == other.path() && (one.to().equals(other.from()) && place.distanceMetres(one.to()) <= ONE_PLACE_METRES
                || other.to().equals(one.from()) && place.distanceMetres(one.from()) <= ONE_PLACE_METRES);
    }
}
