package verge.app.device;

import java.time.Instant;

/** Temperature and pressure as somebody typed them. */
public record TypedAir(double temperatureCelsius, double pressureHectopascals, Instant at) {
}
