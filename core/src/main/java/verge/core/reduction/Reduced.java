package verge.core.reduction;

import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.core.units.Length;

/** A length on its way from the raw reading, with every step it took. */
public record Reduced(Length value, List<Step> steps) {
    public static Reduced of(Length raw) {
        return new Reduced(raw, List.of());
    }

    public Reduced then(Step.Kind kind, UnaryOperator<Length> correction) {
        Length after = correction.apply(value);
        return new Reduced(after, Stream.concat(steps.stream(), Stream.of(new Step(kind, value, after))).toList());
    }
}
