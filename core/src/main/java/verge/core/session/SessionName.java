package verge.core.session;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Locale;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import verge.core.coding.PointName;

/**
 * What a session is called, and its file: of the mark, the day and the letter in its day.
 *
 * @param letter A for a mark's first session of a day, then B, after Z AA
 * @param file letters, digits, low lines and hyphens only
 */
public record SessionName(String letter, String file) {
    private static final int LETTERS = 26;
    private static final int MOST_SESSIONS = 700;

    /**
     * The first that is free.
     *
     * @param from the session's begin; its day is the satellites' own, which is that of UTC
     * @param taken whether a file of that name is there already: two marks may come to one name
     */
    public static SessionName of(PointName mark, Instant from, Predicate<String> taken) {
        LocalDate day = LocalDate.ofInstant(from, ZoneOffset.UTC);
        String stem = String.format(Locale.ROOT, "%s-%04d-%03d-", mark.text().replaceAll("[^A-Za-z0-9]", "_"), day.getYear(),
                day.getDayOfYear());
        return IntStream.range(0, MOST_SESSIONS).mapToObj(SessionName::letter).map(l -> new SessionName(l, stem + l))
                .filter(n -> !taken.test(n.file())).findFirst().orElseThrow();
    }

    private static String letter(int number) {
        return (number < LETTERS ? "" : String.valueOf((char) ('A' + number / LETTERS - 1))) + (char) ('A' + number % LETTERS);
    }
}
