package verge.instruments.world;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;

/**
 * What stands where on the island at this moment. Immutable: each thing a person does makes the next scene.
 *
 * <p>The person is as careful as is usual: 1 mm over a station, 2 mm with a prism, 1 mm on a tape.
 *
 * @param tripod absent while the instrument is in its box
 * @param prisms those that stand on tripods of their own
 */
public record Scene(Optional<Tripod> tripod, Prism pole, List<Prism> prisms, long upsets) {
    public static final String POLE = "pole";
    private static final double SIGMA_CENTRING_METRES = 0.001;
    private static final double SIGMA_PRISM_METRES = 0.002;
    private static final double SIGMA_TAPE_METRES = 0.001;
    private static final double SIGMA_LEVEL_ARC_SECONDS = 4;

    public Scene {
        prisms = List.copyOf(prisms);
    }

    /**
     * @param mark its name; empty where there is none below
     * @param truth of the mark or the place below, with its elevation
     * @param offNorth how far the vertical axis misses the mark
     * @param circleZeroAzimuth azimuth of the horizontal circle's zero, in radians
     * @param heightMetres true height of the axes above the mark
     * @param tapeMetres the height as read with a tape
     * @param tiltNorth of the standing axis, in seconds of arc
     */
    public record Tripod(String mark, Position truth, double offNorth, double offEast, double heightMetres, double tapeMetres,
            double circleZeroAzimuth, double tiltNorth, double tiltEast) {
    }

    /**
     * @param name 'pole', or the mark it stands on
     * @param tip the place below the prism as the person believes it: where the pole's tip is
     * @param groundMetres elevation of what the tip stands on
     * @param heightMetres above the tip, as its scale shows
     * @param offNorth how far the prism is off the vertical over the tip
     * @param offHeight how much higher it is than the scale shows
     * @param constantMetres to be added to distances, as it is marked on the prism
     */
    public record Prism(String name, GridPoint tip, double groundMetres, double heightMetres, double offNorth, double offEast,
            double offHeight, double constantMetres) {
        private static Prism put(String name, GridPoint tip, double groundMetres, double heightMetres, double constantMetres,
                Random chance) {
            return new Prism(name, tip, groundMetres, heightMetres, SIGMA_PRISM_METRES * chance.nextGaussian(),
                    SIGMA_PRISM_METRES * chance.nextGaussian(),
                    SIGMA_TAPE_METRES * chance.nextGaussian(), constantMetres);
        }

        public GridPoint at() {
            return tip.plus(offNorth, offEast);
        }

        public double levelMetres() {
            return groundMetres + heightMetres + offHeight;
        }
    }

    public static Scene atDawn() {
        return new Scene(Optional.empty(), new Prism(POLE, Ternholm.YARD, Ternholm.surface(Ternholm.YARD).metres(), 1.6, 0, 0, 0, -0.012),
                List.of(), 1);
    }

    /** The tripod carried to a mark, roughly 1.5 m high, centred as well as a person can, the circle anywhere. */
    public Scene stand(Mark mark, Random chance) {
        return stand(mark.name(), mark.truth(), chance);
    }

    /** The tripod put down anywhere; over a bare place there is nothing to centre on and no height to measure. */
    public Scene standAt(GridPoint place, Random chance) {
        return stand("", new Position(place, Optional.of(Ternholm.surface(place))), chance);
    }

    private Scene stand(String mark, Position truth, Random chance) {
        boolean bracket = mark.equals(Ternholm.LAMP_ROOM);
        double height = bracket ? 0 : 1.45 + 0.2 * chance.nextDouble();
        double tape = bracket ? 0 : Math.rint((height + SIGMA_TAPE_METRES * chance.nextGaussian()) * 1000) / 1000;
        Tripod there = new Tripod(mark, truth, SIGMA_CENTRING_METRES * chance.nextGaussian(), SIGMA_CENTRING_METRES * chance.nextGaussian(),
                height, tape,
                2 * Math.PI * chance.nextDouble(), SIGMA_LEVEL_ARC_SECONDS * chance.nextGaussian(),
                SIGMA_LEVEL_ARC_SECONDS * chance.nextGaussian());
        return new Scene(Optional.of(there), pole, prisms, upsets + 1);
    }

    /** Somebody runs into a leg: the axis tilts, and the circle has turned a little. */
    public Scene knocked(double arcSeconds) {
        return new Scene(tripod.map(t ->
                new Tripod(t.mark(), t.truth(), t.offNorth() + 0.002, t.offEast() - 0.001, t.heightMetres(), t.tapeMetres(),
                t.circleZeroAzimuth() + Math.toRadians(arcSeconds / 3600), t.tiltNorth() + arcSeconds, t.tiltEast())), pole, prisms,
                upsets + 1);
    }

    /** Levelled again where it stands. */
    public Scene levelled(Random chance) {
        return new Scene(tripod.map(t ->
                new Tripod(t.mark(), t.truth(), t.offNorth(), t.offEast(), t.heightMetres(), t.tapeMetres(), t.circleZeroAzimuth(),
                SIGMA_LEVEL_ARC_SECONDS * chance.nextGaussian(), SIGMA_LEVEL_ARC_SECONDS * chance.nextGaussian())), pole, prisms, upsets);
    }

    /** The pole put down at a place, its bubble as good as a person keeps it. */
    public Scene pole(GridPoint tip, Random chance) {
        return pole(tip, Ternholm.surface(tip).metres(), chance);
    }

    /** The pole held on a mark. */
    public Scene poleOn(Mark mark, Random chance) {
        return pole(mark.truth().plan(), mark.truth().elevation().orElseThrow().metres(), chance);
    }

    private Scene pole(GridPoint tip, double ground, Random chance) {
        return new Scene(tripod, Prism.put(POLE, tip, ground, pole.heightMetres(), pole.constantMetres(), chance), prisms, upsets);
    }

    public Scene extended(double metres, Random chance) {
        return new Scene(tripod, Prism.put(POLE, pole.tip(), pole.groundMetres(), metres, pole.constantMetres(), chance), prisms, upsets);
    }

    /** Another prism screwed on the pole. */
    public Scene prism(double constantMetres) {
        return new Scene(tripod, new Prism(POLE, pole.tip(), pole.groundMetres(), pole.heightMetres(), pole.offNorth(), pole.offEast(),
                pole.offHeight(), constantMetres), prisms, upsets);
    }

    /** A prism on a tripod over a mark. */
    public Scene placed(Mark mark, double heightMetres, double constantMetres, Random chance) {
        List<Prism> more = new ArrayList<>(without(mark.name()).prisms());
        more.add(Prism.put(mark.name(), mark.truth().plan(), mark.truth().elevation().orElseThrow().metres(), heightMetres, constantMetres,
                chance));
        return new Scene(tripod, pole, more, upsets);
    }

    public Scene without(String mark) {
        return new Scene(tripod, pole, prisms.stream().filter(p -> !p.name().equals(mark)).toList(), upsets);
    }

    /** Every prism there is, the pole's first. */
    public List<Prism> allPrisms() {
        return Stream.concat(Stream.of(pole), prisms.stream()).toList();
    }
}
