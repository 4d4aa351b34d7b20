package verge.core.points;

import java.util.stream.Stream;
import verge.core.journal.Payload;

/** An entry that was computed from points. */
public interface MadeFrom extends Payload {
    Stream<PointSeen> madeFrom();
}
