package verge.core.units;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeFormatterBuilder;
import java.time.format.SignStyle;
import java.time.format.TextStyle;
import java.time.temporal.ChronoField;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * Moments by the clocks of a job, told and typed.
 *
 * @param zone whose clocks: of a region, with its summer time, or at a fixed distance from UTC
 */
public record TimeText(ZoneId zone) {
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm:ss");
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMMM uuuu", Locale.ENGLISH);
    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.ENGLISH);
    private static final DateTimeFormatter WHOLE = DateTimeFormatter.ofPattern("d MMMM uuuu, HH:mm:ss", Locale.ENGLISH);
    private static final DateTimeFormatter BRIEF = DateTimeFormatter.ofPattern("d MMM, HH:mm:ss", Locale.ENGLISH);
    private static final DateTimeFormatter OFFSET = DateTimeFormatter.ISO_OFFSET_DATE_TIME;
    private static final DateTimeFormatter TYPED = new DateTimeFormatterBuilder()
            .appendValue(ChronoField.HOUR_OF_DAY, 1, 2, SignStyle.NOT_NEGATIVE)
            .appendLiteral(':').appendValue(ChronoField.MINUTE_OF_HOUR, 2).optionalStart().appendLiteral(':')
            .appendValue(ChronoField.SECOND_OF_MINUTE, 2).toFormatter();
    private static final Pattern FIXED = Pattern.compile("(?:UTC|GMT)?\\s*([+\\-\\u2212])(\\d{1,2})(?::?(\\d{2}))?",
            Pattern.CASE_INSENSITIVE);

    /** '10:41:07'. */
    public String clock(Instant at) {
        return CLOCK.format(at.atZone(zone));
    }

    /** 'Monday 1 June 2026'. */
    public String day(Instant at) {
        return DAY.format(at.atZone(zone));
    }

    /** '1 June 2026, 10:41:07'. */
    public String whole(Instant at) {
        return WHOLE.format(at.atZone(zone));
    }

    /** The end of what began at another moment: on the same day, the clock alone. */
    public String until(Instant from, Instant at) {
        return localDate(from).equals(localDate(at)) ? clock(at) : whole(at);
    }

    /** '1 Jun, 10:41:07'. */
    public String brief(Instant at) {
        return BRIEF.format(at.atZone(zone));
    }

    /** As ISO 8601 writes it, with its distance from UTC. */
    public String iso(Instant at) {
        return OFFSET.format(at.atZone(zone));
    }

    /** '1 June 2026'. */
    public String date(Instant at) {
        return DATE.format(at.atZone(zone));
    }

    public LocalDate localDate(Instant at) {
        return LocalDate.ofInstant(at, zone);
    }

    /** Which clock it is, at a moment: 'CET, UTC+2'; of a fixed one only how far it is from UTC. */
    public String clockAt(Instant at) {
        String fixed = offset(zone.getRules().getOffset(at));
        return zone.normalized() instanceof ZoneOffset ? fixed : name() + ", " + fixed;
    }

    /** The zone as it is typed and shown in a form. */
    public String name() {
        return zone.normalized() instanceof ZoneOffset fixed ? offset(fixed) : zone.getDisplayName(TextStyle.NARROW, Locale.ENGLISH);
    }

    /** Regions and fixed clocks to choose from, in the order of their names. */
    public static List<String> zones() {
        return ZoneId.getAvailableZoneIds().stream().filter(z -> !z.startsWith("SystemV/")).sorted().toList();
    }

    private static String offset(ZoneOffset offset) {
        return offset.getTotalSeconds() == 0 ? "UTC" : "UTC" + offset.getId().replaceFirst("^([+-])0", "$1").replaceFirst(":00$", "")
                .replace('-', '\u2212');
    }

    /**
     * A zone as somebody types it: a region's name, UTC, or how far from UTC.
     *
     * @throws SurveyException ZONE_UNKNOWN
     */
    public static ZoneId parseZone(String typed) {
        String text = typed.strip();
        var fixed = FIXED.matcher(text);
        try {
            if (fixed.matches()) {
                int sign = fixed.group(1).equals("+") ? 1 : -1;
                return ZoneOffset.ofHoursMinutes(sign * Integer.parseInt(fixed.group(2)),
                        fixed.group(3) == null ? 0 : sign * Integer.parseInt(fixed.group(3)));
            }
            return text.equalsIgnoreCase("UTC") || text.equalsIgnoreCase("GMT") || text.equalsIgnoreCase("Z") ? ZoneOffset.UTC
                    : ZoneId.of(ZoneId.getAvailableZoneIds().stream().filter(text::equalsIgnoreCase).findFirst().orElse(text));
        } catch (DateTimeException none) {
            throw new SurveyException(Problem.ZONE_UNKNOWN, text);
        }
    }

    /**
     * A moment of a day: '11:20' or '11:20:30' by this clock. Of an hour that the clock passes twice, the first; of one that it leaves out,
     * the one after.
     *
     * @throws SurveyException NOT_A_TIME
     */
    public Instant at(LocalDate day, String typed) {
        try {
            return day.atTime(LocalTime.parse(typed.strip(), TYPED)).atZone(zone).toInstant();
        } catch (DateTimeException unfit) {
            throw new SurveyException(Problem.NOT_A_TIME, typed.strip());
        }
    }
}
