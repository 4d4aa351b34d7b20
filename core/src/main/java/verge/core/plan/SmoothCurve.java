package verge.core.plan;

import java.util.ArrayList;
import java.util.List;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;

/**
 * A smooth curve through places, made of arcs alone: two between each place and the next, which meet without a bend.
 *
 * <p>At each inner place it runs as the circle through the place and its neighbours does, at its ends so that a single arc leads there. So
 * it goes through every place exactly, can be drawn, measured and handed over as arcs, and is a circle where the places lie on one. The
 * pair of arcs is the one whose tangents are of equal length (K. M. Bolton, 'Biarc curves', Computer-Aided Design 7, 1975). Where an arc
 * would have to turn by more than a half-circle to be smooth, as between two places shot twice or out of order, the piece is straight: a
 * bend is seen, a loop would be believed.
 */
public final class SmoothCurve {
    /** Sine of a bend that no double can tell from none at the coordinates' size. */
    private static final double NO_BEND = 1e-12;

    private static final double HALF_A_TURN = 1;
    /** Two chords of a half-circle are √2 times its diameter. */
    private static final double LONGEST_WAY = 1.5;

    private SmoothCurve() {
    }

    /** A direction in plan, of unit length. */
    private record Heading(double north, double east) {
        static Heading between(GridPoint from, GridPoint to) {
            double length = from.distanceMetres(to);
            return new Heading((to.northing() - from.northing()) / length, (to.easting() - from.easting()) / length);
        }

        /** Turned to the left by the angle whose sine and cosine are given. */
        Heading turned(double sine, double cosine) {
            return new Heading(north * cosine + east * sine, east * cosine - north * sine);
        }

        /** How it lies as seen from another: along that, and to its left. */
        double along(Heading other) {
            return north * other.north + east * other.east;
        }

        double leftOf(Heading other) {
            return north * other.east - east * other.north;
        }

        /** The other side of a line. */
        Heading mirrored(Heading line) {
            return turned(-2 * leftOf(line) * along(line), 1 - 2 * leftOf(line) * leftOf(line));
        }
    }

    /**
     * @param places at least two, no two neighbours in one spot
     * @param closed whether it leads from the last back to the first
     */
    public static Path through(List<Position> places, boolean closed) {
        int size = places.size();
        List<Heading> headings = headings(places, closed);
        Vertices.Builder vertices = new Vertices.Builder();
        List<Double> bulges = new ArrayList<>();
        for (int i = 0; i < (closed ? size : size - 1); i++) {
            add(vertices, bulges, places.get(i), headings.get(i), places.get((i + 1) % size), headings.get((i + 1) % size));
        }
        if (!closed) {
            add(vertices, places.get(size - 1).plan(), places.get(size - 1).elevation().map(Elevation::metres).orElse(Double.NaN));
            bulges.add(0.0);
        }
        return Path.of(vertices.build(), bulges.stream().mapToDouble(b -> b).toArray(), closed);
    }

    private static void add(Vertices.Builder vertices, GridPoint plan, double height) {
        vertices.add(plan.northing(), plan.easting(), height);
    }

    private static List<Heading> headings(List<Position> places, boolean closed) {
        int size = places.size();
        List<Heading> headings = new ArrayList<>();
        for (int i = 0; i < size; i++) {
            boolean inner = closed || i > 0 && i < size - 1;
            headings.add(inner ? atMiddle(places.get((i + size - 1) % size).plan(), places.get(i).plan(), places.get((i + 1) % size).plan())
                    : null);
        }
        if (!closed) {
            Heading first = Heading.between(places.get(0).plan(), places.get(1).plan());
            Heading last = Heading.between(places.get(size - 2).plan(), places.get(size - 1).plan());
            headings.set(0, size == 2 ? first : headings.get(1).mirrored(first));
            headings.set(size - 1, size == 2 ? last : headings.get(size - 2).mirrored(last));
        }
        return headings;
    }

    /**
     * How the circle through three places runs at the middle one: its tangent turns from the piece before by what the whole turns through
     * beyond it.
     */
    private static Heading atMiddle(GridPoint before, GridPoint at, GridPoint after) {
        Heading in = Heading.between(before, at);
        Heading out = Heading.between(at, after);
        double a = before.distanceMetres(at);
        double b = at.distanceMetres(after);
        // The chords turn by the half of each arc; weighting crosswise is what sine and cosine of the inscribed angles come to.
        double north = in.north() * b + out.north() * a;
        double east = in.east() * b + out.east() * a;
        double length = Math.hypot(north, east);
        return length == 0 ? new Heading(-in.east(), in.north()) : new Heading(north / length, east / length);
    }

    private static void add(Vertices.Builder vertices, List<Double> bulges, Position from, Heading begin, Position to, Heading end) {
        double height = from.elevation().map(Elevation::metres).orElse(Double.NaN);
        double rise = to.elevation().map(Elevation::metres).orElse(Double.NaN) - height;
        double north = to.plan().northing() - from.plan().northing();
        double east = to.plan().easting() - from.plan().easting();
        double along = north * (begin.north() + end.north()) + east * (begin.east() + end.east());
        double apart = 2 * (1 - begin.along(end));
        double length = (north * north + east * east) / (along + Math.sqrt(along * along + apart * (north * north + east * east)));
        Heading whole = Heading.between(from.plan(), to.plan());
        add(vertices, from.plan(), height);
        if (!Double.isFinite(length) || Math.abs(begin.leftOf(whole)) < NO_BEND && Math.abs(end.leftOf(whole)) < NO_BEND) {
            bulges.add(0.0);   // straight on, or straight back, where no arc leads
            return;
        }
        GridPoint joint = new GridPoint((from.plan().northing() + to.plan().northing() + length * (begin.north() - end.north())) / 2,
                (from.plan().easting() + to.plan().easting() + length * (begin.east() - end.east())) / 2);
        Heading first = Heading.between(from.plan(), joint);
        Heading second = Heading.between(joint, to.plan());
        double firstBulge = -halfTangent(begin.leftOf(first), begin.along(first));
        double secondBulge = halfTangent(end.leftOf(second), end.along(second));
        double way = from.plan().distanceMetres(joint) + joint.distanceMetres(to.plan());
        if (Math.abs(firstBulge) > HALF_A_TURN || Math.abs(secondBulge) > HALF_A_TURN || way > LONGEST_WAY * from.plan()
                .distanceMetres(to.plan())) {
            bulges.add(0.0);
            return;
        }
        bulges.add(firstBulge);
        add(vertices, joint, height + rise * share(from.plan().distanceMetres(joint), firstBulge, joint.distanceMetres(to.plan()),
                secondBulge));
        bulges.add(secondBulge);
    }

    /** What of the way the first of two arcs is. */
    private static double share(double chord, double bulge, double nextChord, double nextBulge) {
        double first = chord * stretch(bulge);
        return first / (first + nextChord * stretch(nextBulge));
    }

    /** How much longer an arc is than its chord. */
    private static double stretch(double bulge) {
        return bulge == 0 ? 1 : (1 + bulge * bulge) * Math.atan(bulge) / bulge;
    }

    /** The tangent of half an angle by its sine and cosine. */
    private static double halfTangent(double sine, double cosine) {
        return Math.tan(Math.atan2(sine, cosine) / 2);
    }
}
