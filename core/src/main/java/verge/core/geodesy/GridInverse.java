package verge.core.geodesy;

import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * Azimuth and distance between two points of one grid.
 *
 * <p>Plane geometry only: no scale factor, no arc-to-chord correction. Azimuth is clockwise from grid north in [0, 2π). Coordinates
 * are taken as exact.
 */
public final class GridInverse {
    private GridInverse() {
    }

    /** Clockwise from grid north, and in metres of the grid. */
    public record Result(Angle azimuth, Length distance) {
    }

    /** @throws SurveyException COINCIDENT_POINTS if both coordinates are equal: there is no direction then */
    public static Result between(GridPoint from, GridPoint to) {
        double north = to.northing() - from.northing();
        double east = to.easting() - from.easting();
        if (north == 0 && east == 0) {
            throw new SurveyException(Problem.COINCIDENT_POINTS);
        }
        return new Result(new Angle(Math.atan2(east, north)).wholeCircle(), new Length(Math.hypot(north, east)));
    }
}
