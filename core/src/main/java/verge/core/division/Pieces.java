package verge.core.division;

import verge.core.plan.Path;

/** The sides and arcs of one ring in a frame, in arrays, so that fifty thousand of them are gone through in a millisecond. */
final class Pieces {
    private static final double TURN = 2 * Math.PI;
    private final double[] right;
    private final double[] ahead;
    /** Of the piece that begins at each vertex. */
    private final double[] bulge;
    /** Where each piece's arc has its middle, how large it is, where it begins as seen from there and by what it turns; NaN for a side. */
    private final double[][] arcs;
    /** 1 if it runs anticlockwise as seen from above, else −1. */
    private final double sense;

    private Pieces(double[] right, double[] ahead, double[] bulge) {
        this.right = right;
        this.ahead = ahead;
        this.bulge = bulge;
        arcs = new double[right.length][];
        for (int i = 0; i < right.length; i++) {
            arcs[i] = bulge[i] == 0 ? null : arc(i);
        }
        sense = integral(Double.POSITIVE_INFINITY) < 0 ? -1 : 1;
    }

    /** The same as somebody sees them who turns to the right. */
    private Pieces(Pieces before, double angle) {
        double cosine = Math.cos(angle);
        double sine = Math.sin(angle);
        int size = before.right.length;
        right = new double[size];
        ahead = new double[size];
        arcs = new double[size][];
        bulge = before.bulge;
        sense = before.sense;
        for (int i = 0; i < size; i++) {
            right[i] = before.right[i] * cosine - before.ahead[i] * sine;
            ahead[i] = before.ahead[i] * cosine + before.right[i] * sine;
            double[] arc = before.arcs[i];
            if (arc != null) {
                arcs[i] = new double[] {arc[0] * cosine - arc[1] * sine, arc[1] * cosine + arc[0] * sine, arc[2], arc[3] + angle, arc[4],
                        arc[5], arc[6]};
            }
        }
    }

    static Pieces of(Path ring, Frame frame) {
        int size = ring.vertices().size();
        double[] right = new double[size];
        double[] ahead = new double[size];
        double[] bulge = new double[size];
        for (int i = 0; i < size; i++) {
            right[i] = frame.right(ring.vertices().north(i), ring.vertices().east(i));
            ahead[i] = frame.ahead(ring.vertices().north(i), ring.vertices().east(i));
            bulge[i] = ring.bulge(i);
        }
        return new Pieces(right, ahead, bulge);
    }

    /** As somebody sees them who turns to the right by an angle in radians, standing where they were seen from. */
    Pieces turned(double angle) {
        return new Pieces(this, angle);
    }

    int size() {
        return right.length;
    }

    double sense() {
        return sense;
    }

    private int next(int piece) {
        return piece + 1 == right.length ? 0 : piece + 1;
    }

    /**
     * Middle to the right, middle ahead, radius, angle of the begin from the right towards ahead, turn, how far it may leave the box of its
     * ends, and the area between it and its chord, positive where it turns to the left; null for an arc without a chord.
     */
    private double[] arc(int piece) {
        double alongRight = right[next(piece)] - right[piece];
        double alongAhead = ahead[next(piece)] - ahead[piece];
        double chord = Math.hypot(alongRight, alongAhead);
        if (chord == 0) {
            return null;
        }
        double b = bulge[piece];
        double left = (1 - b * b) / (4 * b);   // of the chord's middle, in chords
        double middleRight = (right[piece] + right[next(piece)]) / 2 - left * alongAhead;
        double middleAhead = (ahead[piece] + ahead[next(piece)]) / 2 + left * alongRight;
        double radius = chord * (1 + b * b) / (4 * Math.abs(b));
        double turn = 4 * Math.atan(b);
        return new double[] {middleRight, middleAhead, radius, Math.atan2(ahead[piece] - middleAhead, right[piece] - middleRight), turn,
                Math.abs(b) <= 1 ? Math.abs(b) * chord / 2 : 2 * radius, segment(radius, turn)};
    }

    /** What of the ring lies to the left of a line; of all of it, its area. */
    double left(double at) {
        return sense * integral(at);
    }

    private double integral(double at) {
        double sum = 0;
        for (int i = 0; i < right.length; i++) {
            sum += arcs[i] == null ? side(right[i], ahead[i], right[next(i)], ahead[next(i)], at) : curved(i, at);
        }
        return sum;
    }

    /** ∫ min(s, t) dn along a straight side. */
    private static double side(double fromRight, double fromAhead, double toRight, double toAhead, double at) {
        double forward = toAhead - fromAhead;
        if (fromRight <= at && toRight <= at) {
            return (fromRight + toRight) / 2 * forward;
        }
        if (fromRight >= at && toRight >= at) {
            return at * forward;
        }
        double part = (at - fromRight) / (toRight - fromRight);
        double within = fromRight < at ? part : 1 - part;
        double outer = Math.min(fromRight, toRight);
        return forward * (within * (outer + at) / 2 + (1 - within) * at);
    }

    /**
     * The same along an arc: what its chord gives, and what lies between both, piece by piece between the places where the line crosses it.
     */
    private double curved(int piece, double at) {
        double reach = arcs[piece][5];
        double begin = right[piece];
        double end = right[next(piece)];
        if (Math.max(begin, end) + reach <= at) {
            return (begin + end) / 2 * (ahead[next(piece)] - ahead[piece]) + arcs[piece][6];
        }
        if (Math.min(begin, end) - reach >= at) {
            return at * (ahead[next(piece)] - ahead[piece]);
        }
        double[] cuts = cuts(piece, at);
        double sum = 0;
        for (int k = 0; k + 1 < cuts.length; k++) {
            double fromRight = rightAt(piece, cuts[k]);
            double toRight = rightAt(piece, cuts[k + 1]);
            double forward = aheadAt(piece, cuts[k + 1]) - aheadAt(piece, cuts[k]);
            sum += rightAt(piece, (cuts[k] + cuts[k + 1]) / 2) >= at ? at * forward : (fromRight + toRight) / 2 * forward
                    + segment(arcs[piece][2], arcs[piece][4] * (cuts[k + 1] - cuts[k]));
        }
        return sum;
    }

    /** Between an arc and its chord, positive where it turns to the left. */
    private static double segment(double radius, double turn) {
        return radius * radius * (turn - Math.sin(turn)) / 2;
    }

    /** Begin and end of a piece, 0 and 1, and in order between them where it crosses the line. */
    double[] cuts(int piece, double at) {
        double[] arc = arcs[piece];
        if (arc == null) {
            double from = right[piece];
            double to = right[next(piece)];
            return (from < at) == (to < at) ? new double[] {0, 1} : new double[] {0, (at - from) / (to - from), 1};
        }
        double cosine = (at - arc[0]) / arc[2];
        if (!(Math.abs(cosine) < 1)) {
            return new double[] {0, 1};
        }
        double angle = Math.acos(cosine);
        double one = part(arc, angle);
        double other = part(arc, -angle);
        double first = Math.min(one, other);
        double second = Math.max(one, other);
        if (!(first > 0 && first < 1)) {
            return second > 0 && second < 1 ? new double[] {0, second, 1} : new double[] {0, 1};
        }
        return second < 1 && second > first ? new double[] {0, first, second, 1} : new double[] {0, first, 1};
    }

    private static double part(double[] arc, double angle) {
        double turned = arc[4] < 0 ? arc[3] - angle : angle - arc[3];
        return (turned - TURN * Math.floor(turned / TURN)) / Math.abs(arc[4]);
    }

    double rightAt(int piece, double part) {
        if (part == 0 || part == 1) {
            return right[part == 0 ? piece : next(piece)];
        }
        double[] arc = arcs[piece];
        return arc == null ? right[piece] + part * (right[next(piece)] - right[piece]) : arc[0] + arc[2] * Math.cos(arc[3] + part * arc[4]);
    }

    double aheadAt(int piece, double part) {
        if (part == 0 || part == 1) {
            return ahead[part == 0 ? piece : next(piece)];
        }
        double[] arc = arcs[piece];
        return arc == null ? ahead[piece] + part * (ahead[next(piece)] - ahead[piece]) : arc[1] + arc[2] * Math.sin(arc[3] + part * arc[4]);
    }

    /** The bulge of a part of a piece. */
    double bulge(int piece, double from, double to) {
        return from == 0 && to == 1 || arcs[piece] == null ? bulge[piece] : Math.tan(arcs[piece][4] * (to - from) / 4);
    }

    double least() {
        return -extreme(-1);
    }

    double most() {
        return extreme(1);
    }

    /** The farthest of it to one side. */
    private double extreme(int side) {
        double most = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < right.length; i++) {
            most = Math.max(most, side * right[i]);
            if (arcs[i] != null && part(arcs[i], side > 0 ? 0 : Math.PI) < 1) {
                most = Math.max(most, side * arcs[i][0] + arcs[i][2]);
            }
        }
        return most;
    }
}
