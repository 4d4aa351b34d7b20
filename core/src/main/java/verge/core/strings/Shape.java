package verge.core.strings;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
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

    /**
     * The shape of any string: of one that runs beside another, as that one stands.
     *
     * @param strings by their ids
     * @param own the shape of one that does not run beside another
     */
    public static Shape of(SurveyString string, Function<UUID, Optional<SurveyString>> strings, Function<SurveyString, Shape> own) {
        return string.beside().map(b -> strings.apply(b.string()).filter(other -> other.beside().isEmpty())
                .map(other -> own.apply(other).beside(b.left(), b.up())).orElse(NONE)).orElseGet(() -> own.apply(string));
    }

    /** The shape of a string that does not run beside another. */
    public static Shape of(SurveyString string) {
        if (string.drawn().isPresent()) {
            return new Shape(string.drawn().get().paths(), List.of());
        }
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
