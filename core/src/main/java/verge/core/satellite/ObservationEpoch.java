package verge.core.satellite;

import java.util.List;

/** What was observed at one moment by the receiver's clock. */
public record ObservationEpoch(GpsTime time, List<Observed> observed) {
    public ObservationEpoch {
        observed = List.copyOf(observed);
    }

    /**
     * One signal of one satellite.
     *
     * @param range by the code, in metres
     * @param cycles of the carrier, as many as it was found to be away; NaN while it is not held
     * @param doppler of the carrier, in hertz, positive towards the receiver
     * @param strength in dB-Hz
     * @param slipped whether the carrier was lost since the epoch before
     * @param half whether its cycles may be half a cycle off: the receiver has not found out yet
     */
    public record Observed(SatelliteId satellite, Signal signal, double range, double cycles, double doppler, double strength,
            boolean slipped, boolean half) {
        public Observed(SatelliteId satellite, Signal signal, double range, double cycles, double doppler, double strength,
                boolean slipped) {
            this(satellite, signal, range, cycles, doppler, strength, slipped, false);
        }

    }
}
