package verge.app.journal;

import java.util.List;

/**
 * One step on the way from what was read to what it came to: in words, with the value that it led to.
 *
 * @param figure one or several, two blanks between them
 * @param sigma standard deviation of each, or empty
 */
public record TraceStep(String words, String figure, String sigma) {
    public TraceStep(String words, String figure) {
        this(words, figure, "");
    }

    /** The figures one by one: a line may end between them and not within. */
    public List<String> figures() {
        return List.of(figure.split("  +"));
    }

    /** The standard deviations one by one. */
    public List<String> sigmas() {
        return sigma.isEmpty() ? List.of() : List.of(sigma.split("  +"));
    }
}
