package verge.core.cogo;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verge.core.geodesy.Position;
import verge.core.plan.Path;

/**
 * What a computation comes to.
 *
 * @param figures in the order one reads them, with the working
 * @param points that can be stored
 * @param eitherOr whether of the points one is meant, and the person says which
 * @param lines that are drawn
 * @param curve of what can be had, where something is slid
 */
public record Worked(List<Figure> figures, List<Made> points, boolean eitherOr, List<Path> lines, List<Remark> remarks, Optional<Curve> curve) {
    /** With it begins what a figure belongs to where that is no point but one of several ways. */
    public static final String WAY = "#";

    public Worked {
        figures = List.copyOf(figures);
        points = List.copyOf(points);
        lines = List.copyOf(lines);
        remarks = List.copyOf(remarks);
    }

    /**
     * What comes out over all of a range.
     *
     * @param samples at even parts of the range, from 0 to 1, of the most that there is
     * @param at the part of the range that was taken
     */
    public record Curve(List<Double> samples, double at) {
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
        private final List<Path> lines = new ArrayList<>();
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
            lines.add(path);
            return this;
        }

        Builder remark(Caution caution, Object... arguments) {
            remarks.add(new Remark(caution, List.of(arguments)));
            return this;
        }

        Builder curve(List<Double> samples, double at) {
            curve = new Curve(samples, at);
            return this;
        }

        Worked build() {
            return new Worked(figures, points, eitherOr, lines, remarks, Optional.ofNullable(curve));
        }
    }
}
