package verge.core.rework;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import verge.core.job.Journal;
import verge.core.job.Moves;
import verge.core.journal.Entry;
import verge.core.leaf.CheckTaken;
import verge.core.leaf.Leaf;
import verge.core.leaf.StationSetUp;
import verge.core.setup.StationCheck;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * What a correction does to a job: what moves, what turns, what comes to be impossible.
 *
 * @param leaves setups that come to another place or orientation, or to none
 * @param checks checks that say something else than before whether their setup holds
 */
public record Consequences(Moves moves, List<OfLeaf> leaves, List<OfCheck> checks) {
    /** No digit of a leaf that is shown changes by less. */
    private static final double LEAST_METRES = 1e-5;
    private static final double LEAST_RADIANS = 1e-8;

    public Consequences {
        leaves = List.copyOf(leaves);
        checks = List.copyOf(checks);
    }

    /** @param after absent if the setup has no solution any more */
    public record OfLeaf(Leaf before, Optional<Leaf> after) {
        public Optional<Length> moved() {
            return after.map(a -> new Length(a.station().occupation().station().plan()
                    .distanceMetres(before.station().occupation().station().plan())));
        }

        /** Clockwise positive. */
        public Optional<Angle> turned() {
            return after.map(a -> a.station().orientation().minus(before.station().orientation()).halfCircle());
        }

        private boolean matters() {
            return after.isEmpty() || moved().orElseThrow().metres() > LEAST_METRES
                    || Math.abs(turned().orElseThrow().radians()) > LEAST_RADIANS;
        }
    }

    /** @param after absent if the setup or the mark is not there any more */
    public record OfCheck(Entry entry, CheckTaken taken, Optional<StationCheck> before, Optional<StationCheck> after) {
        private boolean matters() {
            return !before.map(StationCheck::within).equals(after.map(StationCheck::within));
        }
    }

    /** @param after what a journal came to by a few entries more */
    public static Consequences between(Journal before, Journal after) {
        List<Entry> changed = after.changedSince(before.entries().size()).orElseGet(after::entries).stream()
                .filter(e -> e.sequence() <= before.entries().size()).toList();
        List<OfLeaf> leaves = new ArrayList<>();
        List<UUID> checks = new ArrayList<>();
        for (Entry entry : changed) {
            if (entry.payload() instanceof StationSetUp) {
                before.state().leaves().find(entry.id()).map(leaf -> new OfLeaf(leaf, after.state().leaves().find(entry.id())))
                        .filter(OfLeaf::matters)
                        .ifPresent(leaves::add);
                checks.addAll(before.state().leaves().checks(entry.id()));
            } else if (entry.payload() instanceof CheckTaken) {
                checks.add(entry.id());
            }
        }
        return new Consequences(Moves.between(before.state(), after.state()), leaves,
                checks.stream().distinct().map(id -> check(before, after, id)).filter(OfCheck::matters).toList());
    }

    private static OfCheck check(Journal before, Journal after, UUID id) {
        Entry entry = before.entry(id).orElseThrow();
        CheckTaken then = (CheckTaken) before.counting(entry);
        CheckTaken now = (CheckTaken) after.counting(entry);
        return new OfCheck(entry, now, before.state().check(then), after.state().check(now));
    }
}
