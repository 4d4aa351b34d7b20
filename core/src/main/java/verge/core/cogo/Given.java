package verge.core.cogo;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.core.alignment.Alignment;
import verge.core.alignment.Stationing;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.plan.Path;
import verge.core.points.PointSeen;

/** What a computation was given for one of its slots, kept as what it refers to, so that it follows when that is corrected. */
public sealed interface Given {
    /** The points that it refers to. */
    default Stream<PointSeen> seen() {
        return Stream.empty();
    }

    /** The same with its points called otherwise. */
    default Given renamed(UnaryOperator<PointName> other) {
        return this;
    }

    /** A point of the job. */
    record Point(PointSeen point) implements Given {
        @Override
        public Point renamed(UnaryOperator<PointName> other) {
            return new Point(point.renamed(other));
        }

        @Override
        public Stream<PointSeen> seen() {
            return Stream.of(point);
        }
    }

    /** A place that has no name. */
    record Spot(Position position) implements Given {
    }

    /** Points in their order, each a {@link Point} or a {@link Spot}. */
    record Points(List<Given> each) implements Given {
        public Points {
            each = List.copyOf(each);
        }

        @Override
        public Points renamed(UnaryOperator<PointName> other) {
            return new Points(each.stream().map(one -> one.renamed(other)).toList());
        }

        @Override
        public Stream<PointSeen> seen() {
            return each.stream().flatMap(Given::seen);
        }
    }

    /** A string of the job. */
    record Strung(UUID string) implements Given {
    }

    /** A line of a file, as it lay when it was given. @param stationing how stations are counted along it, if they are */
    record Drawn(String name, Path path, Optional<Stationing> stationing) implements Given {
    }

    /** An alignment of a file, as it lay when it was given. @param name what it is called where it is typed */
    record Axis(String name, Alignment alignment) implements Given {
    }

    /** Several lines, each {@link Strung}, {@link Drawn}, {@link Axis} or {@link Points}. */
    record Lines(List<Given> each) implements Given {
        public Lines {
            each = List.copyOf(each);
        }

        @Override
        public Lines renamed(UnaryOperator<PointName> other) {
            return new Lines(each.stream().map(one -> one.renamed(other)).toList());
        }

        @Override
        public Stream<PointSeen> seen() {
            return each.stream().flatMap(Given::seen);
        }
    }

    /** A figure: metres, radians, a rise over a run, square metres, or plain, as its slot says. */
    record Amount(double value) implements Given {
        public Amount {
            if (!Double.isFinite(value)) {
                throw new IllegalArgumentException("amount: " + value);
            }
        }
    }

    /** Several plain numbers in their order. */
    record Numbers(List<Double> each) implements Given {
        public Numbers {
            each = List.copyOf(each);
        }
    }

    /**
     * A figure that is taken from one point to another: the distance, the direction, the difference of heights or the grade, as its slot
     * says.
     */
    record Between(PointSeen from, PointSeen to) implements Given {
        @Override
        public Between renamed(UnaryOperator<PointName> other) {
            return new Between(from.renamed(other), to.renamed(other));
        }

        @Override
        public Stream<PointSeen> seen() {
            return Stream.of(from, to);
        }
    }

    /** One of the choices of its slot. */
    record Word(String word) implements Given {
    }

    /** The legs of a deed, with their lengths in metres. */
    record Legs(Deed deed) implements Given {
    }
}
