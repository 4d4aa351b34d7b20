package verge.instruments.port;

import verge.core.units.Angle;

/**
 * How a total station fares.
 *
 * @param tiltAlong of the standing axis in the direction of the sight, positive away from the observer
 * @param tiltAcross square to it, positive to the right
 * @param upsets how often the tilt sensor has been beyond its range since the instrument was made: a change means that it was
 *     carried or knocked, and that an orientation from before no longer holds
 * @param targetInSight whether the prism is held
 */
public record InstrumentCondition(Angle tiltAlong, Angle tiltAcross, int batteryPercent, double temperatureCelsius,
        double pressureHectopascals, long upsets, boolean targetInSight) {

    public Angle tilt() {
        return new Angle(Math.hypot(tiltAlong.radians(), tiltAcross.radians()));
    }
}
