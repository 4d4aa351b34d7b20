package verge.core.reading;

import java.util.Optional;
import verge.core.units.Angle;
import verge.core.units.Length;

/** One pointing of a total station with its distance, as read. */
public record TotalStationReading(Angle horizontalDirection, Angle zenith, Length slopeDistance, String asReceived)
        implements Reading {

    @Override
    public Optional<Length> distance() {
        return Optional.of(slopeDistance);
    }
}
