package verge.core.pole;

import verge.core.journal.Payload;
import verge.core.reading.Target;

/**
 * The prism on the pole from now on: how high it is and what its constant is.
 *
 * @param prism its name in the site's table of prisms; empty where a bare constant was typed
 */
public record TargetChosen(Target target, String prism) implements Payload {
    public TargetChosen(Target target) {
        this(target, "");
    }
}
