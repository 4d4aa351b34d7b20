package verge.instruments.nmea;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import verge.core.geodesy.Geographic;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.Sight;

/**
 * What a sentence of NMEA 0183 says, of those that tell a place, a time, its quality and the sky. An empty field is absent, never nought.
 */
public sealed interface NmeaSentence {
    /** Who speaks: GP, GL, GA, GB or GN for several systems together. */
    String talker();

    /** How a place was found, as the field 'quality' of GGA counts. */
    enum Quality { NONE, AUTONOMOUS, DIFFERENTIAL, PRECISE, FIXED, FLOAT, ESTIMATED, MANUAL, SIMULATED }

    /** A sentence of one moment of the day. */
    sealed interface Timed extends NmeaSentence {
        LocalTime time();
    }

    /**
     * A place.
     *
     * @param place absent without one
     * @param height above the sea as the receiver's geoid has it, in metres
     * @param separation of geoid and ellipsoid, so that height plus this is the ellipsoid height
     * @param age of the corrections, in seconds
     * @param base whose corrections they are
     */
    record Gga(String talker, LocalTime time, Optional<Geographic> place, Quality quality, int satellites, OptionalDouble hdop,
            OptionalDouble height, OptionalDouble separation, OptionalDouble age, String base) implements Timed {
    }

    /** As GGA, with how each system takes part: one letter for each. */
    record Gns(String talker, LocalTime time, Optional<Geographic> place, String modes, int satellites, OptionalDouble hdop,
            OptionalDouble height, OptionalDouble separation, OptionalDouble age, String base) implements Timed {
        /** The best that any system gives. */
        public Quality quality() {
            return modes.contains("R") ? Quality.FIXED : modes.contains("F") ? Quality.FLOAT : modes.contains("P") ? Quality.PRECISE
                    : modes.contains("D") ? Quality.DIFFERENTIAL : modes.contains("A") ? Quality.AUTONOMOUS
                    : modes.contains("E") ? Quality.ESTIMATED : modes.contains("M") ? Quality.MANUAL : modes.contains("S")
                    ? Quality.SIMULATED : Quality.NONE;
        }
    }

    /** The least that is needed to go somewhere, with the date. @param knots over ground @param track true, in degrees */
    record Rmc(String talker, LocalTime time, boolean valid, Optional<Geographic> place, OptionalDouble knots, OptionalDouble track,
            Optional<LocalDate> date) implements Timed {
    }

    /** Standard deviations, in metres. */
    record Gst(String talker, LocalTime time, OptionalDouble rms, OptionalDouble latitude, OptionalDouble longitude, OptionalDouble height)
            implements Timed {
    }

    /** Time and date. */
    record Zda(String talker, LocalTime time, LocalDate date) implements Timed {
    }

    /**
     * The satellites that are used.
     *
     * @param numbers as the talker counts them
     * @param system absent where the sentence is older than that field
     */
    record Gsa(String talker, int dimensions, List<Integer> numbers, OptionalDouble pdop, OptionalDouble hdop, OptionalDouble vdop,
            Optional<SatelliteSystem> system) implements NmeaSentence {
    }

    /**
     * A part of the sky.
     *
     * @param parts of which this is one, from 1
     * @param inView in all of them
     * @param signal of which the strengths are
     */
    record Gsv(String talker, int parts, int part, int inView, List<Seen> seen, OptionalDouble signal) implements NmeaSentence {
        /** @param sight absent while it is not known where the satellite stands @param strength in dB-Hz, absent if it is not tracked */
        public record Seen(int number, Optional<Sight> sight, OptionalDouble strength) {
        }
    }

    /** Course and speed over ground. @param kilometres an hour */
    record Vtg(String talker, OptionalDouble track, OptionalDouble knots, OptionalDouble kilometres) implements NmeaSentence {
    }

    /** A maker's own. @param maker by three letters @param fields behind the maker, their meaning the maker's */
    record Proprietary(String maker, List<String> fields) implements NmeaSentence {
        public Proprietary {
            fields = List.copyOf(fields);
        }

        @Override
        public String talker() {
            return "P";
        }
    }

    /** Of a kind that is not read. */
    record Other(String talker, String kind) implements NmeaSentence {
    }
}
