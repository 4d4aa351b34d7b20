package verge.core.strings;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import verge.core.points.PointSeen;

/** What can be done to a string after its shots. */
public sealed interface Edit {
    /** It is another string by name. */
    record Named(StringName name) implements Edit {
    }

    /** A ring leads back to its first vertex, an open string does not; of a string with parts that is its last part. */
    record Ring(boolean closed) implements Edit {
    }

    /** Nothing more is to come; another shot that joins it opens it again. */
    record Ended() implements Edit {
    }

    /** The same the other way round: what was its first end is its last. */
    record Reversed() implements Edit {
    }

    /** The line turns at a vertex, or passes smoothly. */
    record Bent(VertexId vertex, Bend bend) implements Edit {
    }

    /** What the flowing vertices about one of them make; empty for what their places suggest. */
    record Curved(VertexId vertex, Optional<CurveKind> curve) implements Edit {
    }

    /** A point becomes a vertex. @param after which; empty for before the first */
    record PointInserted(PointSeen point, Optional<VertexId> after, Bend bend) implements Edit {
    }

    /** A vertex is none any more; its point stays. */
    record Dropped(VertexId vertex) implements Edit {
    }

    /** The vertices in another order; those not named follow as they stood. */
    record Ordered(List<VertexId> vertices) implements Edit {
        public Ordered {
            vertices = List.copyOf(vertices);
        }
    }

    /** From a vertex on it is another string; both have that vertex. */
    record Split(VertexId vertex, UUID rest, StringName name) implements Edit {
    }

    /** Another string becomes part of it. @param end of this one that it is joined to @param otherEnd of the other that comes there */
    record Joined(UUID other, End end, End otherEnd) implements Edit {
    }

    /** Another string runs beside it, wherever it goes. @param left in metres, positive to the left of its way @param up in metres */
    record Beside(UUID partner, StringName name, double left, double up) implements Edit {
    }

    /** Its three corners are completed to a four-sided figure whose sides are parallel, and it is closed. */
    record Squared() implements Edit {
    }
}
