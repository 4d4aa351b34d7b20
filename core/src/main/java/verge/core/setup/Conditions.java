package verge.core.setup;

import verge.core.reading.Atmosphere;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.InstrumentPrecision;

/**
 * What holds for every pointing of an occupation.
 *
 * @param errors of the axes as they were determined and are taken off; none where nothing is applied
 * @param refraction coefficient k
 */
public record Conditions(Atmosphere air, InstrumentPrecision precision, InstrumentErrors errors, double refraction) {
}
