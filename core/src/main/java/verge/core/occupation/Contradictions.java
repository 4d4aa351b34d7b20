package verge.core.occupation;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.SolvedPosition;
import verge.core.units.Length;

/** What a receiver says that cannot be so together: none of it makes a point without a reason. */
final class Contradictions {
    /** Three unknowns of the place and one of the clock. */
    private static final int FEWEST_SATELLITES = 4;
    /** Whole cycles are not fixed over more. */
    private static final double FARTHEST_BASE_METRES = 200_000;
    /** What is nearer to its mark is no antenna on a pole. */
    private static final Length LOWEST_ANTENNA = new Length(0.02);

    private Contradictions() {
    }

    static List<Breach> of(SolvedPosition solved, Occupying.Heard heard, Length antenna) {
        List<Breach> all = new ArrayList<>();
        if (solved.satellites() < FEWEST_SATELLITES) {
            all.add(new Breach(Breach.Kind.SATELLITES, solved.satellites(), FEWEST_SATELLITES));
        }
        heard.base().ifPresent(base -> {
            OptionalInt told = number(solved.base());
            if (told.isPresent() && told.getAsInt() != base.station()) {
                all.add(new Breach(Breach.Kind.OTHER_BASE, told.getAsInt(), base.station()));
            }
            solved.place().map(p -> away(p, base)).filter(m -> m > FARTHEST_BASE_METRES)
                    .ifPresent(m -> all.add(new Breach(Breach.Kind.FAR_BASE, Math.round(m / 1_000),
                    Math.round(FARTHEST_BASE_METRES / 1_000))));
        });
        heard.silentSeconds().ifPresent(silent -> {
            if (solved.age().isEmpty() || solved.age().getAsDouble() < silent / 2) {
                all.add(new Breach(Breach.Kind.SILENT_STREAM, silent, solved.age().orElse(0)));
            }
        });
        if (antenna.compareTo(LOWEST_ANTENNA) < 0) {
            all.add(new Breach(Breach.Kind.ANTENNA, antenna, ""));
        }
        return all;
    }

    private static double away(EarthPlace place, BaseHeard base) {
        return EarthCentred.of(place, ReferenceEllipsoid.WGS84).minus(base.place()).length();
    }

    /** Of the base as the receiver tells it; nought is how some say that they do not know. */
    private static OptionalInt number(String base) {
        return base.matches("\\d{1,4}") && Integer.parseInt(base) > 0 ? OptionalInt.of(Integer.parseInt(base)) : OptionalInt.empty();
    }
}
