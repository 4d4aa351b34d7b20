package verge.core.cogo;

import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.plan.Path;
import verge.core.plan.Walk;

/**
 * A line as it is walked with a tape: places by how far one has come in the scale in which lengths are told, each of its pieces having that
 * of its own.
 */
final class ScaledWalk {
    /** Each leaves a millionth of what the round before was wrong by. */
    private static final int ROUNDS = 3;
    private final Path path;
    private final Walk walk;
    private final LengthPerGrid scale;
    /** Lengths from the begin to each vertex. */
    private final double[] upTo;

    /** What a length along a straight line is, over its length in the grid. */
    interface LengthPerGrid {
        double of(Position from, GridPoint to);
    }

    private ScaledWalk(Path path, Walk walk, LengthPerGrid scale, double[] upTo) {
        this.path = path;
        this.walk = walk;
        this.scale = scale;
        this.upTo = upTo;
    }

    static ScaledWalk of(Walk walk, LengthPerGrid scale) {
        Path path = walk.path();
        double[] upTo = new double[path.pieces() + 1];
        for (int i = 0; i < path.pieces(); i++) {
            upTo[i + 1] = upTo[i] + (walk.upTo(i + 1) - walk.upTo(i))
                    * scale.of(path.vertices().position(i), path.vertices().plan((i + 1) % path.vertices().size()));
        }
        return new ScaledWalk(path, walk, scale, upTo);
    }

    double length() {
        return upTo[upTo.length - 1];
    }

    /**
     * How far it is to a place that is so many metres of the grid from the begin; before the begin and beyond the end in the scale that the
     * line has there.
     */
    double told(double along) {
        double within = Math.max(0, Math.min(walk.length(), along));
        int piece = 0;
        int beyond = path.pieces();
        while (beyond - piece > 1) {
            int middle = (piece + beyond) / 2;
            if (walk.upTo(middle) <= within) {
                piece = middle;
            } else {
                beyond = middle;
            }
        }
        Walk.Place at = walk.at(within).orElseThrow();
        double rest = within - walk.upTo(piece);
        double told = upTo[piece] + (rest > 0 ? rest * scale.of(path.vertices().position(piece), at.position().plan()) : 0);
        double more = along - within;
        return more == 0 ? told : told
                + more * scale.of(at.position(), at.position().plan().plus(more * at.azimuth().cos(), more * at.azimuth().sin()));
    }

    /** The place so far from the begin; before its begin and beyond its end the line goes straight on, level. */
    Walk.Place at(double told) {
        double within = Math.max(0, Math.min(length(), told));
        int piece = Walk.pieceAt(upTo, within);
        double most = walk.upTo(piece + 1) - walk.upTo(piece);
        double rest = within - upTo[piece];
        Position from = path.vertices().position(piece);
        double along = Math.min(most, rest * most / (upTo[piece + 1] - upTo[piece]));
        for (int round = 0; rest > 0 && round < ROUNDS; round++) {
            along = Math.min(most, rest / scale.of(from, place(piece, along).position().plan()));
        }
        Walk.Place place = told >= length() ? walk.at(walk.length()).orElseThrow() : place(piece, along);
        return told == within ? place : beside(new Walk.Place(place.position(), place.azimuth()), told - within, 0);
    }

    private Walk.Place place(int piece, double along) {
        return walk.at(Math.min(walk.length(), walk.upTo(piece) + along)).orElseThrow();
    }

    /** From a place on the line so far ahead and to the right of it, at its height. */
    Walk.Place beside(Walk.Place place, double ahead, double right) {
        Position from = place.position();
        double north = ahead * place.azimuth().cos() - right * place.azimuth().sin();
        double east = ahead * place.azimuth().sin() + right * place.azimuth().cos();
        GridPoint to = from.plan().plus(north, east);
        for (int round = 0; round < ROUNDS; round++) {
            double perLength = 1 / scale.of(from, to);
            to = from.plan().plus(north * perLength, east * perLength);
        }
        return new Walk.Place(new Position(to, from.elevation()), place.azimuth());
    }
}
