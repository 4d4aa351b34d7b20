package verge.core.geodesy;

import verge.core.units.Length;

/** A physical height above the job's height datum, in metres; not a height above an ellipsoid. */
public record Elevation(double metres) {
    public Elevation {
        if (!Double.isFinite(metres)) {
            throw new IllegalArgumentException("elevation: " + metres);
        }
    }

    public Elevation plus(Length rise) {
        return new Elevation(metres + rise.metres());
    }

    public Length minus(Elevation other) {
        return new Length(metres - other.metres);
    }

    public Length asLength() {
        return new Length(metres);
    }
}
