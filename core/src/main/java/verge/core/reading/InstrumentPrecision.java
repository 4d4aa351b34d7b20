package verge.core.reading;

import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * Standard deviations before any observation was made: what the maker states and what care in the field gives.
 *
 * @param sigmaDirection of one pointing in one face
 * @param sigmaZenith of one pointing in one face, index error included
 * @param sigmaStationCentring of the instrument over its mark, in any one direction
 * @param sigmaTargetCentring of the pole over its mark, in any one direction
 * @param sigmaHeight of an instrument height or a target height as measured with a tape
 */
public record InstrumentPrecision(Angle sigmaDirection, Angle sigmaZenith, DistanceMeter distanceMeter,
        Length sigmaStationCentring, Length sigmaTargetCentring, Length sigmaHeight) {

    /** The maker's figures with the care usual on site: 1 mm over the station, 2 mm with a pole, 1 mm on a tape. */
    public static InstrumentPrecision withUsualCare(Angle sigmaAngle, DistanceMeter distanceMeter) {
        return new InstrumentPrecision(sigmaAngle, sigmaAngle, distanceMeter,
                new Length(0.001), new Length(0.002), new Length(0.001));
    }
}
