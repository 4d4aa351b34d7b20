package verge.formats.rinex;

import java.io.IOException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.Arrays;
import java.util.Locale;
import java.util.stream.Collectors;
import verge.core.satellite.Broadcast;
import verge.core.satellite.Broadcast.Element;
import verge.core.satellite.GpsTime;
import verge.core.satellite.SatelliteSystem;

/** What satellites broadcast of themselves as RINEX 3.05 (navigation messages, mixed). */
public final class RinexNavigationWriter {
    private static final double UNKNOWN = 0.999999999999e9;
    private static final double KILOMETRE = 1_000;
    private static final int BEIDOU_BEHIND = 14;
    /** The week of GPS in which it began to count its own. */
    private static final int BEIDOU_BEGAN = 1_356;
    /** Of Galileo: from I/NAV on E1, clocks for E5b and E1. */
    private static final double FROM_INAV = 1 + 512;
    private static final double GPS_FIT_HOURS = 4;

    private final Appendable out;
    private final RinexLines lines;

    /** @param out taken over as it is: whoever opened it closes it */
    public RinexNavigationWriter(Appendable out) {
        this.out = out;
        lines = new RinexLines(out);
    }

    /** @param about some moment of the file */
    public void header(String agency, Instant about, Instant written) throws IOException {
        lines.head("N: GNSS NAV DATA", agency, written);
        lines.line(String.format(Locale.ROOT, "%6d", GpsTime.leaps(about)), "LEAP SECONDS");
        lines.line("", "END OF HEADER");
    }

    public void write(Broadcast broadcast) throws IOException {
        if (broadcast instanceof Broadcast.Moving moving) {
            moving(moving);
        } else if (broadcast instanceof Broadcast.Kepler kepler) {
            kepler(kepler);
        }
    }

    private void kepler(Broadcast.Kepler k) throws IOException {
        SatelliteSystem system = k.satellite().system();
        int behind = system == SatelliteSystem.BEIDOU ? BEIDOU_BEHIND : 0;
        GpsTime reference = k.reference().plusSeconds(-behind);
        first(k, RinexLines.civil(k.clock().plusSeconds(-behind)), k.of(Element.CLOCK_OFFSET), k.of(Element.CLOCK_DRIFT),
                k.of(Element.CLOCK_DRIFT_RATE));
        orbit(k.of(Element.ISSUE), k.of(Element.RADIUS_SIN), k.of(Element.MOTION_DIFFERENCE), k.of(Element.ANOMALY));
        orbit(k.of(Element.LATITUDE_COS), k.of(Element.ECCENTRICITY), k.of(Element.LATITUDE_SIN), k.of(Element.ROOT_SEMI_MAJOR));
        orbit(reference.secondsOfWeek(), k.of(Element.INCLINATION_COS), k.of(Element.NODE), k.of(Element.INCLINATION_SIN));
        orbit(k.of(Element.INCLINATION), k.of(Element.RADIUS_COS), k.of(Element.PERIGEE), k.of(Element.NODE_RATE));
        // nobody told when it was sent: the begin of its time of use is near enough for whoever sorts by it
        double sent = reference.secondsOfWeek();
        switch (system) {
            case GPS -> {
                orbit(k.of(Element.INCLINATION_RATE), k.of(Element.CODES), reference.week(), k.of(Element.L2_DATA));
                orbit(k.of(Element.ACCURACY), k.of(Element.HEALTH), k.of(Element.DELAY), k.of(Element.CLOCK_ISSUE));
                orbit(sent, GPS_FIT_HOURS);
            }
            case GALILEO -> {
                orbit(k.of(Element.INCLINATION_RATE), FROM_INAV, reference.week(), 0);
                orbit(k.of(Element.ACCURACY), k.of(Element.HEALTH), k.of(Element.DELAY), k.of(Element.SECOND_DELAY));
                orbit(sent);
            }
            case BEIDOU -> {
                orbit(k.of(Element.INCLINATION_RATE), 0, reference.week() - BEIDOU_BEGAN, 0);
                orbit(k.of(Element.ACCURACY), k.of(Element.HEALTH), k.of(Element.DELAY), k.of(Element.SECOND_DELAY));
                orbit(sent, k.of(Element.CLOCK_ISSUE));
            }
            case GLONASS -> throw new IllegalArgumentException("GLONASS has no elements");
        }
    }

    private void moving(Broadcast.Moving m) throws IOException {
        first(m, m.reference().atZone(ZoneOffset.UTC), m.clockOffset(), m.frequencyOffset(),
                GpsTime.ofUtc(m.reference()).secondsOfWeek() - GpsTime.leaps(m.reference()));
        orbit(m.place().x() / KILOMETRE, m.velocity().x() / KILOMETRE, m.pull().x() / KILOMETRE, m.health());
        orbit(m.place().y() / KILOMETRE, m.velocity().y() / KILOMETRE, m.pull().y() / KILOMETRE, m.channel());
        orbit(m.place().z() / KILOMETRE, m.velocity().z() / KILOMETRE, m.pull().z() / KILOMETRE, m.age());
        orbit(UNKNOWN, UNKNOWN, UNKNOWN, UNKNOWN);
    }

    private void first(Broadcast of, ZonedDateTime at, double... figures) throws IOException {
        out.append(String.format(Locale.ROOT, "%s %4d %02d %02d %02d %02d %02d", of.satellite(), at.getYear(), at.getMonthValue(),
                at.getDayOfMonth(), at.getHour(), at.getMinute(), at.getSecond())).append(figures(figures)).append('\n');
    }

    private void orbit(double... figures) throws IOException {
        out.append("    ").append(figures(figures)).append('\n');
    }

    /** Nineteen columns each. */
    private static String figures(double... figures) {
        return Arrays.stream(figures).mapToObj(v -> String.format(Locale.ROOT, "%19.12E", v)).collect(Collectors.joining());
    }
}
