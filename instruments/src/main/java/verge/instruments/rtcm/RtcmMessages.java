package verge.instruments.rtcm;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import verge.core.geodesy.EarthCentred;

/** Messages as their bits, and back. Source: RTCM 10403.3, the tables of each message. */
public final class RtcmMessages {
    private static final double COORDINATE_METRES = 1e-4;
    private static final double BIAS_METRES = 0.02;
    private static final LocalDate MODIFIED_JULIAN = LocalDate.of(1858, 11, 17);
    private static final int DAY_SECONDS = 86_400;
    private static final int MOST_WORDS = 127;

    private RtcmMessages() {
    }

    /** @return empty for a message that is too short for its own type or says what cannot be */
    public static Optional<RtcmMessage> read(byte[] message) {
        try {
            Bits bits = Bits.of(message);
            int type = bits.count(12);
            return Optional.of(read(type, bits));
        } catch (IllegalArgumentException damaged) {
            return Optional.empty();
        }
    }

    private static RtcmMessage read(int type, Bits bits) {
        if (MsmCodec.isRead(type)) {
            return MsmCodec.read(type, bits);
        }
        if (EphemerisCodec.isRead(type)) {
            return new RtcmMessage.Ephemeris(EphemerisCodec.read(type, bits));
        }
        int station = bits.count(12);
        return switch (type) {
            case 1005, 1006 -> station(type, station, bits);
            case 1007 -> new RtcmMessage.Equipment(type, station, bits.text(), bits.count(8), "", "", "", "");
            case 1008 -> new RtcmMessage.Equipment(type, station, bits.text(), bits.count(8), bits.text(), "", "", "");
            case 1033 -> new RtcmMessage.Equipment(type, station, bits.text(), bits.count(8), bits.text(), bits.text(), bits.text(),
                    bits.text());
            case 1230 -> biases(station, bits);
            case 1029 -> words(station, bits);
            default -> new RtcmMessage.Other(type, station);
        };
    }

    private static RtcmMessage station(int type, int station, Bits bits) {
        int year = bits.count(6);
        bits.unsigned(4);   // which systems it serves, and that it is a real station: its observations tell
        double x = bits.signed(38) * COORDINATE_METRES;
        bits.unsigned(2);
        double y = bits.signed(38) * COORDINATE_METRES;
        bits.unsigned(2);
        double z = bits.signed(38) * COORDINATE_METRES;
        return new RtcmMessage.Station(station, year, new EarthCentred(x, y, z),
                type == 1006 ? OptionalDouble.of(bits.unsigned(16) * COORDINATE_METRES) : OptionalDouble.empty());
    }

    private static RtcmMessage biases(int station, Bits bits) {
        boolean aligned = bits.unsigned(1) == 1;
        bits.unsigned(3);
        int mask = bits.count(4);
        Map<RtcmMessage.GlonassBiases.Signal, Double> metres = new EnumMap<>(RtcmMessage.GlonassBiases.Signal.class);
        for (RtcmMessage.GlonassBiases.Signal signal : RtcmMessage.GlonassBiases.Signal.values()) {
            if ((mask >> 3 - signal.ordinal() & 1) == 1) {
                metres.put(signal, bits.signed(16) * BIAS_METRES);
            }
        }
        return new RtcmMessage.GlonassBiases(station, aligned, metres);
    }

    private static RtcmMessage words(int station, Bits bits) {
        LocalDate day = MODIFIED_JULIAN.plusDays(bits.unsigned(16));
        Instant at = day.atStartOfDay().toInstant(ZoneOffset.UTC).plusSeconds(bits.unsigned(17));
        bits.unsigned(7);   // characters; the units behind them are what is counted
        return new RtcmMessage.Words(station, at, bits.text(bits.count(8), StandardCharsets.UTF_8));
    }

    /** @throws IllegalArgumentException for a message of a type that is not written, or longer than a frame */
    public static byte[] write(RtcmMessage message) {
        if (message instanceof RtcmMessage.Observations observations) {
            return MsmCodec.write(observations);
        }
        if (message instanceof RtcmMessage.Ephemeris ephemeris) {
            Bits own = Bits.empty().put(message.type(), 12);
            EphemerisCodec.write(ephemeris.broadcast(), own);
            return own.written();
        }
        Bits bits = Bits.empty().put(message.type(), 12).put(message.station(), 12);
        if (message instanceof RtcmMessage.Station s) {
            bits.put(s.year(), 6).put(0b1110, 4).put(parts(s.place().x()), 38).put(0, 2).put(parts(s.place().y()), 38).put(0, 2)
                    .put(parts(s.place().z()), 38);
            s.height().ifPresent(h -> bits.put(parts(h), 16));
        } else if (message instanceof RtcmMessage.Equipment e) {
            bits.put(e.antenna()).put(e.setup(), 8);
            if (e.type() != 1007) {
                bits.put(e.antennaSerial());
            }
            if (e.type() == 1033) {
                bits.put(e.receiver()).put(e.firmware()).put(e.receiverSerial());
            }
        } else if (message instanceof RtcmMessage.GlonassBiases b) {
            bits.put(b.aligned() ? 1 : 0, 1).put(0, 3);
            for (RtcmMessage.GlonassBiases.Signal signal : RtcmMessage.GlonassBiases.Signal.values()) {
                bits.put(b.metres().containsKey(signal) ? 1 : 0, 1);
            }
            new EnumMap<>(b.metres()).values().forEach(m -> bits.put(Math.round(m / BIAS_METRES), 16));
        } else if (message instanceof RtcmMessage.Words w) {
            byte[] units = w.text().getBytes(StandardCharsets.UTF_8);
            int characters = w.text().codePointCount(0, w.text().length());
            if (characters > MOST_WORDS || units.length > 255) {
                throw new IllegalArgumentException("words of " + characters + " characters");
            }
            LocalDate day = LocalDate.ofInstant(w.at(), ZoneOffset.UTC);
            bits.put(ChronoUnit.DAYS.between(MODIFIED_JULIAN, day), 16).put(Math.floorMod(w.at().getEpochSecond(), (long) DAY_SECONDS), 17)
                    .put(characters, 7).put(units.length, 8);
            for (byte unit : units) {
                bits.put(unit, 8);
            }
        } else {
            throw new IllegalArgumentException("message " + message.type());
        }
        return bits.written();
    }

    private static long parts(double metres) {
        return Math.round(metres / COORDINATE_METRES);
    }
}
