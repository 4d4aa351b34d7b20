package verge.instruments.world;

import java.util.List;
import verge.core.geodesy.GridPoint;

/** Something of the island that can be seen from afar: a line, or a single place if it has one point. */
public record Outline(String name, List<GridPoint> points) {
    public Outline {
        points = List.copyOf(points);
    }
}
