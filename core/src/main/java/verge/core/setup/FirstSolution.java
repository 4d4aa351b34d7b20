package verge.core.setup;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import verge.core.geodesy.GridPoint;
import verge.core.units.Angle;

/**
 * Where a station roughly stands, found so that a blunder does not lead astray: closed solutions of the smallest sufficient groups of
 * marks, of which the one is taken that fits most marks best (least median of squares).
 *
 * <p>Three directions: with c = cos ω, s = sin ω and the station turned into the instrument's own axes, each direction is a linear
 * equation in four unknowns, whose null vector is the solution; no case of quadrant or order is special but the danger circle itself.
 */
final class FirstSolution {
    /** Groups grow with the third power of this; eight well spread marks hold the blunders of any real setup in the minority. */
    private static final int MOST_IN_GROUPS = 8;

    private final List<FitSight> sights;
    private final GridPoint middle;
    private final double gridPerGround;

    /** @param sights that count in plan and whose marks are known */
    FirstSolution(List<FitSight> sights, double gridPerGround) {
        this.sights = sights;
        this.gridPerGround = gridPerGround;
        this.middle = new GridPoint(sights.stream().mapToDouble(s -> plan(s).northing()).average().orElse(0),
                sights.stream().mapToDouble(s -> plan(s).easting()).average().orElse(0));
    }

    /** Place about the marks' middle, and orientation. */
    private record Candidate(double north, double east, double orientation) {
    }

    /** @param worst the median misfit, in its own standard deviations */
    record Found(GridPoint place, double orientation, double worst) {
    }

    Optional<Found> find() {
        int[] some = spread();
        List<Candidate> candidates = new ArrayList<>();
        for (int i = 0; i < some.length; i++) {
            for (int j = i + 1; j < some.length; j++) {
                candidates.addAll(pair(some[i], some[j]));
                for (int k = j + 1; k < some.length; k++) {
                    three(some[i], some[j], some[k]).ifPresent(candidates::add);
                }
            }
        }
        return candidates.stream().filter(c -> Double.isFinite(c.north() + c.east() + c.orientation()))
                .map(c -> new Found(middle.plus(c.north(), c.east()), c.orientation(), median(c)))
                .min(Comparator.comparingDouble(Found::worst));
    }

    /** The orientation of a station whose place is known, likewise. */
    double orientationAt(GridPoint place) {
        return sights.stream().mapToDouble(s -> azimuth(place, plan(s)) - direction(s))
                .mapToObj(w -> new Candidate(place.northing() - middle.northing(), place.easting() - middle.easting(), w))
                .min(Comparator.comparingDouble(this::median)).map(Candidate::orientation).orElse(0.0);
    }

    private int[] spread() {
        int n = sights.size();
        return n <= MOST_IN_GROUPS ? IntStream.range(0, n).toArray() : IntStream.range(0, MOST_IN_GROUPS).map(i -> i * n / MOST_IN_GROUPS)
                .toArray();
    }

    private List<Candidate> pair(int i, int j) {
        boolean both = range(i) > 0 && range(j) > 0;
        if (both) {
            return List.of(twoRanged(i, j));
        }
        return range(i) > 0 ? oneRanged(i, j) : range(j) > 0 ? oneRanged(j, i) : List.of();
    }

    private Candidate twoRanged(int i, int j) {
        double x = range(j) * Math.cos(direction(j)) - range(i) * Math.cos(direction(i));
        double y = range(j) * Math.sin(direction(j)) - range(i) * Math.sin(direction(i));
        double turn = Math.atan2(east(j) - east(i), north(j) - north(i)) - Math.atan2(y, x);
        int k = range(i) <= range(j) ? i : j;   // what the turn is wrong shows least at the nearer mark
        return new Candidate(north(k) - range(k) * Math.cos(direction(k) + turn), east(k) - range(k) * Math.sin(direction(k) + turn), turn);
    }

    /** A distance to the first and the angle between both: two places, one of which other marks or the quadrant rule out. */
    private List<Candidate> oneRanged(int i, int j) {
        double a = (north(j) - north(i)) * Math.sin(direction(j)) - (east(j) - east(i)) * Math.cos(direction(j));
        double b = (north(j) - north(i)) * Math.cos(direction(j)) + (east(j) - east(i)) * Math.sin(direction(j));
        double wanted = -range(i) * Math.sin(direction(j) - direction(i));
        double size = Math.hypot(a, b);
        if (size == 0) {
            return List.of();
        }
        double half = Math.acos(Math.max(-1, Math.min(1, wanted / size)));
        return List.of(Math.atan2(b, a) + half, Math.atan2(b, a) - half).stream()
                .map(turn -> new Candidate(north(i) - range(i) * Math.cos(direction(i) + turn),
                east(i) - range(i) * Math.sin(direction(i) + turn), turn)).toList();
    }

    private Optional<Candidate> three(int i, int j, int k) {
        double[][] rows = new double[3][];
        int[] of = {i, j, k};
        for (int r = 0; r < 3; r++) {
            double sin = Math.sin(direction(of[r]));
            double cos = Math.cos(direction(of[r]));
            double n = north(of[r]);
            double e = east(of[r]);
            rows[r] = new double[] {n * sin - e * cos, n * cos + e * sin, -sin, cos};
        }
        double c = determinant(rows, 1, 2, 3);
        double s = -determinant(rows, 0, 2, 3);
        double u = determinant(rows, 0, 1, 3);
        double v = -determinant(rows, 0, 1, 2);
        double size = Math.hypot(c, s);
        if (size == 0) {
            return Optional.empty();
        }
        double north = (u * c - v * s) / (size * size);
        double east = (u * s + v * c) / (size * size);
        double turn = Math.atan2(s, c);
        double ahead = Math.cos(Math.atan2(east(i) - east, north(i) - north) - direction(i) - turn);
        return Optional.of(new Candidate(north, east, ahead > 0 ? turn : turn + Math.PI));
    }

    private static double determinant(double[][] m, int a, int b, int c) {
        return m[0][a] * (m[1][b] * m[2][c] - m[1][c] * m[2][b]) - m[0][b] * (m[1][a] * m[2][c] - m[1][c] * m[2][a])
                + m[0][c] * (m[1][a] * m[2][b] - m[1][b] * m[2][a]);
    }

    /** Median over the marks of how far each is off, across and along its sight, in metres. */
    private double median(Candidate c) {
        double[] off = new double[sights.size()];
        for (int i = 0; i < off.length; i++) {
            double n = north(i) - c.north();
            double e = east(i) - c.east();
            double distance = Math.hypot(n, e);
            double turned = new Angle(Math.atan2(e, n) - direction(i) - c.orientation()).halfCircle().radians();
            double across = distance * 2 * Math.sin(Math.min(Math.abs(turned), Math.PI) / 2);
            double along = range(i) > 0 ? distance - range(i) : 0;
            off[i] = Math.hypot(across, along);
        }
        Arrays.sort(off);
        // The upper median, and a little of the mean: of two marks both must fit, and ties go to what fits all.
        return off[off.length / 2] + 1e-3 * Arrays.stream(off).average().orElse(0);
    }

    private double range(int i) {
        FitSight s = sights.get(i);
        return s.distanceCounts() ? s.horizontalMetres() * gridPerGround : -1;
    }

    private double direction(int i) {
        return direction(sights.get(i));
    }

    private static double direction(FitSight s) {
        return s.mean().direction().radians();
    }

    private double north(int i) {
        return plan(sights.get(i)).northing() - middle.northing();
    }

    private double east(int i) {
        return plan(sights.get(i)).easting() - middle.easting();
    }

    private static GridPoint plan(FitSight s) {
        return s.mark().orElseThrow().plan();
    }

    private static double azimuth(GridPoint from, GridPoint to) {
        return Math.atan2(to.easting() - from.easting(), to.northing() - from.northing());
    }
}
