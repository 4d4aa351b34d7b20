package verge.core.reading;

import verge.core.units.Length;

/**
 * What was aimed at.
 *
 * @param height of the prism above the mark; 0 for a target on the mark itself
 * @param prismConstant to be added to a measured distance, usually negative
 */
public record Target(Length height, Length prismConstant) {
}
