package verge.core.satellite;

import java.time.Instant;
import java.util.Map;
import verge.core.geodesy.EarthCentred;

/** What a satellite broadcasts of its own way and clock: whoever has observed it computes from this where it was. */
public sealed interface Broadcast {
    SatelliteId satellite();

    /** From when on others of the same satellite take its place: the moment for which it holds best. */
    GpsTime best();

    /** By its name in the interface specifications of the systems; angles in radians, lengths in metres, times in seconds. */
    enum Element {
        CLOCK_OFFSET, CLOCK_DRIFT, CLOCK_DRIFT_RATE, ISSUE, CLOCK_ISSUE, RADIUS_SIN, MOTION_DIFFERENCE, ANOMALY, LATITUDE_COS, ECCENTRICITY,
                LATITUDE_SIN, ROOT_SEMI_MAJOR, INCLINATION_COS, NODE, INCLINATION_SIN, INCLINATION,
        RADIUS_COS, PERIGEE, NODE_RATE, INCLINATION_RATE, CODES, L2_DATA, ACCURACY, HEALTH, DELAY, SECOND_DELAY, FIT_HOURS
    }

    /**
     * By Kepler's elements and what they are corrected by, as all systems but GLONASS do.
     *
     * @param clock reference of the clock's figures
     * @param reference of the elements
     * @param elements those that are not there are nought
     */
    record Kepler(SatelliteId satellite, GpsTime clock, GpsTime reference, Map<Element, Double> elements) implements Broadcast {
        public Kepler {
            elements = Map.copyOf(elements);
        }

        public double of(Element element) {
            return elements.getOrDefault(element, 0.0);
        }

        @Override
        public GpsTime best() {
            return reference;
        }
    }

    /**
     * By where it is, how fast, and what pulls it besides the earth, as GLONASS does.
     *
     * @param channel of its frequency, −7 to 6
     * @param reference civil time
     * @param velocity in metres a second @param pull of sun and moon, in metres a second squared
     * @param clockOffset by how many seconds its clock is ahead @param frequencyOffset relative
     * @param age of the figures, in days
     */
    record Moving(SatelliteId satellite, int channel, Instant reference, EarthCentred place, EarthCentred velocity, EarthCentred pull,
            double clockOffset, double frequencyOffset, int health, int age) implements Broadcast {
        @Override
        public GpsTime best() {
            return GpsTime.ofUtc(reference);
        }
    }
}
