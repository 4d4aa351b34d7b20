package verge.core.setup;

import java.util.Optional;
import verge.core.geodesy.Uncertainty;
import verge.core.reading.InstrumentPrecision;

/**
 * How well the place of an instrument over a mark is known, in metres: its centring and tape, and the mark's own coordinates.
 */
record HeldStation(double sigmaNorth, double sigmaEast, double sigmaLevel) {

    static HeldStation of(InstrumentPrecision p, Optional<Uncertainty> mark) {
        double centring = p.sigmaStationCentring().metres();
        return new HeldStation(Math.hypot(centring, mark.map(u -> u.north().metres()).orElse(0.0)),
                Math.hypot(centring, mark.map(u -> u.east().metres()).orElse(0.0)),
                Math.hypot(p.sigmaHeight().metres(), mark.map(u -> u.up().metres()).orElse(0.0)));
    }
}
