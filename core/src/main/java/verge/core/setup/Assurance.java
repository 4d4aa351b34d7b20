package verge.core.setup;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.plan.Extent;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.units.Angle;
import verge.core.units.Length;

/** What a setup will be worth at the work: the expected error of a point there, and which mark observed besides would help most. */
public final class Assurance {
    private static final int CELLS = 28;
    /** Nearer than this no prism is read; farther, the near field of the contour would be all there is. */
    private static final double NEAREST_METRES = 1.5;
    private static final double FINEST_STEP_METRES = 0.0005;

    private Assurance() {
    }

    /** Which error: of the point in plan (root of both variances), or of its height. */
    public enum Part { PLAN, HEIGHT }

    /** A line of equal expected error, as rows of places. */
    public record Contour(Part part, Length error, List<List<GridPoint>> lines) {
    }

    /** Expected error of a level sight to a place. */
    public static Uncertainty at(OrientedStation station, GridPoint place) {
        GridPoint here = station.occupation().station().plan();
        double distance = Math.max(NEAREST_METRES, here.distanceMetres(place));
        Angle azimuth = new Angle(Math.atan2(place.easting() - here.easting(), place.northing() - here.northing()));
        return station.expected(new Length(distance), new Angle(Math.PI / 2), azimuth);
    }

    static Length error(OrientedStation station, GridPoint place, Part part) {
        Uncertainty u = at(station, place);
        return part == Part.PLAN ? u.plan() : u.up();
    }

    /** Contours over an area, at round figures in between what occurs there. */
    public static List<Contour> contours(OrientedStation station, Extent area) {
        List<Contour> all = new ArrayList<>();
        for (Part part : Part.values()) {
            if (part == Part.HEIGHT && station.occupation().station().elevation().isEmpty()) {
                continue;
            }
            double[][] grid = new double[CELLS + 1][CELLS + 1];
            double least = Double.MAX_VALUE;
            double most = 0;
            for (int i = 0; i <= CELLS; i++) {
                for (int j = 0; j <= CELLS; j++) {
                    grid[i][j] = error(station, node(area, i, j), part).metres();
                    least = Math.min(least, grid[i][j]);
                    most = Math.max(most, grid[i][j]);
                }
            }
            for (double level : levels(least, most)) {
                all.add(new Contour(part, new Length(level), trace(area, grid, level)));
            }
        }
        return all;
    }

    /** Round steps of 1, 2 or 5, half a millimetre at least; where nothing but a step lies between, one line in the middle. */
    static List<Double> levels(double least, double most) {
        double rough = Math.max((most - least) / 4, FINEST_STEP_METRES);
        double ten = Math.pow(10, Math.floor(Math.log10(rough)));
        double step = rough / ten < 1.5 ? ten : rough / ten < 3.5 ? 2 * ten : 5 * ten;
        List<Double> levels = new ArrayList<>();
        for (long i = (long) Math.ceil(least / step); i * step < most; i++) {
            levels.add(i * step);
        }
        return levels.isEmpty() ? List.of((least + most) / 2) : levels;
    }

    private static GridPoint node(Extent area, double i, double j) {
        return new GridPoint(area.south() + (area.north() - area.south()) * i / CELLS,
                area.west() + (area.east() - area.west()) * j / CELLS);
    }

    /** Marching squares: each cell gives the piece of the line that crosses it. */
    private static List<List<GridPoint>> trace(Extent area, double[][] grid, double level) {
        List<List<GridPoint>> pieces = new ArrayList<>();
        for (int i = 0; i < CELLS; i++) {
            for (int j = 0; j < CELLS; j++) {
                List<GridPoint> crossings = new ArrayList<>();
                crossing(area, grid, level, i, j, i, j + 1).ifPresent(crossings::add);
                crossing(area, grid, level, i, j + 1, i + 1, j + 1).ifPresent(crossings::add);
                crossing(area, grid, level, i + 1, j + 1, i + 1, j).ifPresent(crossings::add);
                crossing(area, grid, level, i + 1, j, i, j).ifPresent(crossings::add);
                for (int k = 0; k + 1 < crossings.size(); k += 2) {
                    pieces.add(List.of(crossings.get(k), crossings.get(k + 1)));
                }
            }
        }
        return pieces;
    }

    private static Optional<GridPoint> crossing(Extent area, double[][] grid, double level, int i, int j, int k, int l) {
        double a = grid[i][j] - level;
        double b = grid[k][l] - level;
        if (a < 0 == b < 0) {
            return Optional.empty();
        }
        double part = a / (a - b);
        return Optional.of(node(area, i + part * (k - i), j + part * (l - j)));
    }

    /**
     * The best mark to observe next.
     *
     * @param before largest expected error in plan at the work, as it is
     * @param after the same with the mark observed in both faces
     */
    public record Next(PointName mark, Position position, Length before, Length after) {
    }

    /**
     * @param candidates marks that could be observed
     * @param work places where the work is
     */
    public static Optional<Next> next(StationSolution solution, Arrangement arrangement, Conditions conditions, Plane plane,
            Function<PointName, Optional<KnownMark>> known, List<Suspects.KnownPoint> candidates, List<GridPoint> work) {
        Length before = largest(solution.station(), work);
        return candidates.stream().filter(k -> arrangement.sightings().stream().noneMatch(s -> s.mark().equals(k.name())) && !k.name()
                .equals(arrangement.station()))
                .flatMap(k -> with(solution, arrangement, conditions, plane, known, k)
                .map(s -> new Next(k.name(), k.position(), before, largest(s.station(), work))).stream())
                .min(Comparator.comparing(Next::after)).filter(n -> n.after().compareTo(before) < 0);
    }

    /** The setup with one more mark, read as it would be from where the station is. */
    private static Optional<StationSolution> with(StationSolution solution, Arrangement arrangement, Conditions conditions, Plane plane,
            Function<PointName, Optional<KnownMark>> known, Suspects.KnownPoint mark) {
        if (solution.station().occupation().station().plan().distanceMetres(mark.position().plan()) < NEAREST_METRES) {
            return Optional.empty();
        }
        Target target = new Target(arrangement.instrumentHeight(), Length.ZERO);
        Pointing one = solution.station().wayTo(mark.position(), target.height());
        Pointing two = new Pointing(one.horizontalDirection().plus(Angle.HALF_TURN).wholeCircle(),
                new Angle(2 * Math.PI - one.zenith().radians()), one.distance(), "");
        Sighting sighting = Sighting.of(mark.name(), target, one, two);
        List<Sighting> more = new ArrayList<>(arrangement.sightings());
        more.add(sighting);
        return StationFit.solve(arrangement.withSightings(more), conditions, plane,
                n -> n.equals(mark.name()) ? Optional.of(KnownMark.exact(mark.position())) : known.apply(n))
                instanceof StationSolution s ? Optional.of(s) : Optional.empty();
    }

    private static Length largest(OrientedStation station, List<GridPoint> work) {
        return new Length(work.stream().mapToDouble(p -> error(station, p, Part.PLAN).metres()).max().orElse(0));
    }
}
