package verge.core.division;

import java.util.List;
import verge.core.geodesy.Position;
import verge.core.plan.Region;

/**
 * What a line makes of a figure: the regions to its left and to its right, and where it crosses rim and holes, in the order one comes to
 * them along the line. Corners of the figure keep their coordinates to the last digit, and both sides have the same new ones; heights run
 * evenly along a side.
 */
public record Parts(List<Region> left, List<Region> right, List<Position> crossings) {
    public Parts {
        left = List.copyOf(left);
        right = List.copyOf(right);
        crossings = List.copyOf(crossings);
    }

    /** @param line through or beside the figure, along a side of it or through a corner */
    public static Parts of(Region region, DividingLine line) {
        Cutter cutter = new Cutter(region, Frame.looking(line.on(), line.direction()));
        return new Parts(cutter.regions(true), cutter.regions(false), cutter.crossings());
    }
}
