package verge.instruments.world;

import java.util.List;
import verge.core.geodesy.GridPoint;

/**
 * The boat loft: 18 by 9 metres, a partition across one end and a row of frames before the long wall. Its walls stand some millimetres off
 * where the drawing has them, as built walls do.
 */
public final class BoatLoft {
    public static final double FLOOR_METRES = 4.2;
    private static final double EAVES_METRES = 7.4;
    private static final GridPoint CORNER = Ternholm.YARD.plus(-46, 66);
    private static final double AZIMUTH = Math.toRadians(24);

    private BoatLoft() {
    }

    /** A place by its distances from the corner, across the loft and along it. */
    public static GridPoint place(double across, double along) {
        return CORNER.plus(across * Math.cos(AZIMUTH) - along * Math.sin(AZIMUTH), across * Math.sin(AZIMUTH) + along * Math.cos(AZIMUTH));
    }

    /** @param off how far the wall truly stands to the inside, in metres */
    private static Wall wall(String name, double across1, double along1, double across2, double along2, double offAcross, double offAlong) {
        return new Wall(name, place(across1 + offAcross, along1 + offAlong), place(across2 + offAcross, along2 + offAlong), FLOOR_METRES,
                EAVES_METRES);
    }

    public static List<Wall> walls() {
        return List.of(wall("long wall, yard side", 0, 0, 0, 18, 0.002, 0), wall("gable, sea side", 0, 18, 9, 18, 0, -0.003),
                wall("long wall, shore side", 9, 18, 9, 0, 0.001, 0), wall("gable, land side", 9, 0, 0, 0, 0, 0.002),
                wall("partition", 0, 5, 5.5, 5, 0, 0.001), wall("frames", 8.4, 7, 8.4, 16, -0.002, 0));
    }

    static boolean holds(GridPoint p) {
        double n = p.northing() - CORNER.northing();
        double e = p.easting() - CORNER.easting();
        double across = n * Math.cos(AZIMUTH) + e * Math.sin(AZIMUTH);
        double along = -n * Math.sin(AZIMUTH) + e * Math.cos(AZIMUTH);
        return across > 0 && across < 9 && along > 0 && along < 18;
    }
}
