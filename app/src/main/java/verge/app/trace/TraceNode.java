package verge.app.trace;

import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import verge.app.journal.TraceStep;

/**
 * An entry in a trace.
 *
 * @param line its number in the book
 * @param margin the trade's word for its kind
 * @param text what it says as it counts now
 * @param result what it came to, or empty
 * @param amended what was said later of it
 * @param on what it rests on; empty also where it is told further up already
 * @param more how many others it rests on that are not told here
 */
public record TraceNode(UUID entry, long line, String margin, String text, String result, boolean struck, List<TraceStep> steps,
        List<Amended> amended, List<TraceNode> on, int more) {
    /** A line that changed the meaning of another. */
    public record Amended(long line, String text) {
    }

    /** The same with what it gave to the entry that it is told for. */
    TraceNode with(List<TraceStep> given) {
        return given.isEmpty() ? this : new TraceNode(entry, line, margin, text, result, struck,
                Stream.concat(given.stream(), steps.stream()).toList(), amended, on, more);
    }
}
