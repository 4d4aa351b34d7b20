package verge.formats.rinex;

import java.io.IOException;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import verge.core.geodesy.EarthCentred;
import verge.core.satellite.GpsTime;
import verge.core.satellite.ObservationEpoch;
import verge.core.satellite.ObservationEpoch.Observed;
import verge.core.satellite.SatelliteId;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.Signal;

/** Observations as RINEX 3.05, epoch by epoch: whatever is cut off behind a whole epoch is a whole file. */
public final class RinexObservationWriter {
    private static final int MOST_TYPES_A_LINE = 13;
    private static final int MOST_SLOTS_A_LINE = 8;
    private static final double STRENGTH_STEP = 6;
    private static final long SHOWN_NANOS = 100;
    /** Bits of the loss of lock indicator. */
    private static final int NOTHING_LOST = 0;
    private static final int LOST_LOCK = 1;
    private static final int HALF_CYCLE = 2;

    private final Appendable out;
    private final RinexLines lines;

    /** @param out taken over as it is: whoever opened it closes it */
    public RinexObservationWriter(Appendable out) {
        this.out = out;
        lines = new RinexLines(out);
    }

    /**
     * What is written before the observations.
     *
     * @param marker name of the mark @param receiver its number, type and version @param antenna its number and type
     * @param approximate place of the mark
     * @param height of the antenna reference point over the mark, in metres
     * @param interval from one epoch to the next, in seconds
     * @param channels of GLONASS by satellite
     * @param comments whatever else is to be known, of sixty columns each
     */
    public record Header(String marker, String markerNumber, String observer, String agency, List<String> receiver, List<String> antenna,
            EarthCentred approximate, double height, double interval, GpsTime first, Map<SatelliteId, Integer> channels, Instant written,
            List<String> comments) {
    }

    public void header(Header h) throws IOException {
        lines.head("OBSERVATION DATA", h.agency(), h.written());
        for (String comment : h.comments()) {
            lines.line(comment, "COMMENT");
        }
        lines.line(RinexLines.text(h.marker(), 60), "MARKER NAME");
        lines.line(RinexLines.text(h.markerNumber(), 20), "MARKER NUMBER");
        lines.line(RinexLines.text("GEODETIC", 20), "MARKER TYPE");
        lines.line(RinexLines.text(h.observer(), 20) + RinexLines.text(h.agency(), 40), "OBSERVER / AGENCY");
        lines.line(h.receiver().stream().map(t -> RinexLines.text(t, 20)).collect(Collectors.joining()), "REC # / TYPE / VERS");
        lines.line(h.antenna().stream().map(t -> RinexLines.text(t, 20)).collect(Collectors.joining()), "ANT # / TYPE");
        lines.line(String.format(Locale.ROOT, "%14.4f%14.4f%14.4f", h.approximate().x(), h.approximate().y(), h.approximate().z()),
                "APPROX POSITION XYZ");
        lines.line(String.format(Locale.ROOT, "%14.4f%14.4f%14.4f", h.height(), 0.0, 0.0), "ANTENNA: DELTA H/E/N");
        for (SatelliteSystem system : SatelliteSystem.values()) {
            types(system);
        }
        lines.line("DBHZ", "SIGNAL STRENGTH UNIT");
        lines.line(String.format(Locale.ROOT, "%10.3f", h.interval()), "INTERVAL");
        ZonedDateTime first = RinexLines.civil(h.first());
        lines.line(String.format(Locale.ROOT, "%6d%6d%6d%6d%6d%13.7f     GPS", first.getYear(), first.getMonthValue(),
                first.getDayOfMonth(), first.getHour(), first.getMinute(), seconds(h.first())), "TIME OF FIRST OBS");
        for (Signal signal : Signal.values()) {
            lines.line(signal.system().letter() + " L" + signal.code() + String.format(Locale.ROOT, " %8.5f", 0.0), "SYS / PHASE SHIFT");
        }
        slots(new TreeMap<>(h.channels()));
        lines.line(" C1C    0.000 C1P    0.000 C2C    0.000 C2P    0.000", "GLONASS COD/PHS/BIS");
        lines.line(String.format(Locale.ROOT, "%6d", GpsTime.leaps(h.first().utc())), "LEAP SECONDS");
        lines.line("", "END OF HEADER");
    }

    private static List<Signal> signals(SatelliteSystem system) {
        return Arrays.stream(Signal.values()).filter(s -> s.system() == system).toList();
    }

    private void types(SatelliteSystem system) throws IOException {
        List<String> types = signals(system).stream()
                .flatMap(s -> List.of("C" + s.code(), "L" + s.code(), "D" + s.code(), "S" + s.code()).stream()).toList();
        for (int i = 0; i < types.size(); i += MOST_TYPES_A_LINE) {
            String some = types.subList(i, Math.min(i + MOST_TYPES_A_LINE, types.size())).stream().map(t -> " " + t)
                    .collect(Collectors.joining());
            lines.line((i == 0 ? String.format(Locale.ROOT, "%s  %3d", system.letter(), types.size()) : "      ") + some,
                    "SYS / # / OBS TYPES");
        }
    }

    private void slots(SortedMap<SatelliteId, Integer> channels) throws IOException {
        List<String> slots = channels.entrySet().stream().map(c -> String.format(Locale.ROOT, "%s %2d ", c.getKey(), c.getValue()))
                .toList();
        for (int i = 0; i == 0 || i < slots.size(); i += MOST_SLOTS_A_LINE) {
            lines.line((i == 0 ? String.format(Locale.ROOT, "%3d ", slots.size()) : "    ")
                    + String.join("", slots.subList(i, Math.min(i + MOST_SLOTS_A_LINE, slots.size()))), "GLONASS SLOT / FRQ #");
        }
    }

    public void epoch(ObservationEpoch epoch) throws IOException {
        SortedMap<SatelliteId, Map<Signal, Observed>> rows = new TreeMap<>();
        epoch.observed().forEach(o -> rows.computeIfAbsent(o.satellite(), s -> new TreeMap<>()).put(o.signal(), o));
        // rounded once, before it is split
        GpsTime time = new GpsTime(Math.round(epoch.time().nanos() / (double) SHOWN_NANOS) * SHOWN_NANOS);
        ZonedDateTime at = RinexLines.civil(time);
        out.append(String.format(Locale.ROOT, "> %4d %02d %02d %02d %02d%11.7f  0%3d%n", at.getYear(), at.getMonthValue(),
                at.getDayOfMonth(), at.getHour(), at.getMinute(), seconds(time), rows.size()).replace("\r", ""));
        for (Map.Entry<SatelliteId, Map<Signal, Observed>> row : rows.entrySet()) {
            StringBuilder line = new StringBuilder(row.getKey().toString());
            for (Signal signal : signals(row.getKey().system())) {
                Observed o = row.getValue().get(signal);
                line.append(o == null ? " ".repeat(64) : figure(o.range(), NOTHING_LOST, o)
                        + figure(o.cycles(), (o.slipped() ? LOST_LOCK : 0) + (o.half() ? HALF_CYCLE : 0), o)
                        + figure(o.doppler(), NOTHING_LOST, o) + figure(o.strength(), NOTHING_LOST, o));
            }
            out.append(line.toString().stripTrailing()).append('\n');
        }
    }

    /** Fourteen columns and two indicators; blank where there is none, or one that has no room. */
    private static String figure(double value, int lost, Observed o) {
        String figure = Double.isFinite(value) ? String.format(Locale.ROOT, "%14.3f", value) : "";
        return figure.isEmpty() || figure.length() > 14 ? " ".repeat(16) : figure + (lost == NOTHING_LOST ? " " : Integer.toString(lost))
                + Math.max(1, Math.min(9, (int) (o.strength() / STRENGTH_STEP)));
    }

    private static double seconds(GpsTime time) {
        return Math.floorMod(time.nanos(), 60_000_000_000L) / 1e9;
    }
}
