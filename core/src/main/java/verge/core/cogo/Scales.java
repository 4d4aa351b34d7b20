package verge.core.cogo;

import java.util.Optional;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.plan.Path;
import verge.core.plan.Walk;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * What lengths mean while something is computed: coordinates lie in the plane, distances are told in the grid and on the ground, and are
 * given in one of both.
 *
 * @param givenOnGround whether distances that are given are ground distances
 */
public record Scales(Plane plane, GroundUse use, boolean givenOnGround) {

    /**
     * Pieces that come to no more have the scale of the line from the begin of the first to the end of the last: within them it changes by
     * 10⁻⁷ at most.
     */
    private static final double ONE_SCALE_METRES = 20;

    /** A flat site at scale 1, for what belongs to no job. */
    public static Scales plain() {
        return new Scales(new FlatSite(1), GroundUse.GRID, false);
    }

    /** Ground over grid along a line. */
    public double groundPerGrid(GridPoint from, GridPoint to, Optional<Elevation> level) {
        return use.groundPerGrid(1 / plane.gridPerGround(from, to, level));
    }

    /** Grid over what is given, at a place. */
    public double gridPerGiven(Position at) {
        return gridPerGiven(at, at.plan());
    }

    /** Grid over what is given, along a line that is measured from its begin. */
    public double gridPerGiven(Position from, GridPoint to) {
        return givenOnGround ? 1 / groundPerGrid(from.plan(), to, from.elevation()) : 1;
    }

    /** Ground over grid along a line that is measured from its begin. */
    double groundPerGrid(Position from, GridPoint to) {
        return groundPerGrid(from.plan(), to, from.elevation());
    }

    /** A line along which lengths are given. */
    ScaledWalk given(Walk walk) {
        return ScaledWalk.of(walk, (from, to) -> 1 / gridPerGiven(from, to));
    }

    /** The length of a line as it is told, both ways. */
    Quantity.Distance told(Path path) {
        double grid = 0;
        double ground = 0;
        double run = 0;
        int begin = 0;
        for (int i = 0; i < path.pieces(); i++) {
            run += path.pieceLength(i);
            if (run >= ONE_SCALE_METRES || i == path.pieces() - 1) {
                grid += run;
                ground += run * groundPerGrid(path.vertices().position(begin), path.vertices().plan((i + 1) % path.vertices().size()));
                run = 0;
                begin = i + 1;
            }
        }
        return new Quantity.Distance(new Length(grid), new Length(ground));
    }

    /** A given distance from a place in a direction, in metres of the grid. */
    public double grid(Position from, Angle azimuth, double given) {
        if (!givenOnGround) {
            return given;
        }
        return use.factor().isPresent() ? given * gridPerGiven(from)
                : Math.signum(given) * plane.toGrid(from, given < 0 ? azimuth.plus(Angle.HALF_TURN) : azimuth, new Length(Math.abs(given)))
                .metres();
    }

    /** The place at a given distance in a direction. */
    public GridPoint ahead(Position from, Angle azimuth, double given) {
        double metres = grid(from, azimuth, given);
        return from.plan().plus(metres * azimuth.cos(), metres * azimuth.sin());
    }

    /** A distance of the grid as it is told, both ways. */
    public Quantity.Distance told(GridPoint from, GridPoint to, Optional<Elevation> level) {
        double grid = from.distanceMetres(to);
        return new Quantity.Distance(new Length(grid), new Length(grid * groundPerGrid(from, to, level)));
    }

    /** An area of the grid about a place, both ways. */
    Quantity.Area told(double squareMetres, Position about) {
        return new Quantity.Area(squareMetres, squareMetres * groundPerGridOfAreas(about));
    }

    /** Ground over grid for areas about a place. */
    double groundPerGridOfAreas(Position about) {
        double factor = groundPerGrid(about, about.plan());
        return factor * factor;
    }
}
