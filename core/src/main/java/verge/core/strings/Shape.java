package verge.core.strings;

import java.util.ArrayList;
import java.util.List;
import verge.core.plan.Parallel;
import verge.core.plan.Path;
import verge.core.plan.Vertices;

/**
 * The lines in plan that a string comes to.
 *
 * @param paths one for each part that has a length
 * @param runs its curves, in the order of the string
 */
public record Shape(List<Path> paths, List<Run> runs) {
    public static final Shape NONE = new Shape(List.of(), List.of());

    public Shape {
        paths = List.copyOf(paths);
        runs = List.copyOf(runs);
    }

    /** The shape of a string that has vertices of its own. */
    public static Shape of(SurveyString string) {
        List<Path> paths = new ArrayList<>();
        List<Run> runs = new ArrayList<>();
        List<List<Vertex>> parts = string.parts();
        for (int i = 0; i < parts.size(); i++) {
            List<Vertex> part = apart(parts.get(i));
            if (part.size() > 1) {
                PartShape shape = new PartShape(part, string.ring() && i == parts.size() - 1 && part.size() > 2, string.curves());
                paths.add(shape.path());
                runs.addAll(shape.runs());
            }
        }
        return new Shape(paths, runs);
    }

    /** Without those that lie in the same spot as the one before: no line leads from a place to itself. */
    private static List<Vertex> apart(List<Vertex> part) {
        List<Vertex> kept = new ArrayList<>();
        for (Vertex vertex : part) {
            if (kept.isEmpty() || !kept.get(kept.size() - 1).position().plan().equals(vertex.position().plan())) {
                kept.add(vertex);
            }
        }
        return kept;
    }

    /** The same beside it; a part that has no room there is left out. */
    public Shape beside(double left, double up) {
        return new Shape(paths.stream().flatMap(path -> Parallel.of(path, left, up).stream()).toList(), List.of());
    }

    /** All of it as chords that leave its arcs by at most so many metres. */
    public List<Vertices> chords(double sagitta) {
        return paths.stream().map(path -> path.chords(sagitta)).toList();
    }
}
