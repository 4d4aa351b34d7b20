package verge.core.cogo;

import java.util.Optional;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridInverse;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;
import verge.core.units.Length;

/** The inverse of two points as it would be measured on the site: in the grid, on the ellipsoid, on the ground, along the slope. */
public final class SiteInverse {
    private SiteInverse() {
    }

    /**
     * @param azimuth in the grid
     * @param ellipsoid along the ellipsoid; on a flat site the same as grid
     * @param ground horizontal distance on the ground, at the mean elevation of both points, by the job's own factor if it has one
     * @param inSpace slope distance, height difference and grade; absent if either point has no elevation
     */
    public record Result(Angle azimuth, Length grid, Length ellipsoid, Length ground, Optional<InSpace> inSpace) {
        /** Ground over grid along this line. */
        public double groundPerGrid() {
            return ground.metres() / grid.metres();
        }
    }

    /**
     * @param rise of the second point over the first
     * @param slope straight from mark to mark, on the ground
     * @param grade rise over horizontal ground distance, +0.02 for two per cent up
     */
    public record InSpace(Length rise, Length slope, double grade) {
    }

    /** @throws SurveyException COINCIDENT_POINTS if both have one position in plan */
    public static Result between(Position from, Position to, Plane plane, GroundUse use) {
        GridInverse.Result plan = GridInverse.between(from.plan(), to.plan());
        Length grid = plan.distance();
        Length ellipsoid = new Length(grid.metres() / plane.gridPerEllipsoid(from.plan(), to.plan()));
        Length ground = grid.times(use.groundPerGrid(1 / plane.gridPerGround(from.plan(), to.plan(), level(from, to))));
        Optional<InSpace> inSpace = from.elevation().flatMap(a -> to.elevation().map(b -> b.minus(a))).map(rise ->
                new InSpace(rise, new Length(Math.hypot(ground.metres(), rise.metres())), rise.metres() / ground.metres()));
        return new Result(plan.azimuth(), grid, ellipsoid, ground, inSpace);
    }

    /** The mean elevation; that of one point if the other has none. */
    private static Optional<Elevation> level(Position from, Position to) {
        Optional<Elevation> first = from.elevation().or(to::elevation);
        return first.flatMap(a -> to.elevation().or(from::elevation).map(b -> new Elevation((a.metres() + b.metres()) / 2)));
    }
}
