package verge.core.points;

import java.util.Objects;
import java.util.Optional;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;

/**
 * One point of a file.
 *
 * @param description words beside or instead of its code, or empty
 * @param sigma standard deviations of its coordinates; absent where they count as exact
 */
public record NamedPosition(PointName name, Code code, Position position, String description, Optional<Uncertainty> sigma) {
    public NamedPosition {
        Objects.requireNonNull(name, "name");
        Objects.requireNonNull(code, "code");
        Objects.requireNonNull(position, "position");
        Objects.requireNonNull(description, "description");
        Objects.requireNonNull(sigma, "sigma");
    }

    public NamedPosition(PointName name, Code code, Position position) {
        this(name, code, position, "", Optional.empty());
    }

    public NamedPosition with(PointName other) {
        return new NamedPosition(other, code, position, description, sigma);
    }

    public NamedPosition with(Code other) {
        return new NamedPosition(name, other, position, description, sigma);
    }

    public NamedPosition with(Position other) {
        return new NamedPosition(name, code, other, description, sigma);
    }
}
