package verge.core.plan;

import java.util.List;
import java.util.stream.Stream;

/**
 * What a closed path encloses, without what its holes do. Holes lie within the rim and not in one another; nothing here looks whether they
 * do.
 */
public record Region(Path rim, List<Path> holes) {
    public Region {
        holes = List.copyOf(holes);
        if (!Stream.concat(Stream.of(rim), holes.stream()).allMatch(Path::closed)) {
            throw new IllegalArgumentException("a region has closed paths");
        }
    }

    public static Region of(Path rim) {
        return new Region(rim, List.of());
    }

    /** In plan, arcs counted, in square metres of the grid. */
    public double area() {
        return rim.area().orElseThrow() - holes.stream().mapToDouble(hole -> hole.area().orElseThrow()).sum();
    }

    /** The rim and the holes. */
    public Stream<Path> rings() {
        return Stream.concat(Stream.of(rim), holes.stream());
    }
}
