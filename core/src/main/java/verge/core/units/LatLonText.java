package verge.core.units;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * Latitudes and longitudes as they are typed: {@code 56 57 04.5 N}, {@code N 56°57′04.5″}, {@code -33.918}, {@code 11,27 E}. Without a
 * letter, south and west are negative; a bare number is in degrees.
 */
public final class LatLonText {
    private static final Pattern LETTER_BEHIND = Pattern.compile("(.*?)\\s*([NSEW])", Pattern.CASE_INSENSITIVE);
    private static final Pattern LETTER_IN_FRONT = Pattern.compile("([NSEW])\\s*(.*)", Pattern.CASE_INSENSITIVE);
    private static final double QUARTER = 90;
    private static final double HALF = 180;

    private LatLonText() {
    }

    /** @throws SurveyException NOT_AN_ANGLE, or OUT_OF_RANGE beyond ±90° */
    public static Angle latitude(String typed) {
        return parse(typed, "NS", "latitude", QUARTER);
    }

    /** @throws SurveyException NOT_AN_ANGLE, or OUT_OF_RANGE beyond ±180° */
    public static Angle longitude(String typed) {
        return parse(typed, "EW", "longitude", HALF);
    }

    private static Angle parse(String typed, String letters, String what, double farthest) {
        String text = typed.strip();
        Matcher behind = LETTER_BEHIND.matcher(text);
        Matcher front = LETTER_IN_FRONT.matcher(text);
        String letter = behind.matches() ? behind.group(2) : front.matches() ? front.group(1) : "";
        String figure = behind.matches() ? behind.group(1) : front.matches() ? front.group(2) : text;
        Angle angle = AngleText.parse(figure, AngleUnit.DECIMAL_DEGREES);
        boolean otherKind = !letter.isEmpty() && letters.indexOf(letter.toUpperCase(Locale.ROOT).charAt(0)) < 0;
        if (otherKind || !letter.isEmpty() && angle.radians() < 0) {
            throw new SurveyException(Problem.NOT_AN_ANGLE, typed);
        }
        if (Math.abs(angle.degrees()) > farthest) {
            throw new SurveyException(Problem.OUT_OF_RANGE, what, typed, -farthest, farthest);
        }
        return letter.equalsIgnoreCase(letters.substring(1)) ? new Angle(-angle.radians()) : angle;
    }
}
