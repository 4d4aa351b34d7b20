package verge.core.setup;

import java.util.function.UnaryOperator;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.reading.Atmosphere;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.reduction.ShotReduction;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * An instrument standing over a mark: everything a pointing needs to become distances, but not yet a direction to north.
 *
 * @param instrumentHeight of the axes above the mark; 0 for an instrument on a bracket without a ground mark
 * @param refraction coefficient k
 */
public record Occupation(Position station, Length instrumentHeight, Atmosphere air, InstrumentPrecision precision,
        double refraction, Plane plane) {

    /** @param azimuth of the sight in the grid, as its face-1 direction gives it */
    public ShotReduction.Result reduce(TotalStationReading reading, Target target, UnaryOperator<Angle> azimuth) {
        Angle along = azimuth.apply(reading.faceOneDirection());
        return ShotReduction.reduce(reading, target, instrumentHeight, air, precision.distanceMeter(), refraction,
                ground -> plane.toGrid(station, along, ground));
    }
}
