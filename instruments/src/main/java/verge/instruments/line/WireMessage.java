package verge.instruments.line;

import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
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
    private static final Pattern NUMBER = Pattern.compile("[+-]?[0-9]{1,30}(\\.[0-9]{0,30})?([eE][+-]?[0-9]{1,3})?");

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

    /**
     * @throws GarbledLine if the field is not there or not a decimal number: neither hexadecimal, nor endless, nor with a letter of Java's
     *     behind it
     */
    public double number(String field) {
        String text = text(field);
        double value = NUMBER.matcher(text).matches() ? Double.parseDouble(text) : Double.NaN;
        if (!Double.isFinite(value)) {
            throw new GarbledLine(field + " is not a number");
        }
        return value;
    }

    /** @throws GarbledLine also if the number lies outside: no such instrument, angle or distance can be */
    public double number(String field, double lowest, double highest) {
        double value = number(field);
        if (value < lowest || value > highest) {
            throw new GarbledLine(field + " cannot be " + text(field));
        }
        return value;
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
            String name = words[i].substring(0, equals);
            if (fields.put(name, URLDecoder.decode(words[i].substring(equals + 1), StandardCharsets.UTF_8)) != null) {
                throw new GarbledLine(name + " twice");   // which of them is meant cannot be told
            }
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
