package verge.instruments.port;

import verge.core.reading.DistanceMeter;
import verge.core.units.Angle;

/**
 * What a total station says of itself.
 *
 * @param sigmaAngle standard deviation of one pointing in one face, both circles
 */
public record InstrumentIdentity(String model, String serial, Angle sigmaAngle, DistanceMeter distanceMeter) {
    public String title() {
        return model + " " + serial;
    }
}
