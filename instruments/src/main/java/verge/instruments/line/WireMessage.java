package verge.instruments.line;

import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.zip.CRC32;

/**
 * One line of the protocol: a tag that pairs answer and question, a verb, named fields, and a checksum, so that a line cut short
 * by a dropped link is never taken for a whole one. The protocol is described in docs/instrument-protocol.md.
 *
 * @param tag the asker's number, or '-' for what was not asked
 */
public record WireMessage(String tag, String verb, Map<String, String> fields) {
    public static final String UNASKED = "-";
    public static final String OK = "OK";
    public static final String NO = "NO";
    private static final String CHECKSUM_MARK = " ~";

    public WireMessage {
        fields = Collections.unmodifiableMap(new LinkedHashMap<>(fields));
    }

    public static WireMessage of(String tag, String verb) {
        return new WireMessage(tag, verb, Map.of());
    }

    /** A refusal in words. */
    public static WireMessage no(String tag, String why) {
        return of(tag, NO).with("why", why);
    }

    public WireMessage with(String field, Object value) {
        Map<String, String> more = new LinkedHashMap<>(fields);
        more.put(field, value.toString());
        return new WireMessage(tag, verb, more);
    }

    /** With a number in fixed decimals, the way an instrument of finite resolution tells it. */
    public WireMessage with(String field, double value, int decimals) {
        return with(field, String.format(Locale.ROOT, "%." + decimals + "f", value));
    }

    /** @throws GarbledLine if the field is not there */
    public String text(String field) {
        return Optional.ofNullable(fields.get(field)).orElseThrow(() -> new GarbledLine("no " + field));
    }

    /** @throws GarbledLine if the field is not there or not a finite number */
    public double number(String field) {
        try {
            double value = Double.parseDouble(text(field));
            if (Double.isFinite(value)) {
                return value;
            }
        } catch (NumberFormatException notANumber) {
            // told below, like an infinite one
        }
        throw new GarbledLine(field + " is not a number");
    }

    /** The line without its line feed. */
    public String encoded() {
        String body = tag + " " + verb + fields.entrySet().stream()
                .map(f -> " " + f.getKey() + "=" + URLEncoder.encode(f.getValue(), StandardCharsets.UTF_8))
                .collect(Collectors.joining());
        return body + CHECKSUM_MARK + checksum(body);
    }

    /** @throws GarbledLine if the line is cut, damaged or not of this protocol */
    public static WireMessage parse(String line) {
        int mark = line.lastIndexOf(CHECKSUM_MARK);
        if (mark < 0 || !checksum(line.substring(0, mark)).equals(line.substring(mark + CHECKSUM_MARK.length()))) {
            throw new GarbledLine("checksum");
        }
        String[] words = line.substring(0, mark).split(" ");
        if (words.length < 2) {
            throw new GarbledLine("no verb");
        }
        Map<String, String> fields = new LinkedHashMap<>();
        for (int i = 2; i < words.length; i++) {
            int equals = words[i].indexOf('=');
            if (equals <= 0) {
                throw new GarbledLine(words[i]);
            }
            fields.put(words[i].substring(0, equals), URLDecoder.decode(words[i].substring(equals + 1), StandardCharsets.UTF_8));
        }
        return new WireMessage(words[0], words[1], fields);
    }

    private static String checksum(String body) {
        CRC32 crc = new CRC32();
        crc.update(body.getBytes(StandardCharsets.UTF_8));
        return String.format("%08x", crc.getValue());
    }

    /** A line that is not a whole message. It is dropped: a reading is either whole or it is not there. */
    public static final class GarbledLine extends RuntimeException {
        private static final long serialVersionUID = 1L;

        GarbledLine(String why) {
            super(why);
        }
    }
}
