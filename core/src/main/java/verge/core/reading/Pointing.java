package verge.core.reading;

import java.util.Objects;
import java.util.Optional;
import verge.core.units.Angle;
import verge.core.units.Length;

/** One pointing at a mark, as read; without a distance where only the circles were read. */
public record Pointing(Angle horizontalDirection, Angle zenith, Optional<Length> distance, String asReceived) implements Reading {
    public Pointing {
        Objects.requireNonNull(horizontalDirection, "horizontalDirection");
        Objects.requireNonNull(zenith, "zenith");
        Objects.requireNonNull(distance, "distance");
        Objects.requireNonNull(asReceived, "asReceived");
    }

    public static Pointing of(Reading reading) {
        return new Pointing(reading.horizontalDirection(), reading.zenith(), reading.distance(), reading.asReceived());
    }

    /** As a shot, which needs a distance. */
    public Optional<TotalStationReading> shot() {
        return distance.map(d -> new TotalStationReading(horizontalDirection, zenith, d, asReceived));
    }
}
