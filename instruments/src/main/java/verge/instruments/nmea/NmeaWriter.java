package verge.instruments.nmea;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import verge.core.geodesy.Geographic;

/** Sentences as lines. Latitude and longitude to eight decimals of a minute: a hundredth of a millimetre. */
public final class NmeaWriter {
    private static final int NANOS_IN_HUNDREDTH = 10_000_000;

    private NmeaWriter() {
    }

    /** With dollar, checksum and line end. @throws IllegalArgumentException for a sentence of a kind that is not written */
    public static String line(NmeaSentence sentence) {
        String body = body(sentence);
        return "$" + body + "*" + checksum(body) + "\r\n";
    }

    /** Two hexadecimal digits: all characters of the body, each exclusive-or the next. */
    static String checksum(String body) {
        int sum = 0;
        for (int i = 0; i < body.length(); i++) {
            sum ^= body.charAt(i);
        }
        return String.format(Locale.ROOT, "%02X", sum & 0xff);
    }

    private static String body(NmeaSentence sentence) {
        if (sentence instanceof NmeaSentence.Gga s) {
            return s.talker() + "GGA," + time(s.time()) + "," + place(s.place()) + "," + s.quality().ordinal() + "," + two(s.satellites())
                    + "," + number(s.hdop(), 2) + "," + number(s.height(), 4) + ",M," + number(s.separation(), 4) + ",M,"
                    + number(s.age(), 1) + "," + s.base();
        } else if (sentence instanceof NmeaSentence.Gns s) {
            return s.talker() + "GNS," + time(s.time()) + "," + place(s.place()) + "," + s.modes() + "," + two(s.satellites()) + ","
                    + number(s.hdop(), 2) + "," + number(s.height(), 4) + "," + number(s.separation(), 4) + "," + number(s.age(), 1) + ","
                    + s.base() + ",V";
        } else if (sentence instanceof NmeaSentence.Rmc s) {
            return s.talker() + "RMC," + time(s.time()) + "," + (s.valid() ? "A" : "V") + "," + place(s.place()) + ","
                    + number(s.knots(), 3) + "," + number(s.track(), 2) + "," + s.date().map(NmeaWriter::date).orElse("") + ",,,"
                    + (s.valid() ? "A" : "N") + ",V";
        } else if (sentence instanceof NmeaSentence.Gst s) {
            return s.talker() + "GST," + time(s.time()) + "," + number(s.rms(), 4) + ",,,," + number(s.latitude(), 4) + ","
                    + number(s.longitude(), 4) + "," + number(s.height(), 4);
        } else if (sentence instanceof NmeaSentence.Zda s) {
            return s.talker() + "ZDA," + time(s.time())
                    + String.format(Locale.ROOT, ",%02d,%02d,%04d,00,00", s.date().getDayOfMonth(), s.date().getMonthValue(),
                    s.date().getYear());
        } else if (sentence instanceof NmeaSentence.Gsa s) {
            String numbers = s.numbers().stream().map(NmeaWriter::two).collect(Collectors.joining(","))
                    + ",".repeat(12 - Math.max(1, s.numbers().size()));
            return s.talker() + "GSA,A," + s.dimensions() + "," + numbers + "," + number(s.pdop(), 2) + "," + number(s.hdop(), 2) + ","
                    + number(s.vdop(), 2) + s.system().map(y -> "," + (y.ordinal() + 1)).orElse("");
        } else if (sentence instanceof NmeaSentence.Gsv s) {
            return s.talker() + "GSV," + s.parts() + "," + s.part() + "," + two(s.inView()) + s.seen().stream().map(NmeaWriter::seen)
                    .collect(Collectors.joining())
                    + (s.signal().isPresent() ? "," + Integer.toHexString((int) s.signal().getAsDouble()).toUpperCase(Locale.ROOT) : "");
        } else if (sentence instanceof NmeaSentence.Vtg s) {
            return s.talker() + "VTG," + number(s.track(), 2) + ",T,,M," + number(s.knots(), 3) + ",N," + number(s.kilometres(), 3)
                    + ",K,A";
        } else if (sentence instanceof NmeaSentence.Proprietary s) {
            return "P" + s.maker() + s.fields().stream().map(f -> "," + f).collect(Collectors.joining());
        }
        throw new IllegalArgumentException(sentence.toString());
    }

    private static String seen(NmeaSentence.Gsv.Seen seen) {
        return "," + two(seen.number()) + "," + seen.sight()
                .map(s -> two((int) Math.round(s.elevation().degrees())) + ","
                + String.format(Locale.ROOT, "%03d", Math.floorMod(Math.round(s.azimuth().degrees()), 360L))).orElse(",")
                + "," + (seen.strength().isPresent() ? two((int) Math.round(seen.strength().getAsDouble())) : "");
    }

    private static String two(int count) {
        return String.format(Locale.ROOT, "%02d", count);
    }

    private static String time(LocalTime time) {
        return String.format(Locale.ROOT, "%02d%02d%02d.%02d", time.getHour(), time.getMinute(), time.getSecond(),
                time.getNano() / NANOS_IN_HUNDREDTH);
    }

    private static String date(LocalDate date) {
        return String.format(Locale.ROOT, "%02d%02d%02d", date.getDayOfMonth(), date.getMonthValue(), date.getYear() % 100);
    }

    private static String number(OptionalDouble value, int decimals) {
        return value.isPresent() ? String.format(Locale.ROOT, "%." + decimals + "f", value.getAsDouble()) : "";
    }

    private static String place(Optional<Geographic> place) {
        return place.map(p -> degrees(p.latitude().degrees(), 2) + "," + (p.latitude().radians() < 0 ? "S" : "N") + ","
                + degrees(p.longitude().degrees(), 3) + "," + (p.longitude().radians() < 0 ? "W" : "E")).orElse(",,,");
    }

    /** Rounded once, in the last decimal of a minute, then split: 59.999 999 999 minutes are the next degree. */
    private static String degrees(double degrees, int digits) {
        long parts = Math.round(Math.abs(degrees) * 60 * 1e8);
        long minute = 60L * 100_000_000;
        return String.format(Locale.ROOT, "%0" + digits + "d%02d.%08d", parts / minute, parts % minute / 100_000_000, parts % 100_000_000);
    }
}
