package verge.instruments.world;

import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.units.Angle;

/**
 * Where the island lies on the earth: its grid is UTM zone 32N on WGS 84's ellipsoid, by Krüger's series to the fourth order (a hundredth
 * of a millimetre), and its sea lies over the ellipsoid on a plane.
 */
public final class OnEarth {
    private static final double SEMI_MAJOR = 6_378_137;
    private static final double FLATTENING = 1 / 298.257223563;
    private static final double ON_THE_MERIDIAN = 0.9996;
    private static final double FALSE_EASTING = 500_000;
    private static final double MERIDIAN = Math.toRadians(9);
    private static final double N = FLATTENING / (2 - FLATTENING);
    private static final double N2 = N * N;
    private static final double N3 = N2 * N;
    private static final double N4 = N3 * N;
    private static final double QUARTER = SEMI_MAJOR / (1 + N) * (1 + N2 / 4 + N4 / 64);
    private static final double[] BETA = {N / 2 - 2 * N2 / 3 + 37 * N3 / 96 - N4 / 360, N2 / 48 + N3 / 15 - 437 * N4 / 1440,
            17 * N3 / 480 - 37 * N4 / 840, 4397 * N4 / 161_280};
    private static final double[] DELTA = {2 * N - 2 * N2 / 3 - 2 * N3 + 116 * N4 / 45, 7 * N2 / 3 - 8 * N3 / 5 - 227 * N4 / 45,
            56 * N3 / 15 - 136 * N4 / 35, 4279 * N4 / 630};
    /** Of the model of 1996, in the yard and a metre to the north and the east of it. */
    private static final double SEA_METRES = 37.61806;
    private static final double SEA_PER_METRE_NORTH = 0.74e-6;
    private static final double SEA_PER_METRE_EAST = -11.01e-6;

    private OnEarth() {
    }

    /** @param metres above the sea */
    public static EarthPlace at(GridPoint plan, double metres) {
        double xi = plan.northing() / (ON_THE_MERIDIAN * QUARTER);
        double eta = (plan.easting() - FALSE_EASTING) / (ON_THE_MERIDIAN * QUARTER);
        double xi1 = xi;
        double eta1 = eta;
        for (int j = 1; j <= BETA.length; j++) {
            xi1 -= BETA[j - 1] * Math.sin(2 * j * xi) * Math.cosh(2 * j * eta);
            eta1 -= BETA[j - 1] * Math.cos(2 * j * xi) * Math.sinh(2 * j * eta);
        }
        double conformal = Math.asin(Math.sin(xi1) / Math.cosh(eta1));
        double latitude = conformal;
        for (int j = 1; j <= DELTA.length; j++) {
            latitude += DELTA[j - 1] * Math.sin(2 * j * conformal);
        }
        double longitude = MERIDIAN + Math.atan2(Math.sinh(eta1), Math.cos(xi1));
        double north = plan.northing() - Ternholm.YARD.northing();
        double east = plan.easting() - Ternholm.YARD.easting();
        double sea = SEA_METRES + SEA_PER_METRE_NORTH * north + SEA_PER_METRE_EAST * east;
        return new EarthPlace(new Geographic(new Angle(latitude), new Angle(longitude)), new EllipsoidHeight(metres + sea));
    }
}
