package verge.core.coding;

import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.core.journal.Payload;

/** An entry that somebody gave names to, or called marks by. */
public interface Naming extends Payload {
    Stream<PointName> names();

    /** The same with other names. */
    Payload renamed(UnaryOperator<PointName> other);
}
