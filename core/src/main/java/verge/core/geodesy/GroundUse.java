package verge.core.geodesy;

import java.util.Objects;
import java.util.Optional;

/**
 * Whether a job speaks in grid or in ground.
 *
 * <p>{@link Kind#GROUND_DISTANCES}: distances are told on the ground, coordinates stay grid. {@link Kind#GROUND_COORDINATES}: the
 * coordinates themselves are scaled about the factor's reference point and, if wanted, shifted so that nobody takes them for grid. Only
 * the second moves points, and only as they are shown: what is kept is grid.
 *
 * @param factor absent: each line has the factor of its own place
 * @param shiftNorth metres added to scaled northings
 * @param shiftEast metres added to scaled eastings
 */
public record GroundUse(Kind kind, Optional<GroundFactor> factor, double shiftNorth, double shiftEast) {
    public static final GroundUse GRID = new GroundUse(Kind.GRID, Optional.empty(), 0, 0);
    public static final GroundUse GROUND_DISTANCES = new GroundUse(Kind.GROUND_DISTANCES, Optional.empty(), 0, 0);

    /** What a job speaks in. */
    public enum Kind { GRID, GROUND_DISTANCES, GROUND_COORDINATES }

    public GroundUse {
        Objects.requireNonNull(kind, "kind");
        Objects.requireNonNull(factor, "factor");
        if (kind == Kind.GROUND_COORDINATES && factor.isEmpty()) {
            throw new IllegalArgumentException("ground coordinates without a factor");
        }
        if (!Double.isFinite(shiftNorth) || !Double.isFinite(shiftEast)) {
            throw new IllegalArgumentException("shift: " + shiftNorth + ", " + shiftEast);
        }
    }

    /** The same without its shift. */
    public GroundUse unshifted() {
        return new GroundUse(kind, factor, 0, 0);
    }

    /** How the job tells distances: 'grid' or 'ground'. */
    public String distanceWord() {
        return kind == Kind.GRID ? "grid" : "ground";
    }

    /** Whether coordinates are shown scaled. */
    public boolean movesPoints() {
        return kind == Kind.GROUND_COORDINATES;
    }

    /** A grid point as the job shows it. */
    public GridPoint shown(GridPoint grid) {
        if (!movesPoints()) {
            return grid;
        }
        GroundFactor f = factor.orElseThrow();
        return new GridPoint(f.reference().northing() + (grid.northing() - f.reference().northing()) * f.groundPerGrid() + shiftNorth,
                f.reference().easting() + (grid.easting() - f.reference().easting()) * f.groundPerGrid() + shiftEast);
    }

    /** A point as the job shows it, back in the grid. */
    public GridPoint grid(GridPoint shown) {
        if (!movesPoints()) {
            return shown;
        }
        GroundFactor f = factor.orElseThrow();
        return new GridPoint(f.reference().northing() + (shown.northing() - shiftNorth - f.reference().northing()) / f.groundPerGrid(),
                f.reference().easting() + (shown.easting() - shiftEast - f.reference().easting()) / f.groundPerGrid());
    }

    /** A grid distance on the ground. @param local ground over grid at the line's own place */
    public double groundPerGrid(double local) {
        return factor.map(GroundFactor::groundPerGrid).orElse(local);
    }
}
