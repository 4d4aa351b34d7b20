package verge.core.rework;

import java.time.Instant;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import verge.core.coding.Code;
import verge.core.coding.Naming;
import verge.core.coding.PointName;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.measure.Measured;
import verge.core.reading.Target;
import verge.core.reading.Targeted;
import verge.core.units.Length;

/**
 * Which entries are corrected together. What is left empty leaves none out.
 *
 * @param kinds of entry; none are taken of others
 * @param from first moment
 * @param to last moment, as it is typed to the minute or the second: all of it counts
 * @param leaf all that was read from it, and its setup
 * @param code of shots
 * @param prism constant that was taken for a target
 * @param names of points or marks
 */
public record Choice(Set<Class<? extends Payload>> kinds, Optional<Instant> from, Optional<Instant> to, Optional<UUID> leaf,
        Optional<Code> code, Optional<Length> prism, Set<PointName> names) {
    /** Finer than anybody tells a prism's constant. */
    private static final double SAME_PRISM_METRES = 5e-5;

    public Choice {
        kinds = Set.copyOf(kinds);
        names = Set.copyOf(names);
    }

    /** The entries that are taken, in their order. Struck ones are not. */
    public Stream<Entry> of(Journal journal) {
        return journal.entries().stream().filter(e -> kinds.contains(e.payload().getClass()) && !journal.state().isStruck(e.id()))
                .filter(e -> takes(journal, e, journal.counting(e)));
    }

    private boolean takes(Journal journal, Entry entry, Payload says) {
        return from.map(first -> !entry.at().isBefore(first)).orElse(true) && to.map(last -> !entry.at().isAfter(last)).orElse(true)
                && leaf.map(l -> entry.id().equals(l) || says.under().equals(leaf)).orElse(true)
                && code.map(c -> says instanceof Measured shot && shot.code().equals(c)).orElse(true)
                && prism.map(p -> says instanceof Targeted targeted && targeted.targets().anyMatch(this::isMeant)).orElse(true)
                && (names.isEmpty() || says instanceof Naming naming && naming.names().anyMatch(names::contains));
    }

    /** Whether a target within an entry that is taken is meant: one of several may have another prism. */
    boolean isMeant(Target target) {
        return prism.map(p -> Math.abs(p.metres() - target.prismConstant().metres()) < SAME_PRISM_METRES).orElse(true);
    }
}
