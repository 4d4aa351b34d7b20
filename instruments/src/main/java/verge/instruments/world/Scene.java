package verge.instruments.world;

import java.util.Optional;
import java.util.Random;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;

/**
 * What stands where on the island at this moment. Immutable: each thing a person does makes the next scene.
 *
 * @param tripod absent while the instrument is in its box
 * @param pole where the pole's tip truly stands
 * @param leanNorth how far the prism leans off the vertical over the tip, in metres
 */
public record Scene(Optional<Tripod> tripod, GridPoint pole, double poleHeightMetres, double leanNorth, double leanEast,
        double prismConstantMetres, long upsets) {
    private static final double SIGMA_CENTRING_METRES = 0.0006;
    private static final double SIGMA_LEAN_METRES = 0.0012;
    private static final double SIGMA_TAPE_METRES = 0.0006;

    /**
     * @param truth of the mark below, with its elevation
     * @param offNorth how far the vertical axis misses the mark
     * @param circleZeroAzimuth azimuth of the horizontal circle's zero, in radians
     * @param heightMetres true height of the axes above the mark
     * @param tapeMetres the height as read with a tape
     */
    public record Tripod(String mark, Position truth, double offNorth, double offEast, double heightMetres, double tapeMetres,
            double circleZeroAzimuth) {
    }

    public static Scene atDawn() {
        return new Scene(Optional.empty(), Ternholm.YARD, 1.6, 0, 0, -0.012, 1);
    }

    /** The tripod carried to a mark, roughly 1.5 m high, centred as well as a person can, the circle anywhere. */
    public Scene stand(Mark mark, Random chance) {
        double height = 1.45 + 0.2 * chance.nextDouble();
        double tape = Math.rint((height + SIGMA_TAPE_METRES * chance.nextGaussian()) * 1000) / 1000;
        Tripod there = new Tripod(mark.name(), mark.truth(), SIGMA_CENTRING_METRES * chance.nextGaussian(),
                SIGMA_CENTRING_METRES * chance.nextGaussian(), height, tape, 2 * Math.PI * chance.nextDouble());
        return new Scene(Optional.of(there), pole, poleHeightMetres, leanNorth, leanEast, prismConstantMetres, upsets + 1);
    }

    /** The pole put down at a place, its bubble as good as a person keeps it. */
    public Scene pole(GridPoint tip, Random chance) {
        return new Scene(tripod, tip, poleHeightMetres, SIGMA_LEAN_METRES * chance.nextGaussian(),
                SIGMA_LEAN_METRES * chance.nextGaussian(), prismConstantMetres, upsets);
    }

    public Scene extended(double metres) {
        return new Scene(tripod, pole, metres, leanNorth, leanEast, prismConstantMetres, upsets);
    }
}
