package verge.core.units;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * Angles as they are written: {@code 45 30 15}, {@code 45°30′15″}, {@code 45°30'15''}, {@code 45d30m15s}, {@code 45.5042}, {@code 50.1234
 * gon}, packed degrees where that is said, {@code 45.3015 dms}, and quadrant bearings {@code N 45 30 15 E}. A sexagesimal is rounded once,
 * in its smallest shown unit, and then split: 29°59′59.9999″ becomes 30°00′00″, never 29°59′60″.
 */
public final class AngleText {
    /** Degrees, minutes and seconds parted by their marks, by letters, by blanks or hyphens; the last of them may have decimals. */
    private static final Pattern SEXAGESIMAL = Pattern.compile(
            "([+-])?(\\d{1,3})(?:\\s*[°d]\\s*|\\s+|-)(\\d{1,2}(?:[.,]\\d+)?)(?:(?:\\s*['\u2032m]\\s*|\\s+|-)(\\d{1,2}(?:[.,"
            + "]\\d+)?))?\\s*(?:''|['\"\u2032\u2033ms])?",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern SINGLE = Pattern.compile("([+-]?[\\d.,]+)\\s*(°|deg|d|g|gon|mil)?", Pattern.CASE_INSENSITIVE);
    /** Degrees, a point, two figures of minutes, two of seconds and their decimals: only where it is said that it is so. */
    private static final Pattern PACKED = Pattern.compile("([+-])?(\\d{1,3})[.,](\\d{2})(\\d{2})(\\d*)\\s*(?:dms|packed)",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern BARE = Pattern.compile("([+-])?(\\d{1,3})(?:[.,](\\d{1,12}))?");
    private static final Pattern QUADRANT = Pattern.compile("([NS])\\s*(.*?)\\s*([EW])", Pattern.CASE_INSENSITIVE);
    /** A quarter turn in gons or mils comes out this much beyond π/2 at most. */
    private static final double ROUNDING = 1e-12;

    private AngleText() {
    }

    /**
     * Reads an angle or, with letters in front and behind, a quadrant bearing.
     *
     * @throws SurveyException NOT_AN_ANGLE if it is neither, has 60 or more minutes or seconds, or a bearing over a quarter turn
     */
    public static Angle parse(String typed, AngleUnit unitOfBareNumber) {
        String text = typed.strip().replace('\u2212', '-');
        Matcher quadrant = QUADRANT.matcher(text);
        Optional<Angle> read = quadrant.matches()
                ? plain(quadrant.group(2), unitOfBareNumber)
                        .flatMap(a -> fromQuadrant(quadrant.group(1), a, quadrant.group(3)))
                : plain(text, unitOfBareNumber);
        return read.orElseThrow(() -> new SurveyException(Problem.NOT_AN_ANGLE, typed));
    }

    /**
     * The same where bare numbers are packed degrees, minutes and seconds behind one point: {@code 45.3015} is 45°30′15″, {@code 45.3} is
     * 45°30′. What says its own unit is read by that.
     *
     * @throws SurveyException NOT_AN_ANGLE
     */
    public static Angle parsePacked(String typed) {
        Matcher bare = BARE.matcher(typed.strip().replace('\u2212', '-'));
        if (!bare.matches()) {
            return parse(typed, AngleUnit.DEGREES);
        }
        String behind = (bare.group(3) == null ? "" : bare.group(3)) + "0000";
        return sexagesimal(bare.group(1), bare.group(2), Double.parseDouble(behind.substring(0, 2)),
                Double.parseDouble(behind.substring(2, 4) + "." + behind.substring(4) + "0"))
                .orElseThrow(() -> new SurveyException(Problem.NOT_AN_ANGLE, typed));
    }

    private static Optional<Angle> plain(String text, AngleUnit unitOfBareNumber) {
        Matcher parts = SEXAGESIMAL.matcher(text);
        if (parts.matches()) {
            double minutes = Double.parseDouble(parts.group(3).replace(',', '.'));
            boolean whole = minutes == Math.rint(minutes) && parts.group(3).chars().allMatch(Character::isDigit);
            double seconds = parts.group(4) == null ? 0 : Double.parseDouble(parts.group(4).replace(',', '.'));
            return parts.group(4) != null && !whole ? Optional.empty() : sexagesimal(parts.group(1), parts.group(2), minutes, seconds);
        }
        Matcher packed = PACKED.matcher(text);
        if (packed.matches()) {
            return sexagesimal(packed.group(1), packed.group(2), Double.parseDouble(packed.group(3)),
                    Double.parseDouble(packed.group(4) + "." + packed.group(5) + "0"));
        }
        Matcher single = SINGLE.matcher(text);
        if (!single.matches()) {
            return Optional.empty();
        }
        AngleUnit unit = single.group(2) == null ? unitOfBareNumber : marked(single.group(2).toLowerCase(Locale.ROOT));
        return Decimals.parse(single.group(1)).map(unit::angle);
    }

    private static Optional<Angle> sexagesimal(String sign, String degrees, double minutes, double seconds) {
        double sense = "-".equals(sign) ? -1 : 1;   // −0 30 00 is a negative angle
        return minutes >= 60 || seconds >= 60 ? Optional.empty()
        : Optional.of(Angle.ofDegrees(sense * (Integer.parseInt(degrees) + minutes / 60 + seconds / 3600)));
    }

    private static AngleUnit marked(String mark) {
        return mark.startsWith("g") ? AngleUnit.GON : mark.equals("mil") ? AngleUnit.MIL : AngleUnit.DECIMAL_DEGREES;
    }

    private static Optional<Angle> fromQuadrant(String northOrSouth, Angle bearing, String eastOrWest) {
        if (bearing.radians() < 0 || bearing.radians() > Math.PI / 2 + ROUNDING) {
            return Optional.empty();
        }
        boolean north = northOrSouth.equalsIgnoreCase("N");
        boolean east = eastOrWest.equalsIgnoreCase("E");
        Angle azimuth = north == east ? bearing : new Angle(-bearing.radians());
        return Optional.of((north ? azimuth : azimuth.plus(Angle.HALF_TURN)).wholeCircle());
    }

    /**
     * A direction in [0, a turn) with its mark or unit.
     *
     * @param decimals of the figure shown; for sexagesimals of its seconds
     */
    public static String direction(Angle direction, AngleUnit unit, int decimals) {
        Angle within = direction.wholeCircle();
        if (unit == AngleUnit.DEGREES) {
            return sexagesimal(within.degrees(), decimals, true);
        }
        boolean roundsToTurn = Double.parseDouble(Decimals.print(unit.in(within), decimals)) >= unit.perTurn();
        return Decimals.show(roundsToTurn ? 0 : unit.in(within), decimals) + unit.mark();
    }

    /** An angle that may be negative and is not wrapped. */
    public static String signed(Angle angle, AngleUnit unit, int decimals) {
        return unit == AngleUnit.DEGREES ? sexagesimal(angle.degrees(), decimals, false) : Decimals.show(unit.in(angle), decimals)
                + unit.mark();
    }

    /** A quadrant bearing such as 'N 45°30′15″ E'; due south is 'S 0°00′00″ E'. */
    public static String quadrant(Angle azimuth, AngleUnit unit, int decimals) {
        double half = azimuth.halfCircle().radians();
        boolean north = Math.abs(half) <= Math.PI / 2;
        String bearing = signed(new Angle(north ? Math.abs(half) : Math.PI - Math.abs(half)), unit, decimals);
        // What is rounded to due east, west, north or south is written in one way, from whichever side it comes.
        boolean quarter = bearing.equals(signed(new Angle(Math.PI / 2), unit, decimals));
        boolean due = bearing.equals(signed(Angle.ZERO, unit, decimals));
        return (north || quarter ? "N " : "S ") + bearing + (half < 0 && !due ? " W" : " E");
    }

    private static String sexagesimal(double degrees, int decimals, boolean wrap) {
        BigDecimal units = BigDecimal.valueOf(Math.abs(degrees)).multiply(BigDecimal.valueOf(3600))
                .setScale(decimals, RoundingMode.HALF_UP);
        if (wrap && units.compareTo(BigDecimal.valueOf(360 * 3600)) >= 0) {
            units = units.subtract(BigDecimal.valueOf(360 * 3600));
        }
        BigInteger whole = units.toBigInteger();
        BigInteger[] minutesAndSeconds = whole.divideAndRemainder(BigInteger.valueOf(60));
        BigInteger[] degreesAndMinutes = minutesAndSeconds[0].divideAndRemainder(BigInteger.valueOf(60));
        String fraction = decimals == 0 ? "" : units.subtract(new BigDecimal(whole)).toPlainString().substring(1);
        String sign = degrees < 0 && units.signum() != 0 ? "\u2212" : "";
        return "%s%d°%02d\u2032%02d%s\u2033".formatted(sign, degreesAndMinutes[0], degreesAndMinutes[1], minutesAndSeconds[1], fraction);
    }
}
