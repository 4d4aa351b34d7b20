package verge.instruments.world;

import java.util.List;
import java.util.stream.Stream;
import verge.core.geodesy.GridPoint;
import verge.core.satellite.Sight;

/** What stands before the sky on the island: the cliff, the tower, the boat loft, and the dome itself. */
public final class Horizon {
    private static final List<Wall> WALLS = Stream.concat(Ternholm.cliff().stream(), BoatLoft.walls().stream()).toList();
    private static final GridPoint TOWER = Ternholm.YARD.plus(12, 33);
    private static final double TOWER_RADIUS = 5.2;
    private static final double TOWER_TOP_METRES = 34;
    private static final double SEEN_METRES = 400;
    private static final double STEP_METRES = 8;
    /** Grid north lies so far clockwise of true north in the yard. */
    private static final double CONVERGENCE = Math.toRadians(2.053);

    private Horizon() {
    }

    /** @param metres above the sea, of the antenna @param sight with its azimuth from true north */
    public static boolean open(GridPoint at, double metres, Sight sight) {
        double azimuth = sight.azimuth().radians() - CONVERGENCE;
        double north = Math.cos(azimuth);
        double east = Math.sin(azimuth);
        double rise = Math.tan(sight.elevation().radians());
        return WALLS.stream().noneMatch(w -> hidden(metres, rise, w.steps(at, north, east), w.topMetres()))
                && !hidden(metres, rise, toTower(at, north, east), TOWER_TOP_METRES) && overGround(at, metres, north, east, rise);
    }

    private static boolean hidden(double metres, double rise, double away, double top) {
        return away >= 0 && metres + away * rise < top;
    }

    /** To its near side; not at all from its own gallery, above which is nothing but the lantern. */
    private static double toTower(GridPoint at, double north, double east) {
        double n = TOWER.northing() - at.northing();
        double e = TOWER.easting() - at.easting();
        double along = n * north + e * east;
        double aside2 = n * n + e * e - along * along;
        double half2 = TOWER_RADIUS * TOWER_RADIUS - aside2;
        return half2 > 0 ? along - Math.sqrt(half2) : -1;
    }

    private static boolean overGround(GridPoint at, double metres, double north, double east, double rise) {
        if (metres + STEP_METRES * rise > Ternholm.HIGHEST_METRES) {
            return true;
        }
        for (double away = STEP_METRES; away <= SEEN_METRES; away += STEP_METRES) {
            if (metres + away * rise < Ternholm.surface(at.plus(away * north, away * east)).metres()) {
                return false;
            }
        }
        return true;
    }
}
