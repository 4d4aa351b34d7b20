package verge.core.cogo;

import verge.core.coding.PointName;
import verge.core.journal.Payload;

public record InverseNoted(PointName from, PointName to) implements Payload {
}
