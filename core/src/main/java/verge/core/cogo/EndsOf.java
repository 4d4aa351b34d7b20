package verge.core.cogo;

import java.util.UUID;
import verge.core.geodesy.Position;
import verge.core.journal.Key;

/** Where the points of a noted inverse lie now. */
public record EndsOf(UUID inverse) implements Key<EndsOf.Ends> {
    /** Both places. */
    public record Ends(Position from, Position to) {
    }
}
