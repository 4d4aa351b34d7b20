package verge.instruments.nmea;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.regex.Pattern;
import verge.core.geodesy.Geographic;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.Sight;
import verge.core.units.Angle;
import verge.instruments.nmea.NmeaSentence.Quality;

/**
 * A line of NMEA 0183 as a sentence. What is not exactly as the standard has it (checksum, number of fields, ranges) is refused whole: a
 * field that was guessed would be a place.
 */
public final class NmeaParser {
    /** The standard's 82 characters; receivers with many decimals write longer ones. */
    static final int LONGEST = 250;
    private static final Pattern ADDRESS = Pattern.compile("[A-Z]{2}[A-Z]{3}");
    private static final Pattern FIGURE = Pattern.compile("-?\\d{1,12}(\\.\\d{0,12})?");
    private static final double NANOS = 1e9;
    /** A hexadecimal digit counts them. */
    private static final int MOST_SYSTEMS = 15;
    private static final int MOST_SATELLITES_A_LINE = 12;

    private NmeaParser() {
    }

    /** Why a line was dropped. */
    public enum Fault { NO_SENTENCE, CHECKSUM, FIELDS }

    /** @param sentence absent with a fault */
    public record Read(Optional<NmeaSentence> sentence, Optional<Fault> fault) {
        private static Read of(NmeaSentence sentence) {
            return new Read(Optional.of(sentence), Optional.empty());
        }

        private static Read of(Fault fault) {
            return new Read(Optional.empty(), Optional.of(fault));
        }
    }

    /** @param line without its end */
    public static Read read(String line) {
        int star = line.length() - 3;
        if (line.length() > LONGEST || line.length() < 7 || line.charAt(0) != '$' || line.charAt(star) != '*') {
            return Read.of(Fault.NO_SENTENCE);
        }
        String body = line.substring(1, star);
        if (!NmeaWriter.checksum(body).equalsIgnoreCase(line.substring(star + 1))) {
            return Read.of(Fault.CHECKSUM);
        }
        String[] fields = body.split(",", -1);
        if (body.startsWith("P")) {
            return Read.of(new NmeaSentence.Proprietary(fields[0].substring(1), List.of(fields).subList(1, fields.length)));
        }
        if (!ADDRESS.matcher(fields[0]).matches()) {
            return Read.of(Fault.NO_SENTENCE);
        }
        try {
            return Read.of(sentence(fields[0].substring(0, 2), fields[0].substring(2), new Fields(fields)));
        } catch (IllegalArgumentException | DateTimeException unfit) {
            return Read.of(Fault.FIELDS);
        }
    }

    private static NmeaSentence sentence(String talker, String kind, Fields f) {
        return switch (kind) {
            case "GGA" -> gga(talker, f);
            case "GNS" -> gns(talker, f);
            case "RMC" -> new NmeaSentence.Rmc(talker, f.time(1), f.oneOf(2, "AV").equals("A"), f.place(3), f.number(7, 0, 10_000),
                    f.number(8, 0, 360), f.date(9));
            case "GST" -> new NmeaSentence.Gst(talker, f.time(1), f.number(2, 0, 1e7), f.number(6, 0, 1e7), f.number(7, 0, 1e7),
                    f.number(8, 0, 1e7));
            case "ZDA" -> new NmeaSentence.Zda(talker, f.time(1),
                    LocalDate.of(f.whole(4, 1980, 2200), f.whole(3, 1, 12), f.whole(2, 1, 31)));
            case "GSA" -> gsa(talker, f);
            case "GSV" -> gsv(talker, f);
            case "VTG" -> new NmeaSentence.Vtg(talker, f.number(1, 0, 360), f.number(5, 0, 10_000), f.number(7, 0, 20_000));
            default -> new NmeaSentence.Other(talker, kind);
        };
    }

    private static NmeaSentence gga(String talker, Fields f) {
        f.require(15);
        f.metres(10);
        f.metres(12);
        return new NmeaSentence.Gga(talker, f.time(1), f.place(2), Quality.values()[f.whole(6, 0, Quality.values().length - 1)],
                f.whole(7, 0, 99), f.number(8, 0, 100), f.number(9, -2_000, 100_000), f.number(11, -200, 200), f.number(13, 0, 10_000),
                f.text(14));
    }

    private static NmeaSentence gns(String talker, Fields f) {
        f.require(13);
        return new NmeaSentence.Gns(talker, f.time(1), f.place(2), f.text(6), f.whole(7, 0, 99), f.number(8, 0, 100),
                f.number(9, -2_000, 100_000), f.number(10, -200, 200), f.number(11, 0, 10_000), f.text(12));
    }

    private static NmeaSentence gsa(String talker, Fields f) {
        f.require(18);
        List<Integer> numbers = new ArrayList<>();
        for (int i = 0; i < MOST_SATELLITES_A_LINE; i++) {
            f.maybeWhole(3 + i, 1, 999).ifPresent(numbers::add);
        }
        OptionalInt system = f.maybeWhole(18, 1, MOST_SYSTEMS);
        if (system.orElse(1) > SatelliteSystem.values().length) {
            // of the regional systems: a sentence like others, of satellites that are not drawn
            return new NmeaSentence.Other(talker, "GSA");
        }
        return new NmeaSentence.Gsa(talker, f.whole(2, 1, 3), numbers, f.number(15, 0, 100), f.number(16, 0, 100), f.number(17, 0, 100),
                system.stream().mapToObj(i -> SatelliteSystem.values()[i - 1]).findFirst());
    }

    private static NmeaSentence gsv(String talker, Fields f) {
        f.require(4);
        int parts = f.whole(1, 1, 99);
        List<NmeaSentence.Gsv.Seen> seen = new ArrayList<>();
        int at = 4;
        for (; at + 3 < f.count(); at += 4) {
            OptionalInt number = f.maybeWhole(at, 1, 999);
            OptionalDouble elevation = f.number(at + 1, -90, 90);
            OptionalDouble azimuth = f.number(at + 2, 0, 360);
            if (number.isPresent()) {
                seen.add(new NmeaSentence.Gsv.Seen(number.getAsInt(), elevation.isPresent()
                        && azimuth.isPresent() ? Optional.of(new Sight(Angle.ofDegrees(azimuth.getAsDouble()).wholeCircle(),
                        Angle.ofDegrees(elevation.getAsDouble()))) : Optional.empty(),
                        f.number(at + 3, 0, 99)));
            }
        }
        // A single field behind the satellites is the signal's number, a hexadecimal digit.
        OptionalDouble signal = at + 1 == f.count() && !f.text(at).isEmpty() ? OptionalDouble.of(Integer.parseInt(f.text(at), 16))
                : OptionalDouble.empty();
        return new NmeaSentence.Gsv(talker, parts, f.whole(2, 1, parts), f.whole(3, 0, 99), seen, signal);
    }

    /** The fields of one sentence; the address is number 0. Each refuses by throwing. */
    private record Fields(String[] all) {
        int count() {
            return all.length;
        }

        void require(int least) {
            if (all.length < least) {
                throw new IllegalArgumentException("fields: " + all.length);
            }
        }

        String text(int at) {
            return at < all.length ? all[at] : "";
        }

        String oneOf(int at, String letters) {
            String text = text(at);
            if (text.length() != 1 || letters.indexOf(text.charAt(0)) < 0) {
                throw new IllegalArgumentException("'" + text + "' is none of " + letters);
            }
            return text;
        }

        /** Heights are in metres or not at all. */
        void metres(int at) {
            if (!text(at).isEmpty()) {
                oneOf(at, "M");
            }
        }

        OptionalDouble number(int at, double least, double most) {
            String text = text(at);
            if (text.isEmpty()) {
                return OptionalDouble.empty();
            }
            if (!FIGURE.matcher(text).matches()) {
                throw new IllegalArgumentException(text);
            }
            double value = Double.parseDouble(text);
            if (!(value >= least && value <= most)) {
                throw new IllegalArgumentException(text);
            }
            return OptionalDouble.of(value);
        }

        OptionalInt maybeWhole(int at, int least, int most) {
            OptionalDouble value = number(at, least, most);
            if (value.isPresent() && value.getAsDouble() != Math.rint(value.getAsDouble())) {
                throw new IllegalArgumentException(text(at));
            }
            return value.isPresent() ? OptionalInt.of((int) value.getAsDouble()) : OptionalInt.empty();
        }

        int whole(int at, int least, int most) {
            return maybeWhole(at, least, most).orElseThrow(() -> new IllegalArgumentException("field " + at));
        }

        /** A leap second is told as the last moment before it is over. */
        LocalTime time(int at) {
            String text = text(at);
            if (!text.matches("\\d{6}(\\.\\d{0,9})?")) {
                throw new IllegalArgumentException(text);
            }
            double seconds = Double.parseDouble(text.substring(4));
            if (seconds >= 60 && seconds < 61) {
                seconds = 59.999_999_999;
            }
            long nanos = Math.round(seconds * NANOS);
            return LocalTime.of(Integer.parseInt(text.substring(0, 2)), Integer.parseInt(text.substring(2, 4)),
                    (int) (nanos / (long) NANOS), (int) (nanos % (long) NANOS));
        }

        Optional<LocalDate> date(int at) {
            String text = text(at);
            if (text.isEmpty()) {
                return Optional.empty();
            }
            if (!text.matches("\\d{6}")) {
                throw new IllegalArgumentException(text);
            }
            int year = Integer.parseInt(text.substring(4));
            return Optional.of(LocalDate.of(year < 80 ? 2000 + year : 1900 + year, Integer.parseInt(text.substring(2, 4)),
                    Integer.parseInt(text.substring(0, 2))));
        }

        /** Four fields: latitude, N or S, longitude, E or W. All of them or none. */
        Optional<Geographic> place(int at) {
            if (text(at).isEmpty() && text(at + 1).isEmpty() && text(at + 2).isEmpty() && text(at + 3).isEmpty()) {
                return Optional.empty();
            }
            double latitude = degrees(text(at), 2, 90) * (oneOf(at + 1, "NS").equals("S") ? -1 : 1);
            double longitude = degrees(text(at + 2), 3, 180) * (oneOf(at + 3, "EW").equals("W") ? -1 : 1);
            return Optional.of(Geographic.ofDegrees(latitude, longitude));
        }

        /** Degrees and minutes run together: 5657.04123. */
        private static double degrees(String text, int digits, double most) {
            if (!text.matches("\\d{" + (digits + 2) + "}(\\.\\d{1,10})?")) {
                throw new IllegalArgumentException(text);
            }
            double minutes = Double.parseDouble(text.substring(digits));
            double degrees = Integer.parseInt(text.substring(0, digits)) + minutes / 60;
            if (minutes >= 60 || degrees > most) {
                throw new IllegalArgumentException(text);
            }
            return degrees;
        }
    }
}
