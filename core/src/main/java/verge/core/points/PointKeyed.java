package verge.core.points;

import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.journal.Payload;

/** A design point typed by hand. */
public record PointKeyed(PointName name, Code code, Position position) implements Payload {
}
