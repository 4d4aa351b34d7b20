package verge.core.drawing;

import java.util.OptionalDouble;
import verge.core.geodesy.GridPoint;
import verge.core.plan.Path;
import verge.core.plan.Vertices;

/**
 * An outline drawn round things, and what of a drawing lies wholly within it.
 *
 * @param outline its corners; it need not be closed
 */
public record Selection(Vertices outline) {

    /** A crossing outline counts its odd parts. */
    public boolean contains(double north, double east) {
        return outline.enclose(north, east);
    }

    public boolean contains(GridPoint place) {
        return contains(place.northing(), place.easting());
    }

    /** Whether all of a thing lies within. */
    public boolean contains(Vertices things) {
        for (int i = 0; i < things.size(); i++) {
            if (!contains(things.north(i), things.east(i))) {
                return false;
            }
        }
        return things.size() > 0;
    }

    /** What was found so far; grows thing by thing. */
    public static final class Tally {
        private int points;
        private int lines;
        private int closed;
        private int words;
        private double length;
        private double area;
        private double lowest = Double.POSITIVE_INFINITY;
        private double highest = Double.NEGATIVE_INFINITY;
        private int withoutHeight;

        public void add(Feature feature) {
            if (feature instanceof Feature.Run run) {
                addLine(run.path());
            } else if (feature instanceof Feature.Axis axis) {
                lines++;
                length += axis.alignment().length();
            } else if (feature instanceof Feature.Words) {
                words++;
                return;
            } else if (feature instanceof Feature.Spot) {
                points++;
            }
            for (int i = 0; i < feature.vertices().size(); i++) {
                addHeight(feature.vertices().height(i));
            }
        }

        /** A line of the job itself, without its vertices. */
        public void addLine(Path path) {
            lines++;
            length += path.length();
            path.area().ifPresent(a -> {
                closed++;
                area += a;
            });
        }

        /** A point of the job itself. */
        public void addPoint(OptionalDouble height) {
            points++;
            addHeight(height);
        }

        private void addHeight(OptionalDouble height) {
            if (height.isEmpty()) {
                withoutHeight++;
            } else {
                lowest = Math.min(lowest, height.getAsDouble());
                highest = Math.max(highest, height.getAsDouble());
            }
        }

        public int points() {
            return points;
        }

        public int lines() {
            return lines;
        }

        public int closedLines() {
            return closed;
        }

        public int words() {
            return words;
        }

        /** Of all lines in plan, in metres of the grid. */
        public double gridLength() {
            return length;
        }

        /** Sum of what the closed lines enclose, in square metres of the grid. */
        public double gridArea() {
            return area;
        }

        public OptionalDouble lowest() {
            return lowest > highest ? OptionalDouble.empty() : OptionalDouble.of(lowest);
        }

        public OptionalDouble highest() {
            return lowest > highest ? OptionalDouble.empty() : OptionalDouble.of(highest);
        }

        public int verticesWithoutHeight() {
            return withoutHeight;
        }
    }
}
