package verge.instruments.sky;

import java.time.Instant;
import java.util.EnumMap;
import java.util.Map;
import verge.core.geodesy.EarthCentred;
import verge.core.satellite.Broadcast;
import verge.core.satellite.Broadcast.Element;
import verge.core.satellite.GpsTime;
import verge.core.satellite.SatelliteId;
import verge.core.satellite.SatelliteSystem;

/**
 * What the satellites of our sky say of themselves, in the constants of their own systems: whoever computes with it finds them where they
 * are.
 */
public final class Broadcasting {
    /** As the systems' interface specifications have them: m³/s², radians a second. */
    private static final double GALILEO_BEIDOU_GRAVITY = 3.986004418e14;
    private static final double BEIDOU_EARTH_RATE = 7.2921150e-5;
    private static final int BEIDOU_BEHIND_SECONDS = 14;
    private static final int SECONDS_OF_ELEMENTS = 7_200;
    /** Those of GLONASS hold for half an hour. */
    private static final long MOVING_SECONDS = 1_800;
    private static final double GPS_ACCURACY = 2;
    private static final double GALILEO_ACCURACY = 3.12;
    private static final int ISSUES = 32;

    private Broadcasting() {
    }

    /** What a satellite says at a moment. */
    public static Broadcast of(SatelliteId satellite, Orbit orbit, GpsTime time) {
        return satellite.system() == SatelliteSystem.GLONASS ? moving(satellite, orbit, time) : kepler(satellite, orbit, time);
    }

    private static Broadcast kepler(SatelliteId satellite, Orbit orbit, GpsTime time) {
        boolean beidou = satellite.system() == SatelliteSystem.BEIDOU;
        int behind = beidou ? BEIDOU_BEHIND_SECONDS : 0;
        double gravity = satellite.system() == SatelliteSystem.GPS ? Orbit.GRAVITY : GALILEO_BEIDOU_GRAVITY;
        double earthRate = beidou ? BEIDOU_EARTH_RATE : Orbit.EARTH_RATE;
        double slots = Math.rint((time.secondsOfWeek() - behind) / SECONDS_OF_ELEMENTS);
        GpsTime reference = GpsTime.of(time.week(), slots * SECONDS_OF_ELEMENTS + behind);
        double seconds = reference.plusSeconds(-behind).secondsOfWeek();
        double since = reference.secondsSince(orbit.reference());
        double cube = Math.pow(orbit.semiMajor(), 3);
        double motion = Math.sqrt(Orbit.GRAVITY / cube);
        double longitude = orbit.node() + (orbit.nodeRate() - Orbit.EARTH_RATE) * since - Orbit.EARTH_RATE * orbit.reference()
                .secondsOfWeek();
        double issue = Math.floorMod((long) slots, ISSUES);
        Map<Element, Double> elements = new EnumMap<>(Element.class);
        elements.put(Element.CLOCK_OFFSET, orbit.clock(reference));
        elements.put(Element.CLOCK_DRIFT, orbit.clockDrift());
        elements.put(Element.ISSUE, issue);
        elements.put(Element.CLOCK_ISSUE, issue);
        elements.put(Element.ROOT_SEMI_MAJOR, Math.sqrt(orbit.semiMajor()));
        elements.put(Element.ECCENTRICITY, orbit.eccentricity());
        elements.put(Element.INCLINATION, orbit.inclination());
        elements.put(Element.PERIGEE, turned(orbit.perigee()));
        elements.put(Element.ANOMALY, turned(orbit.anomaly() + motion * since));
        elements.put(Element.MOTION_DIFFERENCE, motion - Math.sqrt(gravity / cube));
        elements.put(Element.NODE, turned(longitude + earthRate * seconds));
        elements.put(Element.NODE_RATE, orbit.nodeRate() - Orbit.EARTH_RATE + earthRate);
        elements.put(Element.ACCURACY, satellite.system() == SatelliteSystem.GALILEO ? GALILEO_ACCURACY : GPS_ACCURACY);
        return new Broadcast.Kepler(satellite, reference, reference, elements);
    }

    private static double turned(double radians) {
        return Math.IEEEremainder(radians, 2 * Math.PI);
    }

    private static Broadcast moving(SatelliteId satellite, Orbit orbit, GpsTime time) {
        long half = MOVING_SECONDS / 2;
        Instant reference = Instant.ofEpochSecond(Math.floorDiv(time.utc().getEpochSecond(), MOVING_SECONDS) * MOVING_SECONDS + half);
        GpsTime at = GpsTime.ofUtc(reference);
        EarthCentred velocity = orbit.at(at.plusSeconds(0.5)).minus(orbit.at(at.plusSeconds(-0.5)));   // in one second
        return new Broadcast.Moving(satellite, Sky.channel(satellite), reference, orbit.at(at), velocity, new EarthCentred(0, 0, 0),
        orbit.clock(at), orbit.clockDrift(), 0, 0);
    }
}
