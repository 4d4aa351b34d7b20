package verge.core.sets;

import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * What one reading may differ by from what was read before to the same mark, before it is asked for again.
 *
 * @param direction between both faces of a set less twice the collimation, and between sets
 */
public record SetLimits(Angle direction, Angle zenith, Length distance) {
}
