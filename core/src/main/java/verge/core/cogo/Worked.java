package verge.core.cogo;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verge.core.geodesy.GridInverse;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.plan.Path;
import verge.core.units.Angle;

/**
 * What a computation comes to.
 *
 * @param figures in the order one reads them, with the working
 * @param points that can be stored
 * @param eitherOr whether of the points one is meant, and the person says which
 * @param lines that are drawn
 * @param dimensions that can be pinned to the sketch and go onto a drawing
 * @param curve of what can be had, where something is slid
 */
public record Worked(List<Figure> figures, List<Made> points, boolean eitherOr, List<Line> lines, List<Dimension> dimensions,
        List<Remark> remarks, Optional<Curve> curve) {
    /** With it begins what a figure belongs to where that is no point but one of several ways. */
    public static final String WAY = "#";

    public Worked {
        figures = List.copyOf(figures);
        points = List.copyOf(points);
        lines = List.copyOf(lines);
        dimensions = List.copyOf(dimensions);
        remarks = List.copyOf(remarks);
    }

    /**
     * What comes out over all of a range.
     *
     * @param samples at even parts of the range, from 0 to 1, of the most that there is
     * @param at the part of the range that was taken
     * @param from a place that the line passes through at the begin of the range
     * @param to likewise at its end; the same if it turns about that
     */
    public record Curve(List<Double> samples, double at, GridPoint from, GridPoint to) {
        public Curve {
            samples = List.copyOf(samples);
        }
    }

    /**
     * A figure with what it is.
     *
     * @param label what it is, a key of words
     * @param of which one it belongs to, or empty
     */
    public record Figure(String label, String of, Quantity quantity) {
    }

    /** A point with what it is. */
    public record Made(String label, String of, Position position) {
    }

    /** What a line is to the computation. */
    public enum Role {
        /** Something that it was given, or a ray that leads to what came out. */
        GIVEN,
        /** It came out, and can be kept. */
        MADE,
        /** Something that was given and may be wrong. */
        DOUBTFUL
    }

    /**
     * A line that is drawn.
     *
     * @param label what it is, a key of words; empty for what is not made
     * @param of which one it belongs to, or empty
     */
    public record Line(Path path, Role role, String label, String of) {
    }

    /**
     * A figure with where it is written.
     *
     * @param along the azimuth of what it measures; absent for an area or an angle
     */
    public record Dimension(GridPoint at, Optional<Angle> along, Quantity quantity) {
    }

    /** The lines that came out. */
    public List<Line> made() {
        return lines.stream().filter(line -> line.role() == Role.MADE).toList();
    }

    /** What the person should know of it. */
    public enum Caution {
        /** Arguments: how many places. */
        CROSSES_ITSELF,
        NO_HEIGHT,
        /** Arguments: the point's number among those given, how far it lies off what the others make in metres. */
        DOES_NOT_BELONG,
        /** Arguments: the leg's number, the length in metres that would close it, what would remain. */
        LENGTH_SUSPECTED,
        /** Arguments: the leg's number, the azimuth in radians, what would remain in metres. */
        BEARING_SUSPECTED,
        /** The line is lengthened straight on to where it is square. */
        BEYOND_THE_LINE,
        /** They touch, or miss each other by no more than a length's last digit. */
        TOUCHES,
        /** They meet only where they are lengthened. */
        LENGTHENED,
        /** Directions meet behind one of the points. */
        BEHIND,
        /** Arguments: the angle in radians. */
        FLAT_INTERSECTION,
        SUN_BELOW
    }

    /** A caution and its particulars. */
    public record Remark(Caution caution, List<Object> arguments) {
        public Remark {
            arguments = List.copyOf(arguments);
        }
    }

    static Builder builder() {
        return new Builder();
    }

    /** Collects what comes out. */
    static final class Builder {
        private final List<Figure> figures = new ArrayList<>();
        private final List<Made> points = new ArrayList<>();
        private final List<Line> lines = new ArrayList<>();
        private final List<Dimension> dimensions = new ArrayList<>();
        private final List<Remark> remarks = new ArrayList<>();
        private boolean eitherOr;
        private Curve curve;

        Builder figure(String label, Quantity quantity) {
            return figure(label, "", quantity);
        }

        Builder figure(String label, String of, Quantity quantity) {
            figures.add(new Figure(label, of, quantity));
            return this;
        }

        Builder point(String label, Position position) {
            return point(label, "", position);
        }

        Builder point(String label, String of, Position position) {
            points.add(new Made(label, of, position));
            return this;
        }

        Builder eitherOr() {
            eitherOr = true;
            return this;
        }

        Builder line(Path path) {
            lines.add(new Line(path, Role.GIVEN, "", ""));
            return this;
        }

        Builder made(String label, String of, Path path) {
            lines.add(new Line(path, Role.MADE, label, of));
            return this;
        }

        Builder doubtful(Path path) {
            lines.add(new Line(path, Role.DOUBTFUL, "", ""));
            return this;
        }

        /** Midway between both ends of what it measures; of one without a length none. */
        Builder dimension(GridPoint from, GridPoint to, Quantity quantity) {
            if (!from.equals(to)) {
                dimensions.add(new Dimension(from.plus((to.northing() - from.northing()) / 2, (to.easting() - from.easting()) / 2),
                        Optional.of(GridInverse.between(from, to).azimuth()), quantity));
            }
            return this;
        }

        Builder dimension(GridPoint at, Quantity quantity) {
            dimensions.add(new Dimension(at, Optional.empty(), quantity));
            return this;
        }

        Builder remark(Caution caution, Object... arguments) {
            remarks.add(new Remark(caution, List.of(arguments)));
            return this;
        }

        Builder curve(Curve told) {
            curve = told;
            return this;
        }

        Worked build() {
            return new Worked(figures, points, eitherOr, lines, dimensions, remarks, Optional.ofNullable(curve));
        }
    }
}
