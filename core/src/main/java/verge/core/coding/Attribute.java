package verge.core.coding;

import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * Something that is asked for with each point or string of a code.
 *
 * @param unit of a number, as it is written beside it; empty without one
 * @param choices what can be chosen, for a choice alone
 * @param required whether the work is not complete without it
 * @param repeats whether the last answer is offered again
 */
public record Attribute(String name, Type type, String unit, Optional<Range> range, List<String> choices, boolean required, boolean repeats) {
    /** What an answer is. */
    public enum Type { TEXT, NUMBER, CHOICE, YES_NO, DATE, PHOTO }

    /** Between what a number lies, both ends included. */
    public record Range(double least, double most) {
        /** @throws IllegalArgumentException if it holds nothing */
        public Range {
            if (!(least <= most)) {
                throw new IllegalArgumentException(least + " to " + most);
            }
        }
    }

    public Attribute {
        Objects.requireNonNull(name, "name");
        Objects.requireNonNull(type, "type");
        Objects.requireNonNull(unit, "unit");
        Objects.requireNonNull(range, "range");
        choices = List.copyOf(choices);
    }

    /** Asked for in words, and not insisted on. */
    public static Attribute text(String name) {
        return new Attribute(name, Type.TEXT, "", Optional.empty(), List.of(), false, false);
    }
}
