package verge.core.table;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verge.core.coding.Codebook;
import verge.core.job.Journal;
import verge.core.points.StoredPoint;

/** The points of a job that fit a filter, in an order. Immutable, as of the journal that it was made of. */
public final class PointTable {
    private final Journal journal;
    private final List<StoredPoint> points;
    private final int all;

    private PointTable(Journal journal, List<StoredPoint> points, int all) {
        this.journal = journal;
        this.points = points;
        this.all = all;
    }

    /** By what is sorted. @param descending whether the largest comes first */
    public record SortKey(PointColumn column, boolean descending) {
    }

    private record Keyed(StoredPoint point, Object[] keys) {
    }

    /** @param order the first key counts most; rows that are alike in all stay in the order of their entries */
    public static PointTable of(Journal journal, Codebook book, PointFilter filter, List<SortKey> order) {
        Stream<PointRow> rows = journal.state().points().all().map(p -> new PointRow(p, journal)).filter(row -> filter.fits(row, book));
        List<Keyed> keyed = new ArrayList<>(rows.map(row -> new Keyed(row.point(), order.stream().map(k -> k.column().key(row)).toArray()))
                .toList());
        Comparator<Keyed> comparing = (a, b) -> 0;
        for (int i = 0; i < order.size(); i++) {
            int at = i;
            comparing = comparing.thenComparing(k -> k.keys()[at], order.get(i).column().order(order.get(i).descending()));
        }
        keyed.sort(comparing);
        return new PointTable(journal, keyed.stream().map(Keyed::point).toList(), journal.state().points().count());
    }

    /** How many fit. */
    public int size() {
        return points.size();
    }

    /** How many there are, fitting or not. */
    public int all() {
        return all;
    }

    public Journal journal() {
        return journal;
    }

    /** Those from one place to another, the latter left out; what lies beyond the end is not there. */
    public List<PointRow> rows(int from, int to) {
        return IntStream.range(Math.max(0, from), Math.min(points.size(), to)).mapToObj(i -> new PointRow(points.get(i), journal)).toList();
    }

    public Stream<StoredPoint> points() {
        return points.stream();
    }

    /** Where a position stands; −1 if it is not among them. */
    public int place(UUID entry, String name) {
        return IntStream.range(0, points.size())
                .filter(i -> points.get(i).entry().equals(entry) && points.get(i).name().text().equals(name)).findFirst().orElse(-1);
    }

    /** The first whose name begins so, letters small or large; −1 if none does. */
    public int jump(String begins) {
        return IntStream.range(0, points.size()).filter(i -> points.get(i).name().text().regionMatches(true, 0, begins, 0, begins.length()))
                .findFirst().orElse(-1);
    }
}
