package verge.core.points;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import org.pcollections.HashTreePMap;
import org.pcollections.PMap;
import verge.core.coding.PointName;
import verge.core.journal.Fold;
import verge.core.plan.Cell;

/**
 * Where a job's points lie, roughly.
 *
 * @param cells the names in each square that has any, each with how many points bear it there
 */
public record PointsPlaced(PMap<Cell, PMap<PointName, Integer>> cells) {
    public static final Fold<PointsNamed, List<StoredPoint>, PointsPlaced> FOLD = new Fold<>() {
        @Override
        public Class<PointsNamed> of() {
            return PointsNamed.class;
        }

        @Override
        public PointsPlaced empty() {
            return new PointsPlaced(HashTreePMap.empty());
        }

        @Override
        public PointsPlaced after(PointsPlaced kept, PointsNamed key, NavigableMap<Integer, List<StoredPoint>> before,
                NavigableMap<Integer, List<StoredPoint>> now) {
            Map<Cell, Integer> was = counted(before);
            Map<Cell, Integer> is = counted(now);
            PMap<Cell, PMap<PointName, Integer>> all = kept.cells();
            for (Map.Entry<Cell, Integer> cell : is.entrySet()) {
                if (!cell.getValue().equals(was.remove(cell.getKey()))) {
                    all = all.plus(cell.getKey(), all.getOrDefault(cell.getKey(), HashTreePMap.empty()).plus(key.name(), cell.getValue()));
                }
            }
            for (Cell left : was.keySet()) {
                PMap<PointName, Integer> others = all.get(left).minus(key.name());
                all = others.isEmpty() ? all.minus(left) : all.plus(left, others);
            }
            return new PointsPlaced(all);
        }
    };

    private static Map<Cell, Integer> counted(NavigableMap<Integer, List<StoredPoint>> named) {
        Map<Cell, Integer> all = new HashMap<>();
        named.values().forEach(each -> each.forEach(p -> all.merge(Cell.of(p.position().plan()), 1, Integer::sum)));
        return all;
    }

    /** The names in a square, each with how many points bear it there. */
    public Map<PointName, Integer> in(Cell cell) {
        return cells.getOrDefault(cell, HashTreePMap.empty());
    }

    /** How many points lie in a square. */
    public int count(Cell cell) {
        return in(cell).values().stream().mapToInt(n -> n).sum();
    }
}
