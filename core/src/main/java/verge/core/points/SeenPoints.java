package verge.core.points;

import java.util.Optional;
import java.util.stream.Stream;
import verge.core.coding.PointName;

/**
 * Points of the site that a job sees without having taken them on. They are no part of its state: what a journal comes to does not depend
 * on them, and before one is used in an entry it is taken on by an entry of its own.
 */
public interface SeenPoints {
    SeenPoints NONE = new SeenPoints() {
        @Override
        public Optional<StoredPoint> known(PointName name) {
            return Optional.empty();
        }

        @Override
        public Optional<StoredPoint> design(PointName name) {
            return Optional.empty();
        }

        @Override
        public Optional<String> designFile() {
            return Optional.empty();
        }

        @Override
        public Stream<PointName> names(Origin origin) {
            return Stream.empty();
        }
    };

    /** A known point of the site's register. */
    Optional<StoredPoint> known(PointName name);

    /** A point of the design that the work goes by. */
    Optional<StoredPoint> design(PointName name);

    /** The name of the file that the work goes by. */
    Optional<String> designFile();

    /** The names of either kind, CONTROL or DESIGN, in their natural order. */
    Stream<PointName> names(Origin origin);
}
