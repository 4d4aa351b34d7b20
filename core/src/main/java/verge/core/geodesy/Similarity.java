package verge.core.geodesy;

import verge.core.units.Angle;

/**
 * A move of the plan that keeps shapes: turned about a place, stretched, and carried there.
 *
 * @param from the place about which it turns, in the frame that is moved
 * @param to where that comes to lie
 * @param rotation clockwise
 * @param scale new length over old
 * @param mirrored whether east and west are exchanged before it is turned
 */
public record Similarity(GridPoint from, GridPoint to, Angle rotation, double scale, boolean mirrored) {
    public Similarity {
        if (!(scale > 0) || !Double.isFinite(scale)) {
            throw new IllegalArgumentException("scale " + scale);
        }
    }

    /** Where a place of the frame comes to lie. */
    public GridPoint place(GridPoint at) {
        double north = at.northing() - from.northing();
        double east = mirrored ? from.easting() - at.easting() : at.easting() - from.easting();
        double cos = scale * rotation.cos();
        double sin = scale * rotation.sin();
        return to.plus(north * cos - east * sin, north * sin + east * cos);
    }

    /** The same, told as turning about another place of the frame. */
    public Similarity about(GridPoint other) {
        return new Similarity(other, place(other), rotation, scale, mirrored);
    }

    /** What carries a frame that is moved by this one back. */
    public Similarity reversed() {
        return new Similarity(to, from, mirrored ? rotation : new Angle(-rotation.radians()).wholeCircle(), 1 / scale, mirrored);
    }
}
