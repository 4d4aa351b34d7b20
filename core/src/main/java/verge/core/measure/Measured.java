package verge.core.measure;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import verge.core.coding.Code;
import verge.core.coding.Naming;
import verge.core.coding.PointName;
import verge.core.strings.Joining;
import verge.core.strings.Strung;

/** An entry by which somebody in the field gave a point its place, its name and its code. */
public interface Measured extends Naming, Strung {
    PointName name();

    Code code();

    /** What was written into the job's own fields, by their names. */
    Map<String, String> notes();

    /** The strings that the point is a vertex of, each once. */
    List<Joining> joins();

    /** The same with another code. */
    Measured with(Code other);

    @Override
    default Stream<PointName> names() {
        return Stream.of(name());
    }

    @Override
    default Stream<UUID> strings() {
        return joins().stream().map(Joining::string);
    }

    /** @throws IllegalArgumentException if a string is joined twice */
    static List<Joining> each(List<Joining> joins) {
        if (joins.stream().map(Joining::string).distinct().count() < joins.size()) {
            throw new IllegalArgumentException("a string joined twice by one shot");
        }
        return List.copyOf(joins);
    }
}
