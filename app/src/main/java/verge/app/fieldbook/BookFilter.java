package verge.app.fieldbook;

import java.time.Instant;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import verge.app.form.Answers;
import verge.app.journal.EntryWords;
import verge.core.coding.Naming;
import verge.core.job.Journal;
import verge.core.job.JobState;
import verge.core.journal.Entry;

/**
 * Which lines of a field book are asked for, as it was filled in: those that fit all that is said.
 *
 * @param kind as it stands beside a line; empty for any
 * @param person who wrote it; empty for anybody
 * @param point that it names or gave; empty for any
 * @param leaf that it stands on, by its entry
 * @param only struck, corrected or standing ones; empty for all
 * @param lines that have the text, by their places from 0; empty for any
 */
record BookFilter(String kind, String person, String point, Optional<UUID> leaf, Optional<Instant> from, Optional<Instant> to, String only,
        Optional<BitSet> lines) {
    static final List<String> FIELDS = List.of("text", "kind", "person", "point", "leaf", "from", "to", "only");

    /** @param lines those that have the text of the form. @throws verge.core.problem.SurveyException NOT_A_TIME, CHOICE_UNFIT */
    static BookFilter read(Answers a, JobState state, Optional<BitSet> lines) {
        return new BookFilter(a.text("kind"), a.text("person"), a.text("point").strip(), a.optionalId("leaf"),
                a.time("from", state.settings().work().zone()), a.timeUntil("to", state.settings().work().zone()), a.text("only"), lines);
    }

    static boolean isEmpty(Answers a) {
        return FIELDS.stream().allMatch(field -> a.text(field).isBlank());
    }

    boolean fits(Entry entry, Journal journal, EntryWords words) {
        return lines.filter(l -> !l.get((int) entry.sequence() - 1)).isEmpty() && from.filter(entry.at()::isBefore).isEmpty()
                && to.filter(entry.at()::isAfter).isEmpty() && (person.isEmpty() || person.equals(entry.person()))
                && (kind.isEmpty() || kind.equals(words.margin(entry))) && leaf.filter(l -> !isOf(l, entry)).isEmpty()
                && (point.isEmpty() || names(entry, journal).anyMatch(point::equalsIgnoreCase)) && isSo(entry, journal);
    }

    private static boolean isOf(UUID leaf, Entry entry) {
        return entry.id().equals(leaf) || entry.payload().under().equals(Optional.of(leaf));
    }

    private static Stream<String> names(Entry entry, Journal journal) {
        Stream<String> said = entry.payload() instanceof Naming naming ? naming.names().map(Object::toString) : Stream.empty();
        return Stream.concat(said, journal.state().points().of(entry.id()).stream().map(p -> p.name().text()));
    }

    private boolean isSo(Entry entry, Journal journal) {
        boolean struck = journal.state().isStruck(entry.id());
        return switch (only) {
            case "struck" -> struck;
            case "corrected" -> !journal.counting(entry).equals(entry.payload());
            case "standing" -> !struck;
            default -> true;
        };
    }
}
