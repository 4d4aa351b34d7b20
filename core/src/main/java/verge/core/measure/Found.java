package verge.core.measure;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.plan.Arc;
import verge.core.plan.Meetings;
import verge.core.setup.ObservedPoint;
import verge.core.setup.Occupation;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * Where a point lies that no prism stood on.
 *
 * <p>Textbook geometry in the plan of the grid; lengths that were taped or are the pole's own are brought from the ground into the grid
 * where they lie. Pure functions; what has no solution (ends that
 * coincide, circles that do not meet, a face beside its edges) gives nothing.
 *
 * @param sigma of sights alone, as if independent: what was taped counts as exact; absent where nothing was sighted
 * @param radius of something round
 * @param misfit of the pole's own length: as it was sighted, less as it is
 */
public record Found(Position position, Optional<Uncertainty> sigma, Optional<Length> radius, Optional<Length> misfit) {
    private static final double HALF = 0.5;
    private static final double LEAST_METRES = 1e-3;
    /** A rim that is flatter for the way between its ends has no middle that three sights could tell. */
    private static final double FLATTEST = 50;

    /** Straight on beyond two places. */
    static Optional<Found> beyond(Finding.Beyond said, Sight first, Sight second, Plane plane) {
        ObservedPoint one = first.foot().orElseThrow();
        ObservedPoint two = second.foot().orElseThrow();
        Position a = one.position();
        Position b = two.position();
        double grid = plane.gridPerGround(a.plan(), b.plan(), b.elevation()) * second.leaf().station().occupation().scale();
        double north = (b.plan().northing() - a.plan().northing()) / grid;
        double east = (b.plan().easting() - a.plan().easting()) / grid;
        Optional<Double> rise = rise(first, second);
        double sighted = Math.sqrt(north * north + east * east + rise.map(up -> up * up).orElse(0.0));
        if (rise.isEmpty() || sighted < LEAST_METRES) {
            return Optional.empty();
        }
        double times = said.beyond().metres() / sighted;
        GridPoint plan = b.plan().plus(grid * times * north, grid * times * east);
        Optional<Elevation> elevation = rise.flatMap(up -> b.elevation().map(e -> new Elevation(e.metres() + times * up)));
        Uncertainty sigma = new Uncertainty(onward(one.sigma().north(), two.sigma().north(), times),
                onward(one.sigma().east(), two.sigma().east(), times), onward(one.sigma().up(), two.sigma().up(), times));
        return Optional.of(new Found(new Position(plan, elevation), Optional.of(sigma), Optional.empty(),
                said.between().map(own -> new Length(sighted - own.metres()))));
    }

    /** From one place to the other. From one station that is known wherever it stands; from two, only by their heights. */
    private static Optional<Double> rise(Sight first, Sight second) {
        if (first.leaf().entry().equals(second.leaf().entry())) {
            return first.foot().flatMap(one -> second.foot().map(two -> two.reduction().rise().metres() - one.reduction().rise().metres()));
        }
        return first.foot().flatMap(one -> one.position().elevation())
                .flatMap(low -> second.foot().flatMap(two -> two.position().elevation()).map(high -> high.metres() - low.metres()));
    }

    /** b + t (b − a) = (1 + t) b − t a. */
    private static Length onward(Length a, Length b, double times) {
        return new Length(Math.hypot((1 + times) * b.metres(), times * a.metres()));
    }

    /** D = d / (1 − sin α/2): the face is nearer than the middle by the radius, which is what the edges are seen beside it. */
    static Optional<Found> edges(Sight one, Sight other, Sight face) {
        Optional<ObservedPoint> front = face.foot();
        double half = other.azimuth().minus(one.azimuth()).halfCircle().radians() / 2;
        Angle middle = new Angle(one.azimuth().radians() + half).wholeCircle();
        double aside = face.azimuth().minus(middle).halfCircle().radians();
        boolean oneStation = one.leaf().entry().equals(other.leaf().entry()) && one.leaf().entry().equals(face.leaf().entry());
        if (!oneStation || front.isEmpty() || Math.abs(half) >= Math.PI / 4 || half == 0 || Math.abs(aside) >= Math.abs(half)) {
            return Optional.empty();
        }
        GridPoint station = face.leaf().station().occupation().station().plan();
        double nearest = faceDistance(station.distanceMetres(front.get().position().plan()), aside, Math.sin(Math.abs(half)));
        double away = nearest / (1 - Math.sin(Math.abs(half)));
        GridPoint plan = station.plus(away * middle.cos(), away * middle.sin());
        Occupation here = face.leaf().station().occupation();
        double grid = here.plane().gridPerGround(plan, plan, front.get().position().elevation()) * here.scale();
        return Optional.of(new Found(new Position(plan, front.get().position().elevation()), Optional.of(front.get().sigma()),
                Optional.of(new Length((away - nearest) / grid)), Optional.empty()));
    }

    /** How far the nearest place of the face is, where it was read a little aside. */
    private static double faceDistance(double read, double aside, double sine) {
        // The place that was read lies the radius D s from the middle: (1 − s²) D² − 2 d cos(a) D + d² = 0; at the larger root it is the
        // near face.
        double p = read * Math.cos(aside) / (1 - sine * sine);
        double middle = p + Math.sqrt(Math.max(0, p * p - read * read / (1 - sine * sine)));
        return middle * (1 - sine);
    }

    /** The circle through three places; its height is their mean. */
    static Optional<Found> rim(List<ObservedPoint> rim, Plane plane) {
        GridPoint a = rim.get(0).position().plan();
        GridPoint b = rim.get(1).position().plan();
        GridPoint c = rim.get(2).position().plan();
        OptionalDouble bulge = a.distanceMetres(b) < LEAST_METRES || b.distanceMetres(c) < LEAST_METRES
                || a.distanceMetres(c) < LEAST_METRES ? OptionalDouble.empty() : Arc.bulgeThrough(a, b, c);
        Optional<Arc> arc = bulge.isPresent() && Double.isFinite(bulge.getAsDouble()) ? Arc.ofBulge(a, c, bulge.getAsDouble())
                : Optional.empty();
        return arc.filter(circle -> circle.radius() <= FLATTEST * Math.max(a.distanceMetres(b),
                Math.max(b.distanceMetres(c), a.distanceMetres(c)))).map(circle -> {
            GridPoint centre = new GridPoint(circle.centreNorth(), circle.centreEast());
            List<Elevation> heights = rim.stream().flatMap(o -> o.position().elevation().stream()).toList();
            Optional<Elevation> mean = heights.size() < rim.size() ? Optional.empty()
                    : Optional.of(new Elevation(heights.stream().mapToDouble(Elevation::metres).average().orElseThrow()));
            return new Found(new Position(centre, mean), Optional.empty(),
                    Optional.of(new Length(circle.radius() / plane.gridPerGround(centre, centre, mean))), Optional.empty());
        });
    }

    static Optional<Found> taped(Finding.Taped said, Position first, Position other, Plane plane) {
        double grid = plane.gridPerGround(first.plan(), other.plan(), first.elevation());
        GridPoint a = first.plan();
        GridPoint b = other.plan();
        return Meetings.between(new Meetings.Circle(a, grid * said.from().metres()),
                new Meetings.Circle(b, grid * said.fromOther().metres())).stream()
                .filter(p -> isLeft(a, b, p) == said.left() || isOn(a, b, p)).findFirst().map(Found::flat);
    }

    private static double cross(GridPoint a, GridPoint b, GridPoint p) {
        return (b.northing() - a.northing()) * (p.easting() - a.easting()) - (b.easting() - a.easting()) * (p.northing() - a.northing());
    }

    private static boolean isLeft(GridPoint a, GridPoint b, GridPoint p) {
        return cross(a, b, p) < 0;
    }

    private static boolean isOn(GridPoint a, GridPoint b, GridPoint p) {
        return Math.abs(cross(a, b, p)) < LEAST_METRES * HALF * a.distanceMetres(b);
    }

    /** A tape tells no height. */
    private static Found flat(GridPoint plan) {
        return new Found(new Position(plan, Optional.empty()), Optional.empty(), Optional.empty(), Optional.empty());
    }

    static Optional<Found> square(Finding.Square said, Position first, Position other, Plane plane) {
        double length = first.plan().distanceMetres(other.plan());
        if (length < LEAST_METRES) {
            return Optional.empty();
        }
        double grid = plane.gridPerGround(first.plan(), other.plan(), first.elevation());
        double north = (other.plan().northing() - first.plan().northing()) / length;
        double east = (other.plan().easting() - first.plan().easting()) / length;
        double along = grid * said.along().metres();
        double right = grid * said.right().metres();
        return Optional.of(flat(first.plan().plus(along * north - right * east, along * east + right * north)));
    }
}
