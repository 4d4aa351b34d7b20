package verge.instruments.rtcm;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import verge.core.geodesy.EarthCentred;
import verge.core.satellite.Broadcast;
import verge.core.satellite.SatelliteId;

/** A message of RTCM 3 of those that say who a base is and what it observes. */
public sealed interface RtcmMessage {
    int type();

    /** As the base numbers itself, 0 to 4095. */
    int station();

    /**
     * Where the antenna reference point is (1005), and how high above the mark (1006).
     *
     * @param year of the frame's realisation, less 2000; 0 if it is not said
     * @param height of the antenna over the mark, in metres; absent in 1005
     */
    record Station(int station, int year, EarthCentred place, OptionalDouble height) implements RtcmMessage {
        @Override
        public int type() {
            return height.isPresent() ? 1006 : 1005;
        }
    }

    /** Antenna (1007), with its serial number (1008), and the receiver (1033). Texts that a type does not have are empty. */
    record Equipment(int type, int station, String antenna, int setup, String antennaSerial, String receiver, String firmware,
            String receiverSerial) implements RtcmMessage {
    }

    /** Code biases of GLONASS by signal, in metres (1230). @param aligned whether they are taken off already */
    record GlonassBiases(int station, boolean aligned, Map<Signal, Double> metres) implements RtcmMessage {
        /** In the order of the message. */
        public enum Signal { L1_CA, L1_P, L2_CA, L2_P }

        @Override
        public int type() {
            return 1230;
        }
    }

    /** Words for whoever hears it (1029). */
    record Words(int station, Instant at, String text) implements RtcmMessage {
        @Override
        public int type() {
            return 1029;
        }
    }

    /**
     * What is observed of one system at one moment (MSM4, MSM7).
     *
     * @param millis of the week in the system's own time; of GLONASS, of the week in its own civil time
     * @param more whether others of the same moment follow
     */
    record Observations(int type, int station, long millis, boolean more, List<Cell> cells) implements RtcmMessage {
        public Observations {
            cells = List.copyOf(cells);
        }
    }

    /**
     * One signal of one satellite.
     *
     * @param signal its number in the message's mask, 1 to 32
     * @param range in metres, by the code; NaN without one
     * @param phase likewise by the carrier
     * @param rate of the carrier's range, in metres a second; NaN in MSM4
     * @param lock indicator of how long it was tracked without a slip
     * @param strength in dB-Hz; 0 if it is not said
     */
    record Cell(SatelliteId satellite, int signal, double range, double phase, double rate, int lock, boolean halfCycle, double strength) {
    }

    /** What a satellite says of its own way and clock (1019, 1020, 1042, 1046). The message has no station: it is 0. */
    record Ephemeris(Broadcast broadcast) implements RtcmMessage {
        @Override
        public int type() {
            return EphemerisCodec.type(broadcast);
        }

        @Override
        public int station() {
            return 0;
        }
    }

    /** Of a type that is not read: counted and passed on. */
    record Other(int type, int station) implements RtcmMessage {
    }
}
