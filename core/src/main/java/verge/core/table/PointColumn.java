package verge.core.table;

import java.time.Instant;
import java.util.Comparator;
import java.util.Optional;
import java.util.function.Function;
import verge.core.coding.NaturalOrder;
import verge.core.points.Origin;
import verge.core.units.Length;

/** What can be told of each point, and sorted by. What has none comes last, whichever way it is sorted. */
public enum PointColumn {
    NAME(natural(row -> row.point().name().text())),
    CODE(natural(row -> row.point().code().text())),
    NORTH(number(row -> Optional.of(row.point().position().plan().northing()))),
    EAST(number(row -> Optional.of(row.point().position().plan().easting()))),
    HEIGHT(number(row -> row.height().isPresent() ? Optional.of(row.height().getAsDouble()) : Optional.empty())),
    SIGMA_PLAN(number(row -> row.sigmaPlan().map(Length::metres))),
    SIGMA_HEIGHT(number(row -> row.sigmaHeight().map(Length::metres))),
    ORIGIN(PointColumn.<Origin>by(row -> Optional.of(row.point().origin()), Comparator.naturalOrder())),
    WHEN(PointColumn.<Instant>by(row -> Optional.of(row.at()), Comparator.naturalOrder())),
    WHO(natural(PointRow::person)),
    FROM(number(row -> row.leaf().map(leaf -> (double) leaf.number()))),
    POSITIONS(number(row -> Optional.of((double) row.positions()))),
    APART(number(row -> row.apart().map(Length::metres))),
    FLOOR(natural(row -> row.floor().map(f -> f.floor().name()).orElse(""))),
    ANSWERS(natural(row -> String.join(", ", row.answers().values()))),
    NOTES(natural(PointRow::notes)),
    DESCRIPTION(natural(row -> row.point().description())),
    PHOTOS(null),
    DOUBTS(null);

    private final Key<?> key;

    PointColumn(Key<?> key) {
        this.key = key;
    }

    /** What rows are compared by: made once a row, since it may take a look at other entries. */
    private record Key<K>(Function<PointRow, Optional<K>> of, Comparator<K> order) {
        private Comparator<Object> comparing(boolean descending) {
            Comparator<K> own = descending ? order.reversed() : order;
            return (a, b) -> a == null || b == null ? Boolean.compare(a == null, b == null) : compare(own, a, b);
        }

        @SuppressWarnings("unchecked")
        private static <K> int compare(Comparator<K> own, Object a, Object b) {
            return own.compare((K) a, (K) b);
        }
    }

    private static <K> Key<K> by(Function<PointRow, Optional<K>> of, Comparator<K> order) {
        return new Key<>(of, order);
    }

    private static Key<Double> number(Function<PointRow, Optional<Double>> of) {
        return by(of, Comparator.naturalOrder());
    }

    private static Key<String> natural(Function<PointRow, String> of) {
        return by(row -> Optional.of(of.apply(row)).filter(text -> !text.isEmpty()), NaturalOrder.INSTANCE::compare);
    }

    /** Whether rows can be sorted by it: photos and doubts are told of those that are looked at. */
    public boolean sorts() {
        return key != null;
    }

    Object key(PointRow row) {
        return key.of().apply(row).orElse(null);
    }

    Comparator<Object> order(boolean descending) {
        return key.comparing(descending);
    }
}
