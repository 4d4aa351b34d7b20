package verge.core.geodesy;

import verge.core.units.Angle;

/**
 * What a projection does to lengths and directions at one place.
 *
 * @param alongMeridian length in the grid over length on the ellipsoid, towards true north
 * @param alongParallel the same towards true east
 * @param convergence γ: grid azimuth = true azimuth − γ; positive where true north lies west of grid north, so east of the central
 *     meridian in the northern hemisphere
 * @param skew departure from a right angle between the pictures of meridian and parallel, in radians; 0 if conformal
 */
public record LocalScale(double alongMeridian, double alongParallel, Angle convergence, double skew) {
    /** Survey projections keep this to rounding; a map projection that is not conformal misses it by far. */
    private static final double CONFORMAL_WITHIN = 1e-7;

    /** Whether one figure holds in all directions. */
    public boolean conformal() {
        return Math.abs(alongMeridian / alongParallel - 1) < CONFORMAL_WITHIN && Math.abs(skew) < CONFORMAL_WITHIN;
    }

    /** k; where the projection is not conformal, along the meridian. */
    public double point() {
        return alongMeridian;
    }

    /** The same where the grid is moved as a whole. */
    LocalScale moved(Similarity move) {
        return new LocalScale(alongMeridian * move.scale(), alongParallel * move.scale(), convergence.minus(move.rotation()).halfCircle(),
                skew);
    }

    /** Length in the grid over length on the ellipsoid, in a direction of the grid. */
    public double along(Angle gridAzimuth) {
        // The grid vector taken apart along the pictures of meridian and parallel gives the vector on the ellipsoid.
        double meridian = -convergence.radians();
        double parallel = meridian + Math.PI / 2 + skew;
        double det = Math.sin(parallel - meridian);
        double north = Math.sin(parallel - gridAzimuth.radians()) / det / alongMeridian;
        double east = Math.sin(gridAzimuth.radians() - meridian) / det / alongParallel;
        return 1 / Math.hypot(north, east);
    }
}
