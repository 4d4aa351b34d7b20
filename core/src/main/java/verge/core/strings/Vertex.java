package verge.core.strings;

import java.util.Optional;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;

/**
 * A place that a string goes through.
 *
 * @param point the name of the point there; empty for a computed corner
 * @param gap whether a new part of the string begins here: nothing leads to it from the vertex before
 */
public record Vertex(VertexId id, Optional<PointName> point, Position position, Bend bend, boolean gap) {
    public Vertex with(Bend other) {
        return new Vertex(id, point, position, other, gap);
    }

    public Vertex gap(boolean other) {
        return new Vertex(id, point, position, bend, other);
    }
}
