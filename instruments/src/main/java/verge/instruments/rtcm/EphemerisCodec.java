package verge.instruments.rtcm;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import verge.core.geodesy.EarthCentred;
import verge.core.satellite.Broadcast;
import verge.core.satellite.Broadcast.Element;
import verge.core.satellite.GpsTime;
import verge.core.satellite.SatelliteId;
import verge.core.satellite.SatelliteSystem;

/**
 * What satellites broadcast of themselves: messages 1019 (GPS), 1020 (GLONASS), 1042 (BeiDou) and 1046 (Galileo, I/NAV). Source: RTCM
 * 10403.3, the tables of each message; which figure has how many bits of what worth stands in the lists below in the order of the message.
 */
final class EphemerisCodec {
    /** What a figure of a message is, where it is no element. */
    private enum Role { ELEMENT, SATELLITE, WEEK, CLOCK_TIME, TIME, SPARE }

    /** @param element absent unless that is its role @param worth of the lowest bit */
    private record Part(Role role, Element element, int bits, boolean signed, double worth) {
    }

    /** @param weekZero the first day of week nought of its count @param behind seconds by which the system's time is behind GPS */
    private record Form(int type, SatelliteSystem system, LocalDate weekZero, int behind, List<Part> parts) {
        int weeksBefore() {
            return (int) ChronoUnit.WEEKS.between(GPS_BEGAN, weekZero);
        }
    }

    private static final double SEMICIRCLE = Math.PI;
    private static final int BEIDOU_BEHIND = 14;
    private static final LocalDate GPS_BEGAN = LocalDate.of(1980, 1, 6);
    /** GPS counts its weeks modulo 1024; these are those from here on. */
    private static final LocalDate GPS_ROLLOVER = LocalDate.of(2019, 4, 7);
    private static final LocalDate GALILEO_BEGAN = LocalDate.of(1999, 8, 22);
    private static final LocalDate BEIDOU_BEGAN = LocalDate.of(2006, 1, 1);
    private static final LocalDate GLONASS_CYCLES = LocalDate.of(1996, 1, 1);
    private static final int CYCLE_YEARS = 4;
    private static final Duration MOSCOW_AHEAD = Duration.ofHours(3);
    private static final int TB_MINUTES = 15;
    private static final int CHANNEL_OFFSET = 7;
    private static final int GLONASS = 1020;
    private static final double KILOMETRE = 1_000;

    private static final List<Form> FORMS = List.of(
            new Form(1019, SatelliteSystem.GPS, GPS_ROLLOVER, 0,
            List.of(satellite(), week(10), of(Element.ACCURACY, 4, 1), of(Element.CODES, 2, 1), angle(Element.INCLINATION_RATE, 14, -43),
            of(Element.ISSUE, 8, 1), clock(16, 16), signed(Element.CLOCK_DRIFT_RATE, 8, -55), signed(Element.CLOCK_DRIFT, 16, -43),
                    signed(Element.CLOCK_OFFSET, 22, -31), of(Element.CLOCK_ISSUE, 10, 1), signed(Element.RADIUS_SIN, 16, -5),
                    angle(Element.MOTION_DIFFERENCE, 16, -43), angle(Element.ANOMALY, 32, -31), signed(Element.LATITUDE_COS, 16, -29),
                    of(Element.ECCENTRICITY, 32, power(-33)), signed(Element.LATITUDE_SIN, 16, -29),
                    of(Element.ROOT_SEMI_MAJOR, 32, power(-19)), time(16, 16), signed(Element.INCLINATION_COS, 16, -29),
                    angle(Element.NODE, 32, -31), signed(Element.INCLINATION_SIN, 16, -29), angle(Element.INCLINATION, 32, -31),
                    signed(Element.RADIUS_COS, 16, -5), angle(Element.PERIGEE, 32, -31), angle(Element.NODE_RATE, 24, -43),
                    signed(Element.DELAY, 8, -31), of(Element.HEALTH, 6, 1), of(Element.L2_DATA, 1, 1), spare(1))),
            new Form(1042, SatelliteSystem.BEIDOU, BEIDOU_BEGAN, BEIDOU_BEHIND,
            List.of(satellite(), week(13), of(Element.ACCURACY, 4, 1), angle(Element.INCLINATION_RATE, 14, -43), of(Element.ISSUE, 5, 1),
            clock(17, 8), signed(Element.CLOCK_DRIFT_RATE, 11, -66), signed(Element.CLOCK_DRIFT, 22, -50),
            signed(Element.CLOCK_OFFSET, 24, -33),
                    of(Element.CLOCK_ISSUE, 5, 1), signed(Element.RADIUS_SIN, 18, -6), angle(Element.MOTION_DIFFERENCE, 16, -43),
                    angle(Element.ANOMALY, 32, -31), signed(Element.LATITUDE_COS, 18, -31), of(Element.ECCENTRICITY, 32, power(-33)),
                    signed(Element.LATITUDE_SIN, 18, -31), of(Element.ROOT_SEMI_MAJOR, 32, power(-19)), time(17, 8),
                    signed(Element.INCLINATION_COS, 18, -31), angle(Element.NODE, 32, -31), signed(Element.INCLINATION_SIN, 18, -31),
                    angle(Element.INCLINATION, 32, -31), signed(Element.RADIUS_COS, 18, -6), angle(Element.PERIGEE, 32, -31),
                    angle(Element.NODE_RATE, 24, -43), new Part(Role.ELEMENT, Element.DELAY, 10, true, 1e-10),
                    new Part(Role.ELEMENT, Element.SECOND_DELAY, 10, true, 1e-10), of(Element.HEALTH, 1, 1))),
            new Form(1046, SatelliteSystem.GALILEO, GALILEO_BEGAN, 0,
            List.of(satellite(), week(12), of(Element.ISSUE, 10, 1), of(Element.ACCURACY, 8, 1), angle(Element.INCLINATION_RATE, 14, -43),
            clock(14, 60), signed(Element.CLOCK_DRIFT_RATE, 6, -59), signed(Element.CLOCK_DRIFT, 21, -46),
            signed(Element.CLOCK_OFFSET, 31, -34),
                    signed(Element.RADIUS_SIN, 16, -5), angle(Element.MOTION_DIFFERENCE, 16, -43), angle(Element.ANOMALY, 32, -31),
                    signed(Element.LATITUDE_COS, 16, -29), of(Element.ECCENTRICITY, 32, power(-33)), signed(Element.LATITUDE_SIN, 16, -29),
                    of(Element.ROOT_SEMI_MAJOR, 32, power(-19)), time(14, 60),
                    signed(Element.INCLINATION_COS, 16, -29), angle(Element.NODE, 32, -31), signed(Element.INCLINATION_SIN, 16, -29),
                    angle(Element.INCLINATION, 32, -31), signed(Element.RADIUS_COS, 16, -5), angle(Element.PERIGEE, 32, -31),
                    angle(Element.NODE_RATE, 24, -43), signed(Element.DELAY, 10, -32),
                    signed(Element.SECOND_DELAY, 10, -32), of(Element.HEALTH, 6, 1), spare(2))));

    private EphemerisCodec() {
    }

    private static double power(int of) {
        return Math.scalb(1.0, of);
    }

    private static Part satellite() {
        return new Part(Role.SATELLITE, null, 6, false, 1);
    }

    private static Part week(int bits) {
        return new Part(Role.WEEK, null, bits, false, 1);
    }

    private static Part clock(int bits, int worth) {
        return new Part(Role.CLOCK_TIME, null, bits, false, worth);
    }

    private static Part time(int bits, int worth) {
        return new Part(Role.TIME, null, bits, false, worth);
    }

    private static Part spare(int bits) {
        return new Part(Role.SPARE, null, bits, false, 1);
    }

    private static Part of(Element element, int bits, double worth) {
        return new Part(Role.ELEMENT, element, bits, false, worth);
    }

    private static Part signed(Element element, int bits, int power) {
        return new Part(Role.ELEMENT, element, bits, true, power(power));
    }

    /** In semicircles. */
    private static Part angle(Element element, int bits, int power) {
        return new Part(Role.ELEMENT, element, bits, true, SEMICIRCLE * power(power));
    }

    static boolean isRead(int type) {
        return type == GLONASS || form(type).isPresent();
    }

    private static Optional<Form> form(int type) {
        return FORMS.stream().filter(f -> f.type() == type).findFirst();
    }

    static int type(Broadcast of) {
        return of instanceof Broadcast.Moving ? GLONASS : FORMS.stream().filter(f -> f.system() == of.satellite().system()).findFirst()
                .orElseThrow().type();
    }

    /** @param bits behind the type */
    static Broadcast read(int type, Bits bits) {
        return type == GLONASS ? moving(bits) : kepler(form(type).orElseThrow(), bits);
    }

    private static Broadcast kepler(Form form, Bits bits) {
        Map<Element, Double> elements = new EnumMap<>(Element.class);
        Map<Role, Double> others = new EnumMap<>(Role.class);
        for (Part part : form.parts()) {
            double value = (part.signed() ? bits.signed(part.bits()) : bits.unsigned(part.bits())) * part.worth();
            if (part.role() == Role.ELEMENT) {
                elements.put(part.element(), value);
            } else {
                others.put(part.role(), value);
            }
        }
        elements.computeIfPresent(Element.ACCURACY, (e, index) -> metres(form.system(), (int) (double) index));
        int weeks = others.get(Role.WEEK).intValue() + form.weeksBefore();
        return new Broadcast.Kepler(new SatelliteId(form.system(), others.get(Role.SATELLITE).intValue()),
                GpsTime.of(weeks, others.get(Role.CLOCK_TIME) + form.behind()), GpsTime.of(weeks, others.get(Role.TIME) + form.behind()),
                elements);
    }

    static void write(Broadcast broadcast, Bits bits) {
        if (broadcast instanceof Broadcast.Moving moving) {
            write(moving, bits);
            return;
        }
        Broadcast.Kepler kepler = (Broadcast.Kepler) broadcast;
        Form form = form(type(kepler)).orElseThrow();
        GpsTime clock = kepler.clock().plusSeconds(-form.behind());
        GpsTime reference = kepler.reference().plusSeconds(-form.behind());
        for (Part part : form.parts()) {
            double value = switch (part.role()) {
                case SATELLITE -> kepler.satellite().number();
                case WEEK -> reference.week() - form.weeksBefore();
                case CLOCK_TIME -> clock.secondsOfWeek();
                case TIME -> reference.secondsOfWeek();
                case SPARE -> 0;
                case ELEMENT -> part.element() == Element.ACCURACY ? index(form.system(), kepler.of(Element.ACCURACY))
                        : kepler.of(part.element());
            };
            bits.put(Math.round(value / part.worth()), part.bits());
        }
    }

    /** What the index of an accuracy is in metres (IS-GPS-200, 20.3.3.3.1.3; Galileo OS SIS ICD, table of SISA; BeiDou as GPS). */
    private static double metres(SatelliteSystem system, int index) {
        if (system == SatelliteSystem.GALILEO) {
            return index < 50 ? index * 0.01 : index < 75 ? 0.5 + (index - 50) * 0.02 : index < 100 ? 1 + (index - 75) * 0.04 : 2
                    + (index - 100) * 0.16;
        }
        return index <= 6 ? Math.rint(10 * Math.pow(2, 1 + index / 2.0)) / 10 : Math.pow(2, index - 2.0);
    }

    private static int index(SatelliteSystem system, double metres) {
        int index = 0;
        while (index < 15 * (system == SatelliteSystem.GALILEO ? 8 : 1) && metres(system, index) < metres - 1e-9) {
            index++;
        }
        return index;
    }

    private static Broadcast moving(Bits bits) {
        SatelliteId satellite = new SatelliteId(SatelliteSystem.GLONASS, bits.count(6));
        int channel = bits.count(5) - CHANNEL_OFFSET;
        bits.unsigned(2 + 2 + 12);   // of the almanac, the tables' spacing, the frame's own time
        int health = bits.count(1);
        bits.unsigned(1);
        int tb = bits.count(7);
        double[][] axes = new double[3][];
        for (int i = 0; i < axes.length; i++) {
            double velocity = bits.signAndMagnitude(24) * power(-20);
            double place = bits.signAndMagnitude(27) * power(-11);
            axes[i] = new double[] {place, velocity, bits.signAndMagnitude(5) * power(-30)};
        }
        bits.unsigned(1);
        double gamma = bits.signAndMagnitude(11) * power(-40);
        bits.unsigned(3);
        double tau = bits.signAndMagnitude(22) * power(-30);
        bits.unsigned(5);
        int age = bits.count(5);
        bits.unsigned(5);
        int day = bits.count(11);
        bits.unsigned(2 + 1 + 11 + 32);
        int cycle = bits.count(5);
        if (cycle < 1 || day < 1) {
            throw new IllegalArgumentException("no date");
        }
        Instant reference = GLONASS_CYCLES.plusYears(CYCLE_YEARS * (cycle - 1L)).plusDays(day - 1L).atStartOfDay()
                .plusMinutes((long) TB_MINUTES * tb).toInstant(ZoneOffset.UTC).minus(MOSCOW_AHEAD);
        return new Broadcast.Moving(satellite, channel, reference, axis(axes, 0), axis(axes, 1), axis(axes, 2), -tau, gamma, health, age);
    }

    private static EarthCentred axis(double[][] axes, int which) {
        return new EarthCentred(axes[0][which] * KILOMETRE, axes[1][which] * KILOMETRE, axes[2][which] * KILOMETRE);
    }

    private static void write(Broadcast.Moving m, Bits bits) {
        LocalDateTime moscow = LocalDateTime.ofInstant(m.reference().plus(MOSCOW_AHEAD), ZoneOffset.UTC);
        int cycle = (moscow.getYear() - GLONASS_CYCLES.getYear()) / CYCLE_YEARS + 1;
        LocalDate began = GLONASS_CYCLES.plusYears(CYCLE_YEARS * (cycle - 1L));
        bits.put(m.satellite().number(), 6).put(m.channel() + CHANNEL_OFFSET, 5).put(0, 2 + 2 + 12).put(m.health(), 1).put(0, 1)
                .put((moscow.getHour() * 60L + moscow.getMinute()) / TB_MINUTES, 7);
        double[][] axes = {{m.place().x(), m.velocity().x(), m.pull().x()}, {m.place().y(), m.velocity().y(), m.pull().y()},
                {m.place().z(), m.velocity().z(), m.pull().z()}};
        for (double[] axis : axes) {
            bits.putSignAndMagnitude(Math.round(axis[1] / KILOMETRE / power(-20)), 24)
                    .putSignAndMagnitude(Math.round(axis[0] / KILOMETRE / power(-11)), 27)
                    .putSignAndMagnitude(Math.round(axis[2] / KILOMETRE / power(-30)), 5);
        }
        bits.put(0, 1).putSignAndMagnitude(Math.round(m.frequencyOffset() / power(-40)), 11).put(0, 3)
                .putSignAndMagnitude(Math.round(-m.clockOffset() / power(-30)), 22).put(0, 5).put(m.age(), 5).put(0, 5);
        bits.put(ChronoUnit.DAYS.between(began, moscow.toLocalDate()) + 1, 11).put(0, 2 + 1 + 11 + 32).put(cycle, 5).put(0, 22 + 1 + 7);
    }
}
