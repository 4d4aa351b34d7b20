package verge.core.enclosure;

import verge.core.units.Angle;

/**
 * Which way a camera looked.
 *
 * @param azimuth clockwise from its north, in [0, 2π)
 */
public record Looking(Angle azimuth, North north) {
    /** What an azimuth is told from. */
    public enum North { GRID, TRUE, MAGNETIC }

    public Looking {
        azimuth = azimuth.wholeCircle();
    }

    /**
     * Clockwise from grid north. A compass is taken as if it pointed to true north: nobody has told its declination, and a picture is wider
     * than that.
     *
     * @param convergence γ of the place: grid azimuth = true azimuth − γ
     */
    public Angle inGrid(Angle convergence) {
        return north == North.GRID ? azimuth : azimuth.minus(convergence).wholeCircle();
    }

    /** The same told from true north; what a compass gave stays as it is. */
    public Looking fromTrueNorth(Angle convergence) {
        return north == North.GRID ? new Looking(azimuth.plus(convergence), North.TRUE) : this;
    }
}
