package verge.core.cogo;

import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.core.coding.Naming;
import verge.core.coding.PointName;
import verge.core.points.MadeFrom;
import verge.core.points.PointSeen;

/** An inverse that was noted, with the very positions it was computed from. */
public record InverseNoted(PointSeen from, PointSeen to) implements Naming, MadeFrom {
    @Override
    public Stream<PointName> names() {
        return madeFrom().map(PointSeen::name);
    }

    @Override
    public Stream<PointSeen> madeFrom() {
        return Stream.of(from, to);
    }

    @Override
    public InverseNoted renamed(UnaryOperator<PointName> other) {
        return new InverseNoted(from.renamed(other), to.renamed(other));
    }
}
