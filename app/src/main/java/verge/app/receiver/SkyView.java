package verge.app.receiver;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.Sight;
import verge.core.units.Angle;
import verge.instruments.nmea.NmeaSentence;
import verge.instruments.receiver.ReceiverSnapshot;
import verge.instruments.receiver.ReceiverWords;

/**
 * What a receiver sees of the sky.
 *
 * @param mask elevation below which nothing is used, in degrees
 * @param systems one line for each
 */
public record SkyView(double mask, List<Satellite> satellites, List<Line> systems) {
    private static final Map<SatelliteSystem, String> NAMES = Map.of(SatelliteSystem.GPS, "GPS", SatelliteSystem.GLONASS, "GLONASS",
            SatelliteSystem.GALILEO, "Galileo", SatelliteSystem.BEIDOU, "BeiDou");

    /** @param system by its letter @param azimuth from grid north, as the sketch lies @param strength in dB-Hz; null if it is not heard */
    public record Satellite(String system, int number, double azimuth, double elevation, Integer strength, boolean used) {
    }

    /** @param signal mean strength of those that are heard; blank if none is */
    public record Line(String system, String name, int used, int seen, String signal) {
    }

    /** @param convergence by which grid north lies clockwise of true north */
    static SkyView of(ReceiverSnapshot now, Angle convergence) {
        List<Satellite> all = new ArrayList<>();
        List<Line> lines = new ArrayList<>();
        now.sky().forEach((system, seen) -> {
            List<Integer> used = now.used().getOrDefault(system, List.of());
            for (NmeaSentence.Gsv.Seen each : seen) {
                Optional<Sight> sight = each.sight();
                sight.ifPresent(s -> all.add(new Satellite(ReceiverWords.letters(Set.of(system)), each.number(),
                        Math.rint(s.azimuth().minus(convergence).wholeCircle().degrees()), Math.rint(s.elevation().degrees()),
                        each.strength().isPresent() ? (int) Math.round(each.strength().getAsDouble()) : null,
                        used.contains(each.number()))));
            }
            double[] heard = seen.stream().filter(s -> s.strength().isPresent()).mapToDouble(s -> s.strength().getAsDouble()).toArray();
            lines.add(new Line(ReceiverWords.letters(Set.of(system)), NAMES.get(system), used.size(), seen.size(),
                    heard.length == 0 ? "" : Math.round(Arrays.stream(heard).average().orElseThrow()) + " dB-Hz"));
        });
        return new SkyView(now.condition().map(c -> c.mask().degrees()).orElse(0.0), all, lines);
    }
}
