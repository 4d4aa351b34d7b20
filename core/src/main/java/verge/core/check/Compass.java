package verge.core.check;

import java.util.Locale;
import verge.core.geodesy.GridPoint;

/** Eight directions, for telling roughly where something lies. */
public enum Compass {
    NORTH, NORTH_EAST, EAST, SOUTH_EAST, SOUTH, SOUTH_WEST, WEST, NORTH_WEST;

    private static final double EIGHTH = Math.PI / 4;

    /** In which direction one place lies from another, by the grid. */
    public static Compass from(GridPoint here, GridPoint there) {
        double azimuth = Math.atan2(there.easting() - here.easting(), there.northing() - here.northing());
        return values()[(int) Math.floorMod(Math.round(azimuth / EIGHTH), 8L)];
    }

    /** 'north-east'. */
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
