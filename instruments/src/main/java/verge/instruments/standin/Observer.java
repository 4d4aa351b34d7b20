package verge.instruments.standin;

import java.util.Optional;
import java.util.Random;
import verge.core.geodesy.GridPoint;
import verge.instruments.world.BoatLoft;
import verge.instruments.world.Scene;
import verge.instruments.world.Ternholm;
import verge.instruments.world.Wall;

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
    private static final double FARTHEST_WITHOUT_PRISM_METRES = 250;
    private static final double NEAREST_METRES = 1.2;
    private static final double EARTH_RADIUS_METRES = 6_371_000;
    private static final double REFRACTION = 0.14;
    private static final double ARC_SECOND = Math.PI / 648_000;
    private static final double COLLIMATION = 2.6 * ARC_SECOND;
    private static final double TRUNNION_TILT = 1.7 * ARC_SECOND;
    private static final double INDEX_ERROR = -1.9 * ARC_SECOND;
    private static final double POINTING_NOISE = 1.5 * ARC_SECOND;
    private static final double SURFACE_SIGMA_METRES = 0.002;

    private final Random noise;

    Observer(Random noise) {
        this.noise = noise;
    }

    /** Where something truly is, seen from the axes: direction from the circle's zero, zenith angle of the ray, length of its chord. */
    record Ray(double direction, double zenith, double chord) {
    }

    /**
     * How the instrument is held.
     *
     * @param second whether in face 2
     * @param compensator whether what the standing axis tilts is taken off
     */
    record Hold(boolean second, boolean compensator) {
    }

    /** @param hzDegrees clockwise from the circle's zero, in [0, 360) */
    record Sight(double hzDegrees, double zenithDegrees, double slopeMetres) {
    }

    /** The way to a prism; empty out of reach. */
    static Optional<Ray> ray(Scene.Tripod tripod, Scene.Prism prism) {
        GridPoint axis = tripod.truth().plan().plus(tripod.offNorth(), tripod.offEast());
        double ground = axis.distanceMetres(prism.at()) / Ternholm.GRID_PER_GROUND;
        if (ground < NEAREST_METRES || ground > FARTHEST_METRES) {
            return Optional.empty();
        }
        double markLevel = tripod.truth().elevation().orElseThrow().metres();
        // Both ends as vectors from the earth's centre, in the vertical plane through them.
        double angleAtCentre = ground / EARTH_RADIUS_METRES;
        double axisRadius = EARTH_RADIUS_METRES + tripod.heightMetres();
        double prismRadius = EARTH_RADIUS_METRES + prism.levelMetres() - markLevel;
        double across = prismRadius * Math.sin(angleAtCentre);
        double up = prismRadius * Math.cos(angleAtCentre) - axisRadius;
        double bend = REFRACTION * across / (2 * EARTH_RADIUS_METRES);   // the ray leaves steeper than it arrives
        double azimuth = Math.atan2(prism.at().easting() - axis.easting(), prism.at().northing() - axis.northing());
        return Optional.of(new Ray(azimuth - tripod.circleZeroAzimuth(), Math.atan2(across, up) - bend, Math.hypot(across, up)));
    }

    /** What is read to a prism. */
    Sight prism(Scene.Tripod tripod, Scene.Prism prism, Ray ray, Hold hold) {
        double sigma = Math.hypot(SIGMA_EDM_METRES, SIGMA_EDM_PPM * 1e-6 * ray.chord());
        return read(tripod, ray, hold, ray.chord() * airIndex() / REFERENCE_INDEX - prism.constantMetres() + sigma * noise.nextGaussian());
    }

    /** What is read to whatever a ray meets: a wall, the floor, the ground; empty if it meets nothing. */
    Optional<Sight> surface(Scene.Tripod tripod, double direction, double zenith, Hold hold) {
        return meets(tripod, direction + tripod.circleZeroAzimuth(), zenith)
                .map(length -> read(tripod, new Ray(direction, zenith, length), hold,
                length * airIndex() / REFERENCE_INDEX + SURFACE_SIGMA_METRES * noise.nextGaussian()));
    }

    private static Optional<Double> meets(Scene.Tripod tripod, double azimuth, double zenith) {
        GridPoint axis = tripod.truth().plan().plus(tripod.offNorth(), tripod.offEast());
        double level = tripod.truth().elevation().orElseThrow().metres() + tripod.heightMetres();
        double flat = Math.sin(zenith) * Ternholm.GRID_PER_GROUND;
        double north = Math.cos(azimuth) * flat;
        double east = Math.sin(azimuth) * flat;
        double up = Math.cos(zenith);
        double nearest = Double.MAX_VALUE;
        for (Wall wall : BoatLoft.walls()) {
            double length = wall.steps(axis, north, east);
            double height = level + length * up;
            if (length > 0.3 && height >= wall.bottomMetres() && height <= wall.topMetres()) {
                nearest = Math.min(nearest, length);
            }
        }
        for (double length = 0.5; length < Math.min(nearest, FARTHEST_WITHOUT_PRISM_METRES); length += 0.5) {
            if (below(axis, level, north, east, up, length)) {
                double low = length - 0.5;
                double high = length;
                for (int i = 0; i < 30; i++) {
                    double middle = (low + high) / 2;
                    if (below(axis, level, north, east, up, middle)) {
                        high = middle;
                    } else {
                        low = middle;
                    }
                }
                return Optional.of(high);
            }
        }
        return nearest < FARTHEST_WITHOUT_PRISM_METRES ? Optional.of(nearest) : Optional.empty();
    }

    private static boolean below(GridPoint axis, double level, double north, double east, double up, double length) {
        return level + length * up < Ternholm.surface(axis.plus(length * north, length * east)).metres();
    }

    private Sight read(Scene.Tripod tripod, Ray ray, Hold hold, double raw) {
        double z = ray.zenith();
        double sign = hold.second() ? -1 : 1;
        double azimuth = ray.direction() + tripod.circleZeroAzimuth();
        double tiltAlong = hold.compensator() ? 0
                : ARC_SECOND * (tripod.tiltNorth() * Math.cos(azimuth) + tripod.tiltEast() * Math.sin(azimuth));
        double tiltAcross = hold.compensator() ? 0
                : ARC_SECOND * (-tripod.tiltNorth() * Math.sin(azimuth) + tripod.tiltEast() * Math.cos(azimuth));
        double hz = ray.direction() - tiltAcross / Math.tan(z) + sign * (COLLIMATION / Math.sin(z) + TRUNNION_TILT / Math.tan(z))
                + POINTING_NOISE * noise.nextGaussian() / Math.sin(z) + (hold.second() ? Math.PI : 0);
        double seen = z - tiltAlong + POINTING_NOISE * noise.nextGaussian();
        double v = (hold.second() ? 2 * Math.PI - seen : seen) + INDEX_ERROR;
        return new Sight(wholeCircle(hz), Math.toDegrees(v), raw);
    }

    static double wholeCircle(double radians) {
        return ((Math.toDegrees(radians) % 360) + 360) % 360;
    }

    /** Group index of the island's air after Barrell and Sears (1939). */
    private static double airIndex() {
        double w = WAVELENGTH_MICROMETRES;
        double standard = 287.604 + 3 * 1.6288 / (w * w) + 5 * 0.0136 / (w * w * w * w);
        double expansion = 1 + TEMPERATURE_CELSIUS / 273.15;
        double vapour = RELATIVE_HUMIDITY * 6.1078 * Math.pow(10, 7.5 * TEMPERATURE_CELSIUS / (237.3 + TEMPERATURE_CELSIUS));
        return 1 + (standard / expansion * PRESSURE_HECTOPASCALS / 1013.25 - 4.125e-2 * vapour / expansion) * 1e-6;
    }

    /** A tilt as its sensor shows it, breathing with the tripod. */
    double tiltArcSeconds(double steady) {
        return steady + 0.6 * noise.nextGaussian();
    }
}
