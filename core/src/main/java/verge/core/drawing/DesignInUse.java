package verge.core.drawing;

import java.util.UUID;
import verge.core.journal.Key;

/** The file of the site whose design the work goes by. */
public record DesignInUse() implements Key<UUID> {
}
