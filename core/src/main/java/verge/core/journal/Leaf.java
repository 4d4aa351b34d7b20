package verge.core.journal;

import java.util.UUID;
import verge.core.setup.KnownPointSetup;

/**
 * One occupation in the field book: what was written down and what it comes to.
 *
 * @param number counted from 1 through the job
 */
public record Leaf(UUID entry, int number, Payload.StationSetUp written, KnownPointSetup.Result solved) {
}
