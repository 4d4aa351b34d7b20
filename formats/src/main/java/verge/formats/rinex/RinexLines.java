package verge.formats.rinex;

import java.io.IOException;
import java.text.Normalizer;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import verge.core.satellite.GpsTime;

/** What the lines of all kinds of RINEX 3 files have in common. */
final class RinexLines {
    static final double VERSION = 3.05;
    private static final DateTimeFormatter RUN = DateTimeFormatter.ofPattern("yyyyMMdd HHmmss 'UTC'", Locale.ROOT);
    private static final Instant EPOCH = Instant.parse("1980-01-06T00:00:00Z");
    private static final int LABEL_COLUMN = 60;
    private static final Map<String, String> SPELLED = Map.ofEntries(Map.entry("æ", "ae"), Map.entry("Æ", "AE"), Map.entry("ø", "oe"),
            Map.entry("Ø", "OE"), Map.entry("å", "aa"), Map.entry("Å", "AA"), Map.entry("ä", "ae"), Map.entry("Ä", "AE"),
            Map.entry("ö", "oe"), Map.entry("Ö", "OE"), Map.entry("ü", "ue"), Map.entry("Ü", "UE"), Map.entry("ß", "ss"),
            Map.entry("œ", "oe"), Map.entry("þ", "th"), Map.entry("ð", "d"), Map.entry("ł", "l"), Map.entry("Ł", "L"), Map.entry("đ", "d"),
            Map.entry("ı", "i"),
            Map.entry("\u2013", "-"), Map.entry("\u2019", "'"), Map.entry("\u2032", "'"));

    private final Appendable out;

    RinexLines(Appendable out) {
        this.out = out;
    }

    /** @param kind what the file is @param agency that wrote it */
    void head(String kind, String agency, Instant written) throws IOException {
        line(String.format(Locale.ROOT, "%9.2f%11s%-20s%-20s", VERSION, "", kind, "M: Mixed"), "RINEX VERSION / TYPE");
        line(text("Verge", 20) + text(agency, 20) + RUN.format(written.atZone(ZoneOffset.UTC)), "PGM / RUN BY / DATE");
    }

    void line(String content, String label) throws IOException {
        out.append(text(content, LABEL_COLUMN)).append(label).append('\n');
    }

    /**
     * In ASCII, cut or filled to a width: accents fall away, letters of their own are written by two, and what has no such letters is a
     * question mark.
     */
    static String text(String text, int width) {
        String spelled = text;
        for (Map.Entry<String, String> letter : SPELLED.entrySet()) {
            spelled = spelled.replace(letter.getKey(), letter.getValue());
        }
        String plain = Normalizer.normalize(spelled, Normalizer.Form.NFD).replaceAll("\\p{M}", "").chars()
                .mapToObj(c -> c >= ' ' && c < 127 ? String.valueOf((char) c) : "?").collect(Collectors.joining());
        return String.format(Locale.ROOT, "%-" + width + "s", plain.substring(0, Math.min(width, plain.length())));
    }

    /** The satellites' time as a calendar, without leap seconds. */
    static ZonedDateTime civil(GpsTime time) {
        return EPOCH.plusNanos(time.nanos()).atZone(ZoneOffset.UTC);
    }
}
