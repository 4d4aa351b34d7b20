package verge.core.strings;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import verge.core.plan.Path;

/**
 * A line of points with one code, in the order in which it goes through them.
 *
 * @param ring whether its last part leads back to where that begins
 * @param ended whether nothing more is to come
 * @param curves what was chosen for flowing vertices, by any one of those that belong together
 * @param beside the string that it runs beside, in whose place it has no vertices of its own
 * @param drawn how something else draws it, in whose place it has no vertices of its own
 */
public record SurveyString(UUID id, StringName name, List<Vertex> vertices, boolean ring, boolean ended, Map<VertexId, CurveKind> curves,
        Optional<Step.Beside> beside, Optional<Step.Drawn> drawn) {
    public SurveyString {
        vertices = List.copyOf(vertices);
        curves = Map.copyOf(curves);
    }

    /** What steps in their order make of a string; empty if nothing of it stands. */
    public static Optional<SurveyString> of(UUID id, List<List<Step>> steps) {
        Growing growing = new Growing();
        steps.forEach(each -> each.forEach(growing::take));
        boolean stands = growing.name != null && !growing.gone
                && (!growing.vertices.isEmpty() || growing.beside != null || growing.drawn != null);
        return stands ? Optional.of(new SurveyString(id, growing.name, growing.vertices, growing.ring, growing.ended, growing.curves,
                Optional.ofNullable(growing.beside), Optional.ofNullable(growing.drawn))) : Optional.empty();
    }

    /** Whether it has vertices of its own, which can be edited. */
    public boolean hasOwnVertices() {
        return beside.isEmpty() && drawn.isEmpty();
    }

    /** Its parts, each with at least one vertex. */
    public List<List<Vertex>> parts() {
        List<List<Vertex>> parts = new ArrayList<>();
        for (Vertex vertex : vertices) {
            if (parts.isEmpty() || vertex.gap()) {
                parts.add(new ArrayList<>());
            }
            parts.get(parts.size() - 1).add(vertex);
        }
        return parts;
    }

    /** The vertex at an end; empty if it has none. */
    public Optional<Vertex> at(End end) {
        return vertices.isEmpty() ? Optional.empty() : Optional.of(vertices.get(end == End.FIRST ? 0 : vertices.size() - 1));
    }

    public Optional<Vertex> vertex(VertexId vertex) {
        return vertices.stream().filter(v -> v.id().equals(vertex)).findFirst();
    }

    /** The same the other way round. Gaps stay between the same two. */
    static List<Vertex> reversed(List<Vertex> vertices) {
        List<Vertex> turned = new ArrayList<>();
        for (int i = vertices.size() - 1; i >= 0; i--) {
            turned.add(vertices.get(i).gap(i + 1 < vertices.size() && vertices.get(i + 1).gap()));
        }
        return turned;
    }

    /** A string while its steps are taken. */
    private static final class Growing {
        private StringName name;
        private final List<Vertex> vertices = new ArrayList<>();
        private final Map<VertexId, CurveKind> curves = new HashMap<>();
        private boolean ring;
        private boolean ended;
        private boolean gone;
        private Step.Beside beside;
        private Step.Drawn drawn;

        private void take(Step step) {
            if (step instanceof Step.Joined joined) {
                call(joined.name());
                join(joined.vertex(), joined.end());
            } else if (step instanceof Step.Inserted inserted) {
                insert(inserted);
            } else if (step instanceof Step.Left left) {
                leave(left);
            } else if (step instanceof Step.Taken taken) {
                call(taken.name());
                vertices.clear();
                vertices.addAll(taken.vertices());
                curves.putAll(taken.curves());
            } else if (step instanceof Step.Gone) {
                gone = true;
            } else if (step instanceof Step.Beside other) {
                call(other.name());
                beside = other;
            } else if (step instanceof Step.Drawn other) {
                call(other.name());
                drawn = other;
                ring = other.paths().stream().allMatch(Path::closed);
                ended = true;
            } else if (step instanceof Step.Said said) {
                say(said.edit());
            }
        }

        private void call(StringName first) {
            name = name == null ? first : name;
        }

        private void join(Vertex vertex, End end) {
            ended = false;
            if (end == End.LAST || vertices.isEmpty()) {
                vertices.add(vertex.gap(vertex.gap() && !vertices.isEmpty()));
            } else {
                vertices.set(0, vertices.get(0).gap(vertex.gap()));
                vertices.add(0, vertex.gap(false));
            }
        }

        private int place(VertexId id) {
            for (int i = 0; i < vertices.size(); i++) {
                if (vertices.get(i).id().equals(id)) {
                    return i;
                }
            }
            return -1;
        }

        private void insert(Step.Inserted inserted) {
            int after = inserted.after().map(this::place).orElse(-1);
            if (inserted.after().isEmpty() || after >= 0) {
                vertices.add(after + 1, inserted.vertex());
            }
        }

        private void leave(Step.Left left) {
            for (int i = 0; i < vertices.size(); i++) {
                if (left.vertices().contains(vertices.get(i).id())) {
                    boolean gap = vertices.remove(i).gap();
                    if (gap && i > 0 && i < vertices.size()) {
                        vertices.set(i, vertices.get(i).gap(true));   // where a part began, the next begins it
                    }
                    i--;
                }
            }
            if (!vertices.isEmpty()) {
                vertices.set(0, vertices.get(0).gap(false));
            }
        }

        private void say(Edit edit) {
            if (edit instanceof Edit.Named other) {
                name = other.name();
            } else if (edit instanceof Edit.Ring said) {
                ring = said.closed();
                ended = said.closed();
            } else if (edit instanceof Edit.Ended) {
                ended = true;
            } else if (edit instanceof Edit.Reversed) {
                List<Vertex> turned = reversed(vertices);
                Collections.copy(vertices, turned);
            } else if (edit instanceof Edit.Bent bent) {
                int at = place(bent.vertex());
                if (at >= 0) {
                    vertices.set(at, vertices.get(at).with(bent.bend()));
                }
            } else if (edit instanceof Edit.Curved curved) {
                curved.curve().ifPresentOrElse(kind -> curves.put(curved.vertex(), kind), () -> curves.remove(curved.vertex()));
            } else if (edit instanceof Edit.Ordered ordered) {
                order(ordered);
            }
        }

        private void order(Edit.Ordered ordered) {
            List<Vertex> now = new ArrayList<>();
            ordered.vertices().forEach(id -> vertices.stream().filter(v -> v.id().equals(id) && !now.contains(v)).findFirst()
                    .ifPresent(now::add));
            vertices.stream().filter(v -> !now.contains(v)).forEach(now::add);
            for (int i = 0; i < now.size(); i++) {
                vertices.set(i, i == 0 ? now.get(i).gap(false) : now.get(i));
            }
        }
    }
}
