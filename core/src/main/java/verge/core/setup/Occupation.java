package verge.core.setup;

import verge.core.geodesy.FlatSite;
import verge.core.geodesy.Position;
import verge.core.reading.Atmosphere;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.reduction.ShotReduction;
import verge.core.units.Length;

/**
 * An instrument standing over a mark: everything a pointing needs to become distances, but not yet a direction to north.
 *
 * @param instrumentHeight of the axes above the mark; 0 for an instrument on a bracket without a ground mark
 * @param refraction coefficient k
 */
public record Occupation(Position station, Length instrumentHeight, Atmosphere air, InstrumentPrecision precision,
        double refraction, FlatSite site) {

    public ShotReduction.Result reduce(TotalStationReading reading, Target target) {
        return ShotReduction.reduce(reading, target, instrumentHeight, air, precision.distanceMeter(), refraction, site);
    }
}
