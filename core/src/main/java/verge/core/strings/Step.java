package verge.core.strings;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import verge.core.plan.Path;

/** One thing that an entry does to a string. A step that names a vertex which is not there any more does nothing. */
public sealed interface Step {
    /**
     * A vertex more at one of its ends.
     *
     * @param name of the string as the shot knew it; the first that stands is its name until it is given another
     */
    record Joined(StringName name, Vertex vertex, End end) implements Step {
    }

    /** A vertex more among the others. @param after which; empty for before the first */
    record Inserted(Vertex vertex, Optional<VertexId> after) implements Step {
    }

    /** Vertices that are none any more. */
    record Left(Set<VertexId> vertices) implements Step {
    }

    /** Other vertices in place of all it had. */
    record Taken(StringName name, List<Vertex> vertices, Map<VertexId, CurveKind> curves) implements Step {
    }

    /** It has become part of another string. */
    record Gone() implements Step {
    }

    /** It runs beside another string. */
    record Beside(StringName name, UUID string, double left, double up) implements Step {
    }

    /** It is as something else draws it, and has no vertices of its own. */
    record Drawn(StringName name, List<Path> paths) implements Step {
        public Drawn {
            paths = List.copyOf(paths);
        }
    }

    /** What is said of it as it stands. */
    record Said(Edit edit) implements Step {
    }
}
