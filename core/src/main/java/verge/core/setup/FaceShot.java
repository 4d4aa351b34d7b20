package verge.core.setup;

import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.reading.Pointing;
import verge.core.reading.Target;

/** A shot on something of a building whose place the design gives. */
public record FaceShot(BuildingFace face, Pointing pointing, Target target) {

    public FaceShot on(BuildingFace other) {
        return new FaceShot(other, pointing, target);
    }

    /** What the beam may have hit. */
    public sealed interface BuildingFace {
        /** As the person chose it: the layer and number of a line in the design, a grid line, a floor. */
        String name();

        /** A vertical face over the line from one place to another. */
        record Wall(String name, GridPoint from, GridPoint to) implements BuildingFace {
            public Wall {
                if (from.equals(to)) {
                    throw new IllegalArgumentException("a wall without length");
                }
            }

            double lengthMetres() {
                return from.distanceMetres(to);
            }

            /** Part of the way from one end to the other at which a place lies square to the wall. */
            double along(GridPoint p) {
                double n = to.northing() - from.northing();
                double e = to.easting() - from.easting();
                return ((p.northing() - from.northing()) * n + (p.easting() - from.easting()) * e) / (n * n + e * e);
            }
        }

        /** A vertical edge. */
        record Edge(String name, GridPoint at) implements BuildingFace {
        }

        /** A level face: floor, sill, soffit. */
        record Level(String name, Elevation elevation) implements BuildingFace {
        }
    }
}
