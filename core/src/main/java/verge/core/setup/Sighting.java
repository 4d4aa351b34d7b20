package verge.core.setup;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import verge.core.coding.PointName;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.units.Angle;

/**
 * All that was read to one mark from a station.
 *
 * @param use what of it counts
 * @param azimuth to the mark where it was typed; else it comes from coordinates
 */
public record Sighting(PointName mark, Target target, Use use, Optional<Angle> azimuth, List<Pointing> pointings) {
    public Sighting {
        Objects.requireNonNull(mark, "mark");
        Objects.requireNonNull(target, "target");
        Objects.requireNonNull(use, "use");
        Objects.requireNonNull(azimuth, "azimuth");
        pointings = List.copyOf(pointings);
    }

    public static Sighting of(PointName mark, Target target, Pointing... pointings) {
        return new Sighting(mark, target, Use.ALL, Optional.empty(), List.of(pointings));
    }

    /** What of a mark counts; a mark that counts in nothing is only looked at. */
    public record Use(boolean plan, boolean distance, boolean height) {
        public static final Use ALL = new Use(true, true, true);
        public static final Use NOTHING = new Use(false, false, false);
    }

    public Sighting with(PointName other) {
        return new Sighting(other, target, use, azimuth, pointings);
    }

    public Sighting with(Target other) {
        return new Sighting(mark, other, use, azimuth, pointings);
    }

    public Sighting with(Use other) {
        return new Sighting(mark, target, other, azimuth, pointings);
    }

    /** The same with another pointing in the place of one. */
    public Sighting with(int place, Pointing other) {
        List<Pointing> all = new ArrayList<>(pointings);
        all.set(place, other);
        return with(all);
    }

    public Sighting with(List<Pointing> other) {
        return new Sighting(mark, target, use, azimuth, other);
    }
}
