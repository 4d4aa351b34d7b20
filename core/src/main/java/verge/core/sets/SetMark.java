package verge.core.sets;

import java.util.Optional;
import verge.core.coding.PointName;
import verge.core.reading.Target;

/**
 * A mark of the sets with what stands over it.
 *
 * @param filedAs the name that its pointings are written under, if it was given its own only later
 */
public record SetMark(PointName name, Target target, Optional<PointName> filedAs) {
    public SetMark(PointName name, Target target) {
        this(name, target, Optional.empty());
    }

    public PointName filed() {
        return filedAs.orElse(name);
    }

    public SetMark with(PointName other) {
        return new SetMark(other, target, filed().equals(other) ? Optional.empty() : Optional.of(filed()));
    }

    public SetMark with(Target other) {
        return new SetMark(name, other, filedAs);
    }
}
