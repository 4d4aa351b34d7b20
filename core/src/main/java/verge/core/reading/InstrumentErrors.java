package verge.core.reading;

import verge.core.units.Angle;

/**
 * Errors of an instrument's axes that both faces show with opposite signs.
 *
 * <p>In face 1 the horizontal circle reads c/sin z + t·cot z too much and the vertical circle i too much; in face 2 the horizontal circle
 * reads as much too little and the vertical circle i too much. Source: any textbook on surveying instruments, 'axis errors of a
 * theodolite'.
 *
 * @param collimation c: the line of sight is not square to the trunnion axis
 * @param trunnion t: the trunnion axis is not square to the standing axis
 * @param index i: the vertical circle does not read 0 towards the zenith
 */
public record InstrumentErrors(Angle collimation, Angle trunnion, Angle index) {
    public static final InstrumentErrors NONE = new InstrumentErrors(Angle.ZERO, Angle.ZERO, Angle.ZERO);

    /** The direction as an instrument without errors would have read it in face 1, in [0, 2π). */
    public Angle direction(Reading reading) {
        Angle zenith = reading.faceOneZenith();
        double effect = collimation.radians() / zenith.sin() + trunnion.radians() * zenith.cos() / zenith.sin();
        return new Angle(reading.faceOneDirection().radians() - sign(reading) * effect).wholeCircle();
    }

    /** The zenith angle, likewise, in [0, π]. */
    public Angle zenith(Reading reading) {
        return new Angle(reading.faceOneZenith().radians() - sign(reading) * index.radians());
    }

    private static int sign(Reading reading) {
        return reading.face() == Face.ONE ? 1 : -1;
    }
}
