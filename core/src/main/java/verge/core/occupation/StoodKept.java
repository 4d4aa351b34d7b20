package verge.core.occupation;

import java.util.NavigableMap;
import java.util.stream.Stream;
import org.pcollections.HashTreePMap;
import org.pcollections.PMap;
import org.pcollections.TreePMap;
import org.pcollections.TreePSet;
import verge.core.base.Base;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.journal.Fold;
import verge.core.satellite.BaseHeard;

/**
 * What receivers stood on, without the points.
 *
 * @param places of the entries
 * @param frames how many points came from bases that said which frame, by its year less 2000
 * @param stations how many from bases of which number
 * @param times how often points of a name were stood on, by how often
 */
public record StoodKept(TreePSet<Integer> places, Counts counts, PMap<Integer, Integer> frames, PMap<Integer, Integer> stations,
        Times times) {
    public static final Fold<StoodOn, Stood, StoodKept> FOLD = new Fold<>() {
        @Override
        public Class<StoodOn> of() {
            return StoodOn.class;
        }

        @Override
        public StoodKept empty() {
            return new StoodKept(TreePSet.empty(), new Counts(0, 0, 0), HashTreePMap.empty(), HashTreePMap.empty(),
                    new Times(0, TreePSet.empty()));
        }

        @Override
        public StoodKept after(StoodKept kept, StoodOn key, NavigableMap<Integer, Stood> before, NavigableMap<Integer, Stood> now) {
            StoodKept all = kept;
            for (Stood gone : before.values()) {
                all = all.with(gone, -1);
            }
            for (Stood come : now.values()) {
                all = all.with(come, 1);
            }
            return new StoodKept(all.places().minusAll(before.keySet()).plusAll(now.keySet()), all.counts(), all.frames(), all.stations(),
                    all.times().with(key, before.size(), now.size()));
        }
    };

    /**
     * How many points.
     *
     * @param placed that have a place
     * @param flat of these, that have no elevation
     * @param provisional of those that have a place, whose base is provisional
     */
    public record Counts(int placed, int flat, int provisional) {
        private Counts with(Stood stood, int more) {
            return stood.place().isEmpty() ? this : new Counts(placed + more,
                    flat + (stood.place().get().elevation().isEmpty() ? more : 0),
                    provisional + (stood.own().filter(Base::provisional).isPresent() ? more : 0));
        }
    }

    /** @param names how many @param again those that were stood on more than once */
    public record Times(int names, TreePSet<PointName> again) {
        private Times with(StoodOn key, int before, int now) {
            int more = Integer.compare(now, 0) - Integer.compare(before, 0);
            return new Times(names + more, now > 1 ? again.plus(key.name()) : again.minus(key.name()));
        }
    }

    private StoodKept with(Stood stood, int more) {
        return new StoodKept(places, counts.with(stood, more),
                stood.base().map(BaseHeard::frameYear).filter(year -> year > 0).map(year -> plus(frames, year, more)).orElse(frames),
                stood.base().filter(b -> stood.place().isPresent()).map(b -> plus(stations, b.station(), more)).orElse(stations), times);
    }

    private static PMap<Integer, Integer> plus(PMap<Integer, Integer> all, int key, int more) {
        int now = all.getOrDefault(key, 0) + more;
        return now == 0 ? all.minus(key) : all.plus(key, now);
    }

    public static StoodKept of(JobState state) {
        return state.kept(FOLD);
    }

    /** All points that receivers stood on, in the order of their entries. */
    public static Stream<Stood> all(JobState state) {
        return state.at(of(state).places(), StoodOn.class);
    }
}
