package verge.app.cogo;

import java.util.Arrays;
import java.util.List;
import java.util.ResourceBundle;

/**
 * The geometry of a computation as a small drawing, from the one line that describes it.
 *
 * @param given lines that are given, as a path
 * @param helps lines that lead there
 * @param made what comes out
 * @param marks points that are given, x and y
 * @param found points that come out
 */
public record ToolDrawing(String given, String helps, String made, List<String[]> marks, List<String[]> found) {
    private static final ResourceBundle DRAWINGS = ResourceBundle.getBundle("compute-drawings");

    static ToolDrawing of(String computation) {
        String[] parts = DRAWINGS.getString(computation).split("\\|", -1);
        return new ToolDrawing(parts[0], parts[1], parts[2], points(parts[3]), points(parts[4]));
    }

    private static List<String[]> points(String written) {
        return written.isEmpty() ? List.of() : Arrays.stream(written.split(" ")).map(point -> point.split(",")).toList();
    }
}
