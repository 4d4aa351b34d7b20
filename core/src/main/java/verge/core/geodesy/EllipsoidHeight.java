package verge.core.geodesy;

import verge.core.units.Length;

/** A height above the ellipsoid, in metres, as satellites give it; up to 107 m off the elevation of the same mark. */
public record EllipsoidHeight(double metres) {
    public EllipsoidHeight {
        if (!Double.isFinite(metres)) {
            throw new IllegalArgumentException("ellipsoid height: " + metres);
        }
    }

    public Length asLength() {
        return new Length(metres);
    }
}
