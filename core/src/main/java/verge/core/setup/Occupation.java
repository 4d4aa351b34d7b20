package verge.core.setup;

import java.util.function.UnaryOperator;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.reduction.ShotReduction;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * An instrument standing over a mark or anywhere: everything a pointing needs to become distances, but not yet a direction to north.
 *
 * @param station the mark below, or the place as it was computed
 * @param instrumentHeight of the axes above the mark; 0 for an instrument on a bracket without a ground mark
 * @param scale what grid distances are multiplied by beside the plane's own scale; 1 unless a free station solved for it
 */
public record Occupation(Position station, Length instrumentHeight, double scale, Conditions conditions, Plane plane) {

    /** @param azimuth of the sight in the grid, as its face-1 direction gives it */
    public ShotReduction.Result reduce(TotalStationReading reading, Target target, UnaryOperator<Angle> azimuth) {
        Angle along = azimuth.apply(conditions.errors().direction(reading));
        return ShotReduction.reduce(reading, conditions.errors(), target, instrumentHeight, conditions.air(),
                conditions.precision().distanceMeter(),
                conditions.refraction(), plane.radiusMetres(station.plan(), along, station.elevation()),
                ground -> plane.toGrid(station, along, ground).times(scale));
    }

    /** For means of both faces, from which the axes' errors have dropped out. */
    public Occupation withoutErrors() {
        return new Occupation(station, instrumentHeight, scale,
                new Conditions(conditions.air(), conditions.precision(), InstrumentErrors.NONE,
                conditions.refraction()), plane);
    }
}
