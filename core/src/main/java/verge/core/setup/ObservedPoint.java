package verge.core.setup;

import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.reduction.ShotReduction;

/** A position found by direction and distance, with its standard deviations and the reduction behind it. */
public record ObservedPoint(Position position, Uncertainty sigma, ShotReduction.Result reduction) {
}
