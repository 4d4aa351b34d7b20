package verge.app.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import verge.core.coding.Code;
import verge.core.coding.Codebook;

class LegendTest {
    private static Codebook book(int codes) {
        return new Codebook("", IntStream.range(0, codes)
                .mapToObj(i -> new Codebook.Row(new Code("C" + i), "thing " + i, i % 2 == 0 ? Codebook.Kind.STRING : Codebook.Kind.POINT,
                Codebook.Surface.NONE,
                Codebook.Drawn.PLAIN, i % 3 == 0 ? "Yard" : i % 3 == 1 ? "Green" : "")).toList());
    }

    @Test
    void aShortLegendStandsOpenInTheBooksOrder() {
        List<Legend.Group> groups = Legend.of(book(24), Map.of());
        assertThat(groups).hasSize(1);
        assertThat(groups.get(0).title()).isEmpty();
        assertThat(groups.get(0).entries()).extracting(Legend.Entry::code).startsWith("C0", "C1", "C2").hasSize(24);
        assertThat(groups.get(0).entries()).extracting(Legend.Entry::line).startsWith("SOLID", null, "SOLID");
    }

    @Test
    void aLongOneStandsInGroupsWithTheMostUsedBeforeThem() {
        assertThat(Legend.of(book(25), Map.of())).extracting(Legend.Group::title, Legend.Group::open)
                .containsExactly(tuple("Yard", true), tuple("Green", false), tuple("Others", false));
        List<Legend.Group> used = Legend.of(book(25), Map.of(new Code("C7"), 2, new Code("C4"), 1, new Code("X"), 1));
        assertThat(used).extracting(Legend.Group::title).containsExactly("Most used here", "Yard", "Green", "Others");
        assertThat(used).extracting(Legend.Group::open).containsExactly(true, false, false, false);
        assertThat(used.get(0).entries()).extracting(Legend.Entry::code).containsExactly("C7", "C4");
    }
}
