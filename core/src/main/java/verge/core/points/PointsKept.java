package verge.core.points;

import java.util.List;
import java.util.NavigableMap;
import java.util.TreeSet;
import org.pcollections.HashTreePMap;
import org.pcollections.PMap;
import org.pcollections.TreePMap;
import org.pcollections.TreePSet;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.journal.Fold;

/**
 * Which points a job has, without the points: how many, by which entries, under which names and codes.
 *
 * @param origins what there is of each origin that there is anything of
 * @param codes of measured points: how many came of which entries, by their places
 * @param flat how many have no elevation
 */
public record PointsKept(PMap<Origin, Of> origins, PMap<Code, Places> codes, int flat) {
    public static final Fold<PointsNamed, List<StoredPoint>, PointsKept> FOLD = new Fold<>() {
        @Override
        public Class<PointsNamed> of() {
            return PointsNamed.class;
        }

        @Override
        public PointsKept empty() {
            return new PointsKept(HashTreePMap.empty(), HashTreePMap.empty(), 0);
        }

        @Override
        public PointsKept after(PointsKept kept, PointsNamed key, NavigableMap<Integer, List<StoredPoint>> before,
                NavigableMap<Integer, List<StoredPoint>> now) {
            TreeSet<Integer> places = new TreeSet<>(before.keySet());
            places.addAll(now.keySet());
            PointsKept all = kept;
            for (int place : places) {
                List<StoredPoint> gone = before.getOrDefault(place, List.of());
                List<StoredPoint> come = now.getOrDefault(place, List.of());
                if (!alike(gone, come)) {
                    for (StoredPoint p : gone) {
                        all = all.with(p, place, -1);
                    }
                    for (StoredPoint p : come) {
                        all = all.with(p, place, 1);
                    }
                }
            }
            return all;
        }
    };

    /** Of one origin. @param names each with how many positions it has */
    public record Of(Places places, TreePMap<PointName, Integer> names) {
        private static final Of NONE = new Of(Places.NONE, TreePMap.empty());

        private Of with(PointName name, int place, int more) {
            return new Of(places.with(place, more), plus(names, name, more));
        }
    }

    /** How many points came of which entries. @param count of all */
    public record Places(TreePMap<Integer, Integer> each, int count) {
        static final Places NONE = new Places(TreePMap.empty(), 0);

        private Places with(int place, int more) {
            return new Places(plus(each, place, more), count + more);
        }
    }

    /** Whether nothing that is kept tells some points from others: they only lie elsewhere. */
    private static boolean alike(List<StoredPoint> gone, List<StoredPoint> come) {
        boolean alike = gone.size() == come.size();
        for (int i = 0; alike && i < gone.size(); i++) {
            StoredPoint a = gone.get(i);
            StoredPoint b = come.get(i);
            alike = a.origin() == b.origin() && a.code().equals(b.code())
                    && a.position().elevation().isPresent() == b.position().elevation().isPresent();
        }
        return alike;
    }

    private static <K extends Comparable<? super K>> TreePMap<K, Integer> plus(TreePMap<K, Integer> all, K key, int more) {
        int now = all.getOrDefault(key, 0) + more;
        return now == 0 ? all.minus(key) : all.plus(key, now);
    }

    private PointsKept with(StoredPoint point, int place, int more) {
        Of of = of(point.origin()).with(point.name(), place, more);
        PMap<Origin, Of> now = of.places().count() == 0 ? origins.minus(point.origin()) : origins.plus(point.origin(), of);
        return new PointsKept(now, point.origin() == Origin.MEASURED ? withCode(point.code(), place, more) : codes,
                flat + (point.position().elevation().isPresent() ? 0 : more));
    }

    private PMap<Code, Places> withCode(Code code, int place, int more) {
        Places now = of(code).with(place, more);
        return now.count() == 0 ? codes.minus(code) : codes.plus(code, now);
    }

    public Of of(Origin origin) {
        return origins.getOrDefault(origin, Of.NONE);
    }

    /** Of measured points. */
    public Places of(Code code) {
        return codes.getOrDefault(code, Places.NONE);
    }

    public int count() {
        return origins.values().stream().mapToInt(of -> of.places().count()).sum();
    }
}
