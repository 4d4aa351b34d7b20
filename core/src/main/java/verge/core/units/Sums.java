package verge.core.units;

import java.util.Optional;
import java.util.function.Function;
import verge.core.problem.SurveyException;

/**
 * Figures as they are reckoned while they are typed: {@code 12.40+3.15}, {@code 2*1.25 m − 40 mm}, {@code 100/3}, {@code 90 − 12 30}. What
 * is a figure as it stands is read as it stands, so that {@code 12' 6-1/2"} and {@code 45-30-15} keep their hyphens. Products and quotients
 * first, then from left to right.
 */
public final class Sums {
    private static final int LONGEST = 80;

    private Sums() {
    }

    /** @throws SurveyException NOT_A_LENGTH */
    public static Length length(String typed, LengthUnit unitOfBareNumber) {
        return new Length(value(typed, text -> LengthText.parse(text, unitOfBareNumber).metres()));
    }

    /** @throws SurveyException NOT_AN_ANGLE */
    public static Angle angle(String typed, AngleUnit unitOfBareNumber) {
        return new Angle(value(typed, text -> AngleText.parse(text, unitOfBareNumber).radians()));
    }

    /** @param one reads a figure that stands alone, and says in words what is wrong with the whole if that cannot be read either */
    private static double value(String typed, Function<String, Double> one) {
        Optional<Double> sum = typed.length() > LONGEST ? Optional.empty()
                : sum(typed.strip().replace('\u2212', '-').replace('\u00d7', '*'), one);
        return sum.filter(Double::isFinite).orElseGet(() -> one.apply(typed));
    }

    private static Optional<Double> plain(String text, Function<String, Double> one) {
        try {
            return text.isBlank() ? Optional.empty() : Optional.of(one.apply(text.strip()));
        } catch (SurveyException none) {
            return Optional.empty();
        }
    }

    private static Optional<Double> sum(String text, Function<String, Double> one) {
        Optional<Double> whole = product(text, one);
        for (int i = text.length() - 1; i > 0 && whole.isEmpty(); i--) {
            char sign = text.charAt(i);
            boolean twice = text.substring(i + 1).stripLeading().matches("[+-].*");   // a slip of the finger, not a sign of the figure
            if ((sign == '+' || sign == '-') && !twice) {
                Optional<Double> right = product(text.substring(i + 1), one);
                Optional<Double> left = right.isEmpty() ? Optional.empty() : sum(text.substring(0, i), one);
                whole = left.flatMap(a -> right.map(b -> sign == '+' ? a + b : a - b));
            }
        }
        return whole;
    }

    /** A figure, or one with plain numbers that it is multiplied or divided by. */
    private static Optional<Double> product(String text, Function<String, Double> one) {
        Optional<Double> whole = plain(text, one);
        for (int i = text.length() - 1; i > 0 && whole.isEmpty(); i--) {
            char sign = text.charAt(i);
            if (sign == '*' || sign == '/') {
                Optional<Double> number = Decimals.parse(text.substring(i + 1).strip());
                Optional<Double> left = product(text.substring(0, i), one);
                whole = number.flatMap(b -> left.map(a -> sign == '*' ? a * b : a / b));
                if (whole.isEmpty() && sign == '*') {
                    Optional<Double> figure = plain(text.substring(i + 1), one);
                    whole = Decimals.parse(text.substring(0, i).strip()).flatMap(a -> figure.map(b -> a * b));
                }
            }
        }
        return whole;
    }
}
