package verge.instruments.standin;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiPredicate;
import verge.core.geodesy.EarthPlace;
import verge.core.satellite.Dilution;
import verge.core.satellite.GpsTime;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.Sight;
import verge.core.satellite.SolvedPosition;
import verge.instruments.nmea.NmeaSentence;
import verge.instruments.sky.Sky;

/** How a simulated receiver says what it solved and what it sees. */
final class SolutionSentences {
    /** Its own geoid is coarse: whoever wants an elevation takes the ellipsoid height and a geoid of theirs. */
    private static final double SEPARATION = 37.5;
    private static final int MOST_SEEN_A_LINE = 4;
    private static final int MOST_USED_A_LINE = 12;
    private static final int MOST_SATELLITES = 99;
    private static final Map<SatelliteSystem, String> TALKERS = Map.of(SatelliteSystem.GPS, "GP", SatelliteSystem.GLONASS, "GL",
            SatelliteSystem.GALILEO, "GA", SatelliteSystem.BEIDOU, "GB");

    private SolutionSentences() {
    }

    static List<NmeaSentence> place(Instant said, SolvedPosition solved) {
        LocalTime time = LocalTime.ofInstant(said, ZoneOffset.UTC);
        Optional<EarthPlace> place = solved.place();
        List<NmeaSentence> all = new ArrayList<>();
        all.add(new NmeaSentence.Gga("GN", time, place.map(EarthPlace::position), quality(solved.kind()),
                Math.min(MOST_SATELLITES, solved.satellites()), figure(solved.dilution().map(Dilution::horizontal)),
                figure(place.map(p -> p.height().metres() - SEPARATION)),
                figure(place.map(p -> SEPARATION)), solved.age(), solved.base()));
        solved.sigma().ifPresent(s -> all.add(new NmeaSentence.Gst("GN", time, OptionalDouble.of(s.plan()), OptionalDouble.of(s.north()),
                OptionalDouble.of(s.east()), OptionalDouble.of(s.up()))));
        return all;
    }

    static NmeaSentence time(Instant said) {
        return new NmeaSentence.Zda("GN", LocalTime.ofInstant(said, ZoneOffset.UTC), LocalDate.ofInstant(said, ZoneOffset.UTC));
    }

    private static NmeaSentence.Quality quality(SolvedPosition.Kind kind) {
        return switch (kind) {
            case NONE -> NmeaSentence.Quality.NONE;
            case AUTONOMOUS -> NmeaSentence.Quality.AUTONOMOUS;
            case DIFFERENTIAL -> NmeaSentence.Quality.DIFFERENTIAL;
            case FLOAT -> NmeaSentence.Quality.FLOAT;
            case FIXED -> NmeaSentence.Quality.FIXED;
        };
    }

    /**
     * System by system: which satellites are used, in as many lines as it takes, and where all stand.
     *
     * @param tracked whether one of a system in a sight is heard
     */
    static List<NmeaSentence> sky(Sky sky, Instant at, EarthPlace here, BiPredicate<SatelliteSystem, Sight> tracked,
            Optional<Dilution> dilution) {
        List<NmeaSentence> all = new ArrayList<>();
        for (SatelliteSystem system : SatelliteSystem.values()) {
            List<NmeaSentence.Gsv.Seen> seen = new ArrayList<>();
            List<Integer> used = new ArrayList<>();
            sky.orbits().forEach((id, orbit) -> {
                if (id.system() != system) {
                    return;
                }
                Sight sight = Sight.of(orbit.at(GpsTime.ofUtc(at)), here);
                if (sight.elevation().radians() > 0) {
                    boolean heard = tracked.test(system, sight);
                    seen.add(new NmeaSentence.Gsv.Seen(id.number(), Optional.of(sight),
                            heard ? OptionalDouble.of(38 + 12 * sight.elevation().sin()) : OptionalDouble.empty()));
                    if (heard) {
                        used.add(id.number());
                    }
                }
            });
            parts(used, MOST_USED_A_LINE).forEach(part ->
                    all.add(new NmeaSentence.Gsa("GN", dilution.isPresent() ? 3 : 1, part, figure(dilution.map(Dilution::position)),
                    figure(dilution.map(Dilution::horizontal)), figure(dilution.map(Dilution::vertical)), Optional.of(system))));
            List<List<NmeaSentence.Gsv.Seen>> parts = parts(seen, MOST_SEEN_A_LINE);
            for (int i = 0; i < parts.size(); i++) {
                all.add(new NmeaSentence.Gsv(TALKERS.get(system), parts.size(), i + 1, seen.size(), parts.get(i), OptionalDouble.of(1)));
            }
        }
        return all;
    }

    /** One empty part of nothing. */
    private static <V> List<List<V>> parts(List<V> whole, int most) {
        List<List<V>> all = new ArrayList<>();
        for (int from = 0; from == 0 || from < whole.size(); from += most) {
            all.add(whole.subList(from, Math.min(from + most, whole.size())));
        }
        return all;
    }

    private static OptionalDouble figure(Optional<Double> value) {
        return value.map(OptionalDouble::of).orElse(OptionalDouble.empty());
    }
}
