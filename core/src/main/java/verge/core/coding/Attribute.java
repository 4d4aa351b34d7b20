package verge.core.coding;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Decimals;

/**
 * Something that is asked for with each point or string of a code.
 *
 * @param unit of a number, as it is written beside it; empty without one
 * @param choices what can be chosen, for a choice alone
 * @param required whether the work is not complete without it
 * @param repeats whether the last answer is offered again
 */
public record Attribute(String name, Type type, String unit, Optional<Range> range, List<String> choices, boolean required,
        boolean repeats) {
    private static final int LONGEST_ANSWER = 500;

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

    /**
     * An answer as it is kept: numbers with a decimal point, dates as ISO has them, a choice as the book writes it, 'yes' or 'no'. Blank
     * for none.
     *
     * @throws SurveyException ATTRIBUTE_UNFIT if it cannot be one
     */
    public String read(String typed) {
        String answer = typed.strip();
        if (answer.isEmpty() || type == Type.TEXT || type == Type.PHOTO) {
            return answer.substring(0, Math.min(answer.length(), LONGEST_ANSWER));
        }
        return switch (type) {
            case NUMBER -> Decimals.parse(answer).filter(n -> range.map(r -> n >= r.least() && n <= r.most()).orElse(true))
                    .map(n -> BigDecimal.valueOf(n).stripTrailingZeros().toPlainString()).orElseThrow(() -> unfit(answer));
            case DATE -> day(answer);
            case YES_NO -> oneOf(List.of("yes", "no"), answer);
            default -> oneOf(choices, answer);
        };
    }

    private String day(String answer) {
        try {
            return LocalDate.parse(answer).toString();
        } catch (DateTimeException none) {
            throw unfit(answer);
        }
    }

    private String oneOf(List<String> these, String answer) {
        return these.stream().filter(answer::equalsIgnoreCase).findFirst().orElseThrow(() -> unfit(answer));
    }

    private SurveyException unfit(String answer) {
        String wanted = switch (type) {
            case NUMBER -> range.map(r -> "a number from " + shown(r.least()) + " to " + shown(r.most())).orElse("a number")
                    + (unit.isEmpty() ? "" : " " + unit);
            case DATE -> "a date, such as 2026-03-14";
            case YES_NO -> "yes or no";
            default -> "one of " + String.join(", ", choices);
        };
        return new SurveyException(Problem.ATTRIBUTE_UNFIT, name, answer, wanted);
    }

    private static String shown(double figure) {
        return BigDecimal.valueOf(figure).stripTrailingZeros().toPlainString();
    }

    /** Asked for in words, and not insisted on. */
    public static Attribute text(String name) {
        return new Attribute(name, Type.TEXT, "", Optional.empty(), List.of(), false, false);
    }
}
