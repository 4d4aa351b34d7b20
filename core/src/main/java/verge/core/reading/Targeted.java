package verge.core.reading;

import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.core.journal.Payload;

/** An entry that says what stood over each mark it was read to. */
public interface Targeted extends Payload {
    Stream<Target> targets();

    /** The same with other targets. */
    Payload withTargets(UnaryOperator<Target> other);
}
