package verge.core.setup;

import java.util.Objects;
import java.util.Optional;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;

/**
 * A known point as a setup takes it.
 *
 * @param sigma standard deviations of its coordinates; absent for one that counts as exact
 */
public record KnownMark(Position position, Optional<Uncertainty> sigma) {
    public KnownMark {
        Objects.requireNonNull(position, "position");
        Objects.requireNonNull(sigma, "sigma");
    }

    public static KnownMark exact(Position position) {
        return new KnownMark(position, Optional.empty());
    }
}
