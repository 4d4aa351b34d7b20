package verge.core.units;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * Lengths as a surveyor types them: {@code 12.5}, {@code 12,5}, {@code 1.6 m}, {@code 35 mm}, {@code 12.5 ft}, {@code 12.5'}, {@code 12'6
 * 1/2"}, {@code 12' 6-1/2"}, {@code 12ft 6in}. A bare number is in the job's unit. Feet and inches with marks are feet of the job if its
 * unit is a foot, else international feet; with {@code US} behind them they are US survey feet.
 */
public final class LengthText {
    private static final Pattern WITH_UNIT = Pattern.compile("([+-]?[\\d.,]+)\\s*(\\p{Alpha}*)");
    private static final Pattern FEET_AND_INCHES = Pattern.compile(
            "([+-])?(?:(\\d{1,9}(?:[.,]\\d+)?)\\s*(?:'|ft\\b|feet\\b|foot\\b))?\\s*-?\\s*"
            + "(?:(\\d{1,3}(?:[.,]\\d+)?)?\\s*-?\\s*(?:(\\d{1,2})/(\\d{1,2}))?\\s*(?:\"|''|in\\b|inch(?:es)?\\b))?(\\s*US)?",
            Pattern.CASE_INSENSITIVE);
    private static final double INCHES_PER_FOOT = 12;
    private static final Map<String, Double> METRES = Map.of("m", 1.0, "cm", 0.01, "mm", 0.001,
            "ft", LengthUnit.INTERNATIONAL_FOOT.metresPerUnit(), "ftus", LengthUnit.US_SURVEY_FOOT.metresPerUnit(),
            "in", LengthUnit.INTERNATIONAL_FOOT.metresPerUnit() / INCHES_PER_FOOT);

    private LengthText() {
    }

    /** @throws SurveyException NOT_A_LENGTH if the text is none of the forms above */
    public static Length parse(String typed, LengthUnit unitOfBareNumber) {
        String text = typed.strip().replace('\u2212', '-').replace('\u2032', '\'').replace('\u2033', '"');
        return decimal(text, unitOfBareNumber)
                .or(() -> feetAndInches(text, unitOfBareNumber))
                .orElseThrow(() -> new SurveyException(Problem.NOT_A_LENGTH, typed));
    }

    private static Optional<Length> decimal(String text, LengthUnit unitOfBareNumber) {
        Matcher m = WITH_UNIT.matcher(text);
        if (!m.matches()) {
            return Optional.empty();
        }
        String unit = m.group(2).toLowerCase(Locale.ROOT);
        double metresPerUnit = unit.isEmpty() ? unitOfBareNumber.metresPerUnit()
                // 'ft' in a job of US survey feet means the job's foot, not a silent change of kind
                : unit.equals("ft") ? unitOfBareNumber.foot().metresPerUnit()
                : METRES.getOrDefault(unit, Double.NaN);
        return Double.isNaN(metresPerUnit) ? Optional.empty()
                : Decimals.parse(m.group(1)).map(amount -> new Length(amount * metresPerUnit));
    }

    private static Optional<Length> feetAndInches(String text, LengthUnit unitOfBareNumber) {
        Matcher m = FEET_AND_INCHES.matcher(text);
        if (!m.matches() || m.group(2) == null && m.group(3) == null && m.group(4) == null) {
            return Optional.empty();
        }
        double feet = m.group(2) == null ? 0 : Double.parseDouble(m.group(2).replace(',', '.'));
        if (feet != Math.rint(feet) && (m.group(3) != null || m.group(4) != null)) {
            return Optional.empty();   // tenths of a foot and inches at once: nobody can say what is meant
        }
        double inches = m.group(3) == null ? 0 : Double.parseDouble(m.group(3).replace(',', '.'));
        if (m.group(4) != null) {
            int denominator = Integer.parseInt(m.group(5));
            if (denominator == 0) {
                return Optional.empty();
            }
            inches += Double.parseDouble(m.group(4)) / denominator;
        }
        if (m.group(2) != null && inches >= INCHES_PER_FOOT) {
            return Optional.empty();   // 12'13" is a slip of one of both figures
        }
        double sign = "-".equals(m.group(1)) ? -1 : 1;
        LengthUnit foot = m.group(6) == null ? unitOfBareNumber.foot() : LengthUnit.US_SURVEY_FOOT;
        return Optional.of(Length.of(sign * (feet + inches / INCHES_PER_FOOT), foot));
    }
}
