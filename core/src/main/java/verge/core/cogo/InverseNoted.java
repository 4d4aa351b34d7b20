package verge.core.cogo;

import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.core.coding.Naming;
import verge.core.coding.PointName;

public record InverseNoted(PointName from, PointName to) implements Naming {

    @Override
    public Stream<PointName> names() {
        return Stream.of(from, to);
    }

    @Override
    public InverseNoted renamed(UnaryOperator<PointName> other) {
        return new InverseNoted(other.apply(from), other.apply(to));
    }
}
