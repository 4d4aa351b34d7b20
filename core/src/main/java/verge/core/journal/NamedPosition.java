package verge.core.journal;

import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;

/** One point of a file. */
public record NamedPosition(PointName name, Code code, Position position) {
}
