package verge.core.division;

import verge.core.geodesy.GridPoint;
import verge.core.units.Angle;

/**
 * The plan as somebody sees it who stands at an origin and looks in a direction: places ahead and to the right.
 *
 * @param north cosine of the direction's azimuth
 * @param east its sine
 */
record Frame(GridPoint origin, double north, double east) {
    static Frame looking(GridPoint origin, Angle direction) {
        return new Frame(origin, direction.cos(), direction.sin());
    }

    double right(double northing, double easting) {
        return (easting - origin.easting()) * north - (northing - origin.northing()) * east;
    }

    double ahead(double northing, double easting) {
        return (northing - origin.northing()) * north + (easting - origin.easting()) * east;
    }

    GridPoint place(double right, double ahead) {
        return origin.plus(ahead * north - right * east, ahead * east + right * north);
    }
}
