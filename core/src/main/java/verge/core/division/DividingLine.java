package verge.core.division;

import verge.core.geodesy.GridPoint;
import verge.core.units.Angle;

/**
 * A line without ends that divides a figure.
 *
 * @param on a place that it passes through
 * @param direction in which one walks on it, so that it has a left and a right
 * @param left what lies to its left, in square metres
 */
public record DividingLine(GridPoint on, Angle direction, double left) {
}
