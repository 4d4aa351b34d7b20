package verge.instruments.standin;

import java.util.Optional;
import java.util.Random;
import verge.core.geodesy.GridPoint;
import verge.instruments.world.Scene;
import verge.instruments.world.Ternholm;

/**
 * The optics, circles and distance meter of the simulated total station: looks at the scene and reads what a real instrument with
 * these faults would read. It works from the world outwards and shares no formula with the reductions that undo it.
 */
final class Observer {
    static final double WAVELENGTH_MICROMETRES = 0.658;
    static final double REFERENCE_INDEX = 1.0002863;
    static final double SIGMA_ANGLE_ARC_SECONDS = 1.5;
    static final double SIGMA_EDM_METRES = 0.001;
    static final double SIGMA_EDM_PPM = 1.5;
    static final double TEMPERATURE_CELSIUS = 11.4;
    static final double PRESSURE_HECTOPASCALS = 1008.6;
    private static final double RELATIVE_HUMIDITY = 0.78;
    private static final double FARTHEST_METRES = 900;
    private static final double NEAREST_METRES = 1.2;
    private static final double EARTH_RADIUS_METRES = 6_371_000;
    private static final double REFRACTION = 0.14;
    private static final double ARC_SECOND = Math.PI / 648_000;
    private static final double COLLIMATION = 0.9 * ARC_SECOND;
    private static final double TRUNNION_TILT = 1.1 * ARC_SECOND;
    private static final double INDEX_ERROR = 0.8 * ARC_SECOND;
    private static final double POINTING_NOISE = 1.0 * ARC_SECOND;

    private final Random noise;

    Observer(Random noise) {
        this.noise = noise;
    }

    /** @param hzDegrees clockwise from the circle's zero, in [0, 360) */
    record Sight(double hzDegrees, double zenithDegrees, double slopeMetres) {
    }

    /** The prism on the pole, or empty without a tripod or with the pole out of reach. */
    Optional<Sight> look(Scene scene) {
        return scene.tripod().flatMap(tripod -> look(scene, tripod));
    }

    private Optional<Sight> look(Scene scene, Scene.Tripod tripod) {
        GridPoint axis = tripod.truth().plan().plus(tripod.offNorth(), tripod.offEast());
        GridPoint prism = scene.pole().plus(scene.leanNorth(), scene.leanEast());
        double ground = axis.distanceMetres(prism) / Ternholm.GRID_PER_GROUND;
        if (ground < NEAREST_METRES || ground > FARTHEST_METRES) {
            return Optional.empty();
        }
        double markLevel = tripod.truth().elevation().orElseThrow().metres();
        double prismLevel = Ternholm.surface(scene.pole()).metres() + scene.poleHeightMetres();
        // Both ends as vectors from the earth's centre, in the vertical plane through them.
        double angleAtCentre = ground / EARTH_RADIUS_METRES;
        double axisRadius = EARTH_RADIUS_METRES + tripod.heightMetres();
        double prismRadius = EARTH_RADIUS_METRES + prismLevel - markLevel;
        double across = prismRadius * Math.sin(angleAtCentre);
        double up = prismRadius * Math.cos(angleAtCentre) - axisRadius;
        double chord = Math.hypot(across, up);
        double straightZenith = Math.atan2(across, up);
        double bend = REFRACTION * across / (2 * EARTH_RADIUS_METRES);   // the ray leaves steeper than it arrives
        double zenith = straightZenith - bend;
        double azimuth = Math.atan2(prism.easting() - axis.easting(), prism.northing() - axis.northing());
        double hz = azimuth - tripod.circleZeroAzimuth() + COLLIMATION / Math.sin(zenith) + TRUNNION_TILT / Math.tan(zenith)
                + POINTING_NOISE * noise.nextGaussian() / Math.sin(zenith);
        double v = zenith + INDEX_ERROR + POINTING_NOISE * noise.nextGaussian();
        double sigma = Math.hypot(SIGMA_EDM_METRES, SIGMA_EDM_PPM * 1e-6 * chord);
        double raw = chord * airIndex() / REFERENCE_INDEX - scene.prismConstantMetres() + sigma * noise.nextGaussian();
        return Optional.of(new Sight(((Math.toDegrees(hz) % 360) + 360) % 360, Math.toDegrees(v), raw));
    }

    /** Group index of the island's air after Barrell and Sears (1939). */
    private static double airIndex() {
        double w = WAVELENGTH_MICROMETRES;
        double standard = 287.604 + 3 * 1.6288 / (w * w) + 5 * 0.0136 / (w * w * w * w);
        double expansion = 1 + TEMPERATURE_CELSIUS / 273.15;
        double vapour = RELATIVE_HUMIDITY * 6.1078 * Math.pow(10, 7.5 * TEMPERATURE_CELSIUS / (237.3 + TEMPERATURE_CELSIUS));
        return 1 + (standard / expansion * PRESSURE_HECTOPASCALS / 1013.25 - 4.125e-2 * vapour / expansion) * 1e-6;
    }

    /** Tilt of a well levelled instrument in seconds of arc, breathing with the tripod. */
    double tiltArcSeconds(double steady) {
        return steady + 0.6 * noise.nextGaussian();
    }
}
