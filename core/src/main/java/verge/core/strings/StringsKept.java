package verge.core.strings;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.pcollections.HashTreePMap;
import org.pcollections.HashTreePSet;
import org.pcollections.PMap;
import org.pcollections.PSet;
import org.pcollections.TreePSet;
import verge.core.coding.Code;
import verge.core.journal.Fold;
import verge.core.plan.Cell;
import verge.core.plan.Extent;

/**
 * Which strings a job has, without their vertices.
 *
 * @param briefs of those of which anything stands
 * @param open those that may go on
 * @param cells which lie near which square
 * @param anywhere those that are too long for squares, and those whose way only another tells
 */
public record StringsKept(PMap<UUID, Brief> briefs, TreePSet<Turn> open, PMap<Cell, PSet<UUID>> cells, PSet<UUID> anywhere) {
    private static final int MOST_CELLS = 64;

    public static final Fold<StepsOf, List<Step>, StringsKept> FOLD = new Fold<>() {
        @Override
        public Class<StepsOf> of() {
            return StepsOf.class;
        }

        @Override
        public StringsKept empty() {
            return new StringsKept(HashTreePMap.empty(), TreePSet.empty(), HashTreePMap.empty(), HashTreePSet.empty());
        }

        @Override
        public StringsKept after(StringsKept kept, StepsOf key, NavigableMap<Integer, List<Step>> before,
                NavigableMap<Integer, List<Step>> now) {
            Optional<SurveyString> string = SurveyString.of(key.string(), List.copyOf(now.values()));
            StringsKept without = kept.without(key.string());
            return string.map(s -> without.with(Brief.of(s, now.firstKey(), now.lastKey()))).orElse(without);
        }
    };

    /**
     * One string.
     *
     * @param first @param last the places of the entries that began it and that did something to it last
     * @param open whether it may go on
     * @param extent of its vertices; empty if it has none of its own
     */
    public record Brief(UUID id, StringName name, int first, int last, boolean open, Extent extent) {
        public Code code() {
            return name.code();
        }

        private static Brief of(SurveyString s, int first, int last) {
            Extent.Builder box = new Extent.Builder();
            s.vertices().forEach(v -> box.add(v.position().plan().northing(), v.position().plan().easting()));
            return new Brief(s.id(), s.name(), first, last, !s.ended() && s.hasOwnVertices(), box.build());
        }

        private Turn turn() {
            return new Turn(last, id);
        }

        /** Where it may run: an arc reaches beyond its vertices, but by no more than they lie apart. */
        private Extent reach() {
            double beyond = extent.diagonal();
            return new Extent(extent.south() - beyond, extent.west() - beyond, extent.north() + beyond, extent.east() + beyond);
        }

        private boolean mayMeet(Extent box) {
            return extent.isEmpty() || extent.distance(box) <= extent.diagonal();
        }
    }

    /** Whose turn it is: the one that something was done to last comes last. */
    public record Turn(int last, UUID id) implements Comparable<Turn> {
        @Override
        public int compareTo(Turn other) {
            return last != other.last ? Integer.compare(last, other.last) : id.compareTo(other.id);
        }
    }

    private StringsKept with(Brief brief) {
        Optional<List<Cell>> under = Cell.under(brief.reach(), MOST_CELLS);
        PMap<Cell, PSet<UUID>> near = cells;
        for (Cell cell : under.orElse(List.of())) {
            near = near.plus(cell, near.getOrDefault(cell, HashTreePSet.empty()).plus(brief.id()));
        }
        return new StringsKept(briefs.plus(brief.id(), brief), brief.open() ? open.plus(brief.turn()) : open, near,
                under.isEmpty() ? anywhere.plus(brief.id()) : anywhere);
    }

    private StringsKept without(UUID id) {
        Brief brief = briefs.get(id);
        if (brief == null) {
            return this;
        }
        PMap<Cell, PSet<UUID>> near = cells;
        for (Cell cell : Cell.under(brief.reach(), MOST_CELLS).orElse(List.of())) {
            PSet<UUID> others = near.get(cell).minus(id);
            near = others.isEmpty() ? near.minus(cell) : near.plus(cell, others);
        }
        return new StringsKept(briefs.minus(id), open.minus(brief.turn()), near, anywhere.minus(id));
    }

    /** Those that may lie on a box, in the order in which they were begun. */
    Stream<Brief> near(Extent box) {
        return Cell.under(box, MOST_CELLS).map(this::near).orElse(briefs.keySet()).stream().map(briefs::get).filter(b -> b.mayMeet(box))
                .sorted(Comparator.comparingInt(Brief::first).thenComparing(Brief::id));
    }

    private Collection<UUID> near(List<Cell> under) {
        Set<UUID> all = new HashSet<>(anywhere);
        under.forEach(cell -> all.addAll(cells.getOrDefault(cell, HashTreePSet.empty())));
        return new ArrayList<>(all);
    }
}
