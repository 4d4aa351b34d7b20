package verge.core.measure;

import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.strings.Joining;

/** A point that was found without a prism on it: by several sights, or by a tape. What was read stands in the sights. */
public record PointFound(PointName name, Code code, Finding finding, Map<String, String> notes, List<Joining> joins) implements Measured {
    public PointFound {
        notes = Map.copyOf(notes);
        joins = Measured.each(joins);
    }

    @Override
    public PointFound renamed(UnaryOperator<PointName> other) {
        return new PointFound(other.apply(name), code, finding, notes, joins);
    }

    @Override
    public PointFound with(Code other) {
        return new PointFound(name, other, finding, notes, joins);
    }

    public PointFound with(Finding other) {
        return new PointFound(name, code, other, notes, joins);
    }
}
