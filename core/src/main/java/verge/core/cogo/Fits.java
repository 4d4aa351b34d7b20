package verge.core.cogo;

import java.util.List;
import java.util.Optional;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.plan.Path;
import verge.core.plan.Vertices;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;
import verge.core.units.Length;

/** Lines, circles and planes through points, with what each of these lies off. */
final class Fits {
    private Fits() {
    }

    static Worked line(Givens given) {
        List<Position> points = given.points("points");
        BestFit<BestLine> fit = BestLine.of(points).orElseThrow(() -> new SurveyException(Problem.NO_FIT));
        BestLine line = fit.shape();
        double first = points.stream().mapToDouble(p -> line.along(p.plan())).min().orElseThrow();
        double last = points.stream().mapToDouble(p -> line.along(p.plan())).max().orElseThrow();
        Position begin = Intersections.flat(at(line, first));
        Position end = Intersections.flat(at(line, last));
        Worked.Builder worked = Worked.builder().figure("direction", new Quantity.Direction(line.azimuth()))
                .figure("horizontal", given.scales().told(begin.plan(), end.plan(), Optional.empty()))
                .point("begin", begin).point("end", end).made("bestLine", "", ReadOff.line(List.of(begin, end), false));
        return residuals(given, worked, fit, points).build();
    }

    private static GridPoint at(BestLine line, double along) {
        return line.middle().plus(along * line.azimuth().cos(), along * line.azimuth().sin());
    }

    static Worked circle(Givens given) {
        List<Position> points = given.points("points");
        BestFit<BestCircle> fit = BestCircle.of(points).orElseThrow(() -> new SurveyException(Problem.NO_FIT));
        BestCircle circle = fit.shape();
        Position centre = new Position(circle.centre(), mean(points));
        double perGrid = 1 / given.scales().gridPerGiven(centre);
        GridPoint west = circle.centre().plus(0, -circle.radius());
        GridPoint east = circle.centre().plus(0, circle.radius());
        Path round = Path.of(new Vertices.Builder().add(west.northing(), west.easting()).add(east.northing(), east.easting()).build(),
                new double[] {1, 1}, true);
        Worked.Builder worked = Worked.builder().figure("RADIUS", new Quantity.Plain(new Length(circle.radius() * perGrid)))
                .point("centre", centre).made("bestCircle", "", round);
        return residuals(given, worked, fit, points).build();
    }

    private static Optional<Elevation> mean(List<Position> points) {
        return points.stream().anyMatch(p -> p.elevation().isEmpty()) ? Optional.empty()
                : Optional.of(new Elevation(points.stream().mapToDouble(p -> p.elevation().orElseThrow().metres()).average()
                .orElseThrow()));
    }

    /** A plane, with its height at places if any are given. */
    static Worked plane(Givens given) {
        List<Position> points = given.points("points");
        for (int i = 0; i < points.size(); i++) {
            if (points.get(i).elevation().isEmpty()) {
                throw new SurveyException(Problem.POINT_WITHOUT_HEIGHT, given.name("points", i));
            }
        }
        BestFit<BestPlane> fit = BestPlane.of(points).orElseThrow(() -> new SurveyException(Problem.NO_FIT));
        BestPlane plane = fit.shape();
        Worked.Builder worked = Worked.builder().figure("falls", new Quantity.Direction(plane.falls()))
                .figure("steepest", new Quantity.Grade(-plane.steepest()))
                .figure("slopeAngle", new Quantity.Turn(new Angle(Math.atan2(Math.hypot(plane.north(), plane.east()), plane.up()))));
        residuals(given, worked, fit, points);
        if (given.has("at")) {
            List<Position> places = given.points("at");
            for (int i = 0; i < places.size(); i++) {
                Position place = places.get(i);
                double height = plane.heightAt(place.plan()).orElseThrow(() -> new SurveyException(Problem.PLANE_UPRIGHT));
                String name = given.name("at", i);
                worked.figure("planeHeight", name, new Quantity.Height(new Length(height)))
                        .point("onPlane", name, new Position(place.plan(), Optional.of(new Elevation(height))));
                place.elevation().ifPresent(own ->
                        worked.figure("abovePlane", name, new Quantity.Difference(new Length(own.metres() - height))));
            }
        }
        return worked.build();
    }

    private static Worked.Builder residuals(Givens given, Worked.Builder worked, BestFit<?> fit, List<Position> points) {
        double ground = 1 / given.scales().gridPerGiven(points.get(0));
        fit.sigma().ifPresent(sigma -> worked.figure("sigma", new Quantity.Plain(new Length(sigma * ground))));
        for (int i = 0; i < points.size(); i++) {
            double off = fit.residuals().get(i) * ground;
            worked.figure("off", given.name("points", i), fit.shape() instanceof BestLine
                    ? new Quantity.Aside(new Length(Math.abs(off)), Math.abs(off) < 5e-5 ? Optional.empty() : Optional.of(off > 0))
                    : new Quantity.Difference(new Length(off)));
        }
        fit.suspect().ifPresent(s -> worked.remark(Worked.Caution.DOES_NOT_BELONG, given.name("points", s.index()),
                new Length(Math.abs(s.off()) * ground)));
        return worked;
    }
}
