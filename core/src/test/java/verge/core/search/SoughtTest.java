package verge.core.search;

import static org.assertj.core.api.Assertions.assertThat;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.coding.NaturalOrder;
import verge.core.search.Sought.Fit;

/** What was typed, held against what there is. */
class SoughtTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "krb|krb|SAME", "KRB 1|krb 1|SAME", "kr|krb|BEGINS", "1|krb 1|WORD", "rb|krb|WITHIN", "yard kerb|kerb of the yard|SCATTERED",
                    "x|krb|NOT",
            "a.*|a.*|SAME", "a.*|abc|NOT", "%|50 % off|WORD", "_|a1|NOT", "[|x[1]|WITHIN", "\\d|d|NOT",
            "m\u00fcller|muller|SAME", "MU\u0308LLER|muller|SAME", "stra\u00dfe|strasse|SAME", "\uff2b\uff12|k2|SAME",
            "\u200fT1\u200e|t1|SAME",
            "'  two   blanks '|two blanks|SAME", "'two\u00a0blanks'|two blanks|SAME",
            "\u03bf\u03b4\u03bf\u03c2|\u03bf\u03b4\u03bf\u03c3|SAME"})
    void fits(String typed, String plain, Fit fit) {
        assertThat(Sought.of(typed).fit(Plain.of(plain))).isEqualTo(fit);
    }

    @Test
    void whatIsSaidOfAThingCountsForLessThanItsName() {
        assertThat(Sought.of("kerb").fit("KRB", "kerb")).isEqualTo(Fit.BEGINS);
        assertThat(Sought.of("kerb").fit("117", "kerb, dropped")).isEqualTo(Fit.WORD);
        assertThat(Sought.of("dropped").fit("117", "kerb, dropped")).isEqualTo(Fit.SCATTERED);
        assertThat(Sought.of("117 kerb").fit("117", "kerb, dropped")).isEqualTo(Fit.SCATTERED);
        assertThat(Sought.of("117 drain").fit("117", "kerb, dropped")).isEqualTo(Fit.NOT);
        assertThat(Sought.of("117").fit("117", "117 again")).isEqualTo(Fit.SAME);
    }

    @Test
    void aLongTextIsCutAndNothingFindsNothing() {
        assertThat(Sought.of("n".repeat(5000)).whole()).hasSize(Sought.LONGEST);
        assertThat(Sought.of(" \u200f ").isEmpty()).isTrue();
        assertThat(Index.EMPTY.with(Map.of(0, List.of(Findable.of(Findable.Kind.POINT, 0, "a", ""))))
                .search(Sought.of(""), 5, Index.Lately.NEVER))
                .isEmpty();
    }

    @Test
    void textThatIsPlainAlreadyIsTheSameAsTextThatIsMadeSo() {
        Random random = new Random(5);
        String signs = "aZ09 ._-/#+\u00e9\u0301\u00df\t";
        for (int i = 0; i < 2000; i++) {
            StringBuilder text = new StringBuilder();
            random.ints(random.nextInt(8), 0, signs.length()).forEach(at -> text.append(signs.charAt(at)));
            String slow = Normalizer.normalize(text, Normalizer.Form.NFKD).replaceAll("\\p{M}", "").toUpperCase(Locale.ROOT)
                    .toLowerCase(Locale.ROOT)
                    .replaceAll("\\s+", " ").strip();
            assertThat(Plain.of(text.toString())).isEqualTo(slow);
        }
    }

    /** Two hundred journals that grow and change, each searched and held against a plain reading of what it has then. */
    @Test
    void theIndexFindsWhatReadingAllOfItFinds() {
        for (int seed = 0; seed < 200; seed++) {
            Random random = new Random(seed);
            List<List<Findable>> all = new ArrayList<>();
            Index index = Index.EMPTY;
            for (int turn = 0; turn < 6; turn++) {
                Map<Integer, List<Findable>> changed = changed(random, all);
                index = index.with(changed);
                Sought sought = Sought.of(word(random));
                int most = 1 + random.nextInt(9);
                Map<Findable.Kind, Index.Best> found = index.search(sought, most, (kind, place, ordinal) -> place % 3);
                for (Findable.Kind kind : Findable.Kind.values()) {
                    List<Index.Found> plainly = plainly(all, kind, sought);
                    Index.Best best = found.getOrDefault(kind, Index.Best.NONE);
                    assertThat(best.total()).isEqualTo(plainly.size());
                    assertThat(best.found()).isEqualTo(plainly.subList(0, Math.min(most, plainly.size())));
                }
            }
        }
    }

    private static Map<Integer, List<Findable>> changed(Random random, List<List<Findable>> all) {
        Map<Integer, List<Findable>> changed = new HashMap<>();
        int more = random.nextInt(400);
        IntStream.range(0, more).forEach(i -> all.add(List.of()));
        Stream.concat(IntStream.range(all.size() - more, all.size()).boxed(),
                random.ints(all.isEmpty() ? 0 : 20, 0, Math.max(1, all.size())).boxed()).forEach(place -> {
            List<Findable> things = IntStream.range(0, random.nextInt(3))
                    .mapToObj(i -> Findable.of(Findable.Kind.values()[random.nextInt(3)], i, word(random),
                    random.nextBoolean() ? word(random) : "")).toList();
            all.set(place, things);
            changed.put(place, things);
        });
        return changed;
    }

    private static String word(Random random) {
        return "ABT .1".charAt(random.nextInt(6)) + "ab1".substring(random.nextInt(3))
                + (random.nextBoolean() ? " " + random.nextInt(30) : "");
    }

    private static List<Index.Found> plainly(List<List<Findable>> all, Findable.Kind kind, Sought sought) {
        Comparator<Index.Found> order = Comparator.comparing(Index.Found::fit).thenComparing(f -> f.place() % 3);
        Comparator<Index.Found> byName = Comparator.comparing(f -> f.thing().name(), NaturalOrder.INSTANCE);
        return IntStream.range(0, all.size()).boxed().flatMap(place -> all.get(place).stream().filter(f -> f.kind() == kind)
                .map(f -> new Index.Found(place, f, sought.fit(f.name(), f.more())))).filter(f -> f.fit() != Fit.NOT)
                .sorted(order.thenComparing(kind == Findable.Kind.POINT ? byName : Comparator.comparing(f -> -f.place()))
                .thenComparing(Index.Found::place)
                .thenComparing(f -> f.thing().ordinal())).toList();
    }
}
