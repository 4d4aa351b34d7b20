package verge.core.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalStateException;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.pcollections.HashTreePMap;
import org.pcollections.TreePMap;
import org.pcollections.TreePSet;
import org.pcollections.TreePVector;

/**
 * Chapters that cannot be reckoned together are refused, and so is what an entry may not say; a sheet that does not fit together is found
 * out.
 */
class SheetTest {
    private record Said(String word) implements Payload {
    }

    private record Base(int height) implements Payload {
    }

    private record Word(String word) implements Key<String> {
    }

    private record Heights() implements WholeKey<Integer> {
    }

    private record Depths() implements WholeKey<Integer> {
    }

    private static final Set<Class<? extends WholeKey<?>>> HEIGHTS = Set.of(Heights.class);
    private static final Set<Class<? extends WholeKey<?>>> DEPTHS = Set.of(Depths.class);
    private static final Chapter<Said> SAYING = Chapter.of(Said.class,
            (line, looks) -> Outcome.of(new Word(line.says().word()),
            line.says().word() + looks.wholeAll(new Heights()) + looks.all(new Word(line.says().word())).size()
            + looks.before(new Word("a")).orElse("")));
    private static final WholeChapter<Base> BASES = WholeChapter.of(Base.class, HEIGHTS, Set.of(),
            (line, looks) -> Outcome.of(new Heights(), line.says().height()));

    /** How many words of which length there are. */
    private static final Fold<Word, String, Map<Integer, Integer>> LENGTHS = new Fold<>() {
        @Override
        public Class<Word> of() {
            return Word.class;
        }

        @Override
        public Map<Integer, Integer> empty() {
            return Map.of();
        }

        @Override
        public Map<Integer, Integer> after(Map<Integer, Integer> kept, Word key, NavigableMap<Integer, String> before,
                NavigableMap<Integer, String> now) {
            Map<Integer, Integer> all = new HashMap<>(kept);
            before.values().forEach(word -> all.merge(word.length(), -1, Integer::sum));
            now.values().forEach(word -> all.merge(word.length(), 1, Integer::sum));
            all.values().removeIf(count -> count == 0);
            return Map.copyOf(all);
        }
    };

    private static List<Entry> entries(Payload... payloads) {
        List<Entry> entries = new ArrayList<>();
        for (Payload payload : payloads) {
            entries.add(new Entry(UUID.randomUUID(), entries.size() + 1, Instant.EPOCH, "x", "x", payload));
        }
        return entries;
    }

    private static Sheet.Kept kept(List<Entry> entries) {
        Wave wave = new Wave(new Sheet.Kept(Order.of(List.of(SAYING, BASES)), TreePVector.empty(), HashTreePMap.empty(),
                TreePVector.empty(), HashTreePMap.empty(), HashTreePMap.empty(), HashTreePMap.empty(),
                HashTreePMap.empty(), HashTreePMap.empty(), TreePVector.empty(), 0, Folds.empty(List.of(LENGTHS))));
        entries.forEach(wave::add);
        return wave.run();
    }

    @Test
    void whatWouldWaitForItselfIsRefused() {
        WholeChapter<Base> itself = WholeChapter.of(Base.class, HEIGHTS, HEIGHTS, (line, looks) -> Outcome.NOTHING);
        assertThatIllegalStateException().isThrownBy(() -> Sheet.blank(List.of(itself), List.of()))
                .withMessageContaining("wait for itself");
        WholeChapter<Base> one = WholeChapter.of(Base.class, HEIGHTS, DEPTHS, (line, looks) -> Outcome.NOTHING);
        WholeChapter<Said> other = WholeChapter.of(Said.class, DEPTHS, HEIGHTS, (line, looks) -> Outcome.NOTHING);
        assertThatIllegalStateException().isThrownBy(() -> Sheet.blank(List.of(one, other), List.of()))
                .withMessageContaining("wait for itself");
        assertThat(Sheet.blank(List.of(one, SAYING), List.of()).entries()).isEmpty();
    }

    /** What it may not say makes an entry unreckonable, and is not a sheet that hangs on the order. */
    @Test
    void whatAnEntryMayNotSayIsRefused() {
        refused(Chapter.of(Said.class, (line, looks) -> Outcome.of(new Word("a"), "x").and(new Word("b"), "y").and(new Word("a"), "x")),
                "given twice");
        refused(Chapter.of(Said.class, (line, looks) -> Outcome.of(new Heights(), 5)), "does not say that it provides");
        refused(WholeChapter.of(Said.class, DEPTHS, Set.of(), (line, looks) -> Outcome.of(new Heights(), 5)),
                "does not say that it provides");
        refused(WholeChapter.of(Said.class, DEPTHS, Set.of(), (line, looks) ->
                Outcome.of(new Depths(), looks.wholeAll(new Heights()).size())), "does not say that it waits");
    }

    private static void refused(Chapter<Said> chapter, String why) {
        assertThatThrownBy(() -> Sheet.blank(List.of(chapter, BASES), List.of()).with(entries(new Said("a"))))
                .isInstanceOf(Unreckonable.class).cause().hasMessageContaining(why);
    }

    /** Struck, corrected and brought back at random, at once and one by one: it fits together, and comes to the same. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
    void aSheetFitsTogetherWhicheverWayItCame(int seed) {
        List<Entry> all = random(seed);
        Sheet once = Sheet.blank(List.of(SAYING, BASES), List.of(LENGTHS)).with(all);
        Sheet parts = Sheet.blank(List.of(SAYING, BASES), List.of(LENGTHS));
        for (Entry entry : all) {
            parts = parts.with(List.of(entry));
        }
        assertThat(once.faults()).isEmpty();
        assertThat(parts.faults()).isEmpty();
        assertThat(parts.outcomes().toList()).isEqualTo(once.outcomes().toList());
        assertThat(parts.extent()).isEqualTo(once.extent());
        assertThat(parts.kept(LENGTHS)).isEqualTo(once.kept(LENGTHS)).isEqualTo(once.outcomes().flatMap(o -> o.values(Word.class))
                .collect(Collectors.toMap(String::length, word -> 1, Integer::sum)));
        assertThat(once.extent().entries()).isEqualTo(all.size());
        assertThat(once.extent().values()).isPositive();
        assertThat(once.extent().looks()).isPositive();
        assertThat(once.extent().amendments()).isPositive();
    }

    private static List<Entry> random(int seed) {
        Random chance = new Random(seed);
        List<Entry> all = new ArrayList<>(entries(new Base(3), new Said("a")));
        while (all.size() < 120) {
            UUID some = all.get(chance.nextInt(all.size())).id();
            Payload payload = switch (chance.nextInt(6)) {
                case 0 -> new Base(chance.nextInt(4));
                case 1 -> new Struck(some);
                case 2 -> new Restored(some);
                case 3 -> new Reworked(some, new Said(String.valueOf((char) ('a' + chance.nextInt(3)))), "");
                default -> new Said(String.valueOf((char) ('a' + chance.nextInt(3))));
            };
            all.add(new Entry(new UUID(seed, all.size()), all.size() + 1, Instant.EPOCH, "x", "x", payload));
        }
        return all;
    }

    /** Each thing that a sheet keeps, spoilt. */
    @Test
    void whatDoesNotFitTogetherIsFoundOut() {
        Sheet.Kept sound = kept(entries(new Base(3), new Said("a"), new Said("b"), new Said("a")));
        assertThat(new SheetCheck(sound).faults()).isEmpty();
        Key<?> heights = new Heights();
        spoilt(sound, "what is provided",
                k -> new Sheet.Kept(k.chapters(), k.entries(), k.numbers(), k.reckoned(),
                k.values().plus(heights, TreePMap.singleton(1, 4)), k.lookers(), k.strikes(), k.corrections(), k.kinds(), k.changes(),
                k.replayed(), k.folds()));
        spoilt(sound, "what is provided, where nothing is",
                k -> new Sheet.Kept(k.chapters(), k.entries(), k.numbers(), k.reckoned(),
                k.values().plus(new Word("z"), TreePMap.singleton(1, "z")), k.lookers(), k.strikes(), k.corrections(), k.kinds(),
                k.changes(), k.replayed(), k.folds()));
        spoilt(sound, "who looked", k ->
                new Sheet.Kept(k.chapters(), k.entries(), k.numbers(), k.reckoned(), k.values(),
                k.lookers().plus(new Reckoned.Look(Reckoned.Manner.WHOLE, heights), TreePSet.singleton(2)), k.strikes(), k.corrections(),
                k.kinds(), k.changes(), k.replayed(), k.folds()));
        spoilt(sound, "what was struck",
                k -> new Sheet.Kept(k.chapters(), k.entries(), k.numbers(), k.reckoned(), k.values(), k.lookers(),
                k.strikes().plus(k.entries().get(1).id(), TreePMap.singleton(4, true)), k.corrections(), k.kinds(), k.changes(),
                k.replayed(), k.folds()));
        spoilt(sound, "what was corrected",
                k -> new Sheet.Kept(k.chapters(), k.entries(), k.numbers(), k.reckoned(), k.values(), k.lookers(), k.strikes(),
                k.corrections().plus(k.entries().get(1).id(), TreePMap.singleton(4, new Said("q"))), k.kinds(), k.changes(), k.replayed(),
                k.folds()));
        spoilt(sound, "counted by kind",
                k -> new Sheet.Kept(k.chapters(), k.entries(), k.numbers(), k.reckoned(), k.values(), k.lookers(), k.strikes(),
                k.corrections(), k.kinds().plus(Said.class, new Sheet.Written(2, 4)), k.changes(), k.replayed(), k.folds()));
        spoilt(sound, "found by its id",
                k -> new Sheet.Kept(k.chapters(), k.entries(), k.numbers().plus(k.entries().get(0).id(), 3), k.reckoned(), k.values(),
                k.lookers(), k.strikes(), k.corrections(), k.kinds(), k.changes(), k.replayed(), k.folds()));
        spoilt(sound, "of the ordinal of its kind",
                k -> new Sheet.Kept(k.chapters(), k.entries(), k.numbers(),
                k.reckoned().with(1, new Reckoned(7, k.reckoned().get(1).outcome(), k.reckoned().get(1).looked())), k.values(), k.lookers(),
                k.strikes(), k.corrections(), k.kinds(), k.changes(), k.replayed(), k.folds()));
        spoilt(sound, "what is kept of values",
                k -> new Sheet.Kept(k.chapters(), k.entries(), k.numbers(), k.reckoned(), k.values(), k.lookers(), k.strikes(),
                k.corrections(), k.kinds(), k.changes(), k.replayed(), new Folds(k.folds().byKey(), Map.of(LENGTHS, Map.of(1, 7)))));
        spoilt(sound, "as many reckoned as entries",
                k -> new Sheet.Kept(k.chapters(), k.entries(), k.numbers(), k.reckoned().plus(k.reckoned().get(1)), k.values(), k.lookers(),
                k.strikes(), k.corrections(), k.kinds(), k.changes(), k.replayed(), k.folds()));
    }

    private static void spoilt(Sheet.Kept sound, String fault, Function<Sheet.Kept, Sheet.Kept> spoil) {
        assertThat(new SheetCheck(spoil.apply(sound)).faults()).anySatisfy(f -> assertThat(f).startsWith(fault));
    }
}
