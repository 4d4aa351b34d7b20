package verge.core.gaps;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.geodesy.GridPoint;
import verge.core.strings.Edit;
import verge.core.strings.StringEdited;
import verge.core.support.Party;

/** What was forgotten is found where it is, and what was not is left in peace. */
class GapFinderTest {
    private static final Codebook BOOK =
            new Codebook("", List.of(row("GRD", Codebook.Kind.POINT, Codebook.Surface.GROUND, List.of(), List.of("yard")),
            row("KRB", Codebook.Kind.STRING, Codebook.Surface.BREAKLINE, List.of(), List.of("yard")),
            row("STP", Codebook.Kind.STRING, Codebook.Surface.BREAKLINE, List.of("STF"), List.of()),
            row("STF", Codebook.Kind.STRING, Codebook.Surface.NONE, List.of(), List.of()),
            row("BLD", Codebook.Kind.STRING, Codebook.Surface.NONE, List.of(), List.of()),
            row("LMP", Codebook.Kind.POINT, Codebook.Surface.NONE, List.of(), List.of("yard")),
            row("CAB", Codebook.Kind.POINT, Codebook.Surface.NONE, List.of(), List.of())));

    private final Party party = new Party();

    private static Codebook.Row row(String code, Codebook.Kind kind, Codebook.Surface surface, List<String> with, List<String> expected) {
        return new Codebook.Row(new Code(code), "", kind, surface, Codebook.Drawn.PLAIN, "", with.stream().map(Code::new).toList(),
                List.of(), expected);
    }

    private List<Gap> gaps() {
        return GapFinder.of(party.journal().state(), BOOK);
    }

    /** Ground shot every five metres, each a little off its node, but for the nodes within a circle. */
    private void ground(long seed, double north, double east, double radius) {
        Random hand = new Random(seed);
        for (int i = 2; i <= 14; i++) {
            for (int j = 2; j <= 14; j++) {
                if (Math.hypot(5 * i - north, 5 * j - east) >= radius) {
                    party.shoot("GRD", null, 5 * i + hand.nextDouble(-0.8, 0.8), 5 * j + hand.nextDouble(-0.8, 0.8), 0.2);
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void aHoleInTheGroundIsFoundAndNoOther(long seed) {
        ground(seed, 40, 45, 7);   // five nodes
        assertThat(gaps()).singleElement().satisfies(hole -> {
            assertThat(hole.kind()).isEqualTo(Gap.Kind.HOLE);
            assertThat(hole.at().orElseThrow().distanceMetres(new GridPoint(1040, 2045))).isLessThan(2.5);
            assertThat(hole.metres()).isBetween(5.5, 9.0);
        });
        for (int[] node : new int[][] {{40, 45}, {35, 45}, {45, 45}, {40, 40}, {40, 50}}) {
            party.shoot("GRD", null, node[0], node[1], 0.2);
        }
        assertThat(gaps()).isEmpty();
    }

    /**
     * A grid that is perfectly even, where a single node is missing; a breakline covers it as well as a shot, and a building needs none.
     */
    @Test
    void whatCoversGroundAndWhatNeedsNone() {
        for (int i = 0; i < 121; i++) {
            if (i != 60) {
                party.shoot("GRD", null, 10 + 5 * (i / 11), 10 + 5 * (i % 11), 0);
            }
        }
        assertThat(gaps()).singleElement()
                .satisfies(hole -> assertThat(hole.at().orElseThrow().distanceMetres(new GridPoint(1035, 2035)))
                .isCloseTo(0, within(1e-3)));
        UUID house = new UUID(0, 8);
        List.of(new double[] {32, 32}, new double[] {32, 38}, new double[] {38, 38}, new double[] {38, 32})
                .forEach(c -> party.shoot("BLD", house, c[0], c[1], 0));
        assertThat(gaps()).extracting(Gap::kind).containsExactly(Gap.Kind.HOLE, Gap.Kind.OPEN_END);
        party.add(new StringEdited(house, new Edit.Ring(true)));
        assertThat(gaps()).as("within a building nobody shoots the ground").isEmpty();
        party.add(new StringEdited(house, new Edit.Ring(false)));
        party.shoot("KRB", new UUID(0, 9), 36, 18, 0);
        party.shoot("KRB", new UUID(0, 9), 36, 52, 0);
        assertThat(gaps()).as("a kerb goes through it").extracting(Gap::kind).doesNotContain(Gap.Kind.HOLE);
    }

    @Test
    void theAreaOfInterestIsReachedOrTold() {
        ground(3, 0, 0, 0);
        assertThat(gaps()).isEmpty();
        party.add(new WorkBounded(List.of(new GridPoint(1010, 2010), new GridPoint(1010, 2120), new GridPoint(1070, 2120),
                new GridPoint(1070, 2010)), ""));
        assertThat(gaps()).isNotEmpty().allSatisfy(gap -> {
            assertThat(gap.kind()).isEqualTo(Gap.Kind.NOT_REACHED);
            assertThat(gap.at().orElseThrow().easting()).isGreaterThan(2070);
        });
        assertThat(gaps().get(0).at().orElseThrow().easting()).as("the farthest first").isGreaterThan(2110);
        party.add(new WorkBounded(List.of(new GridPoint(1010, 2010), new GridPoint(1010, 2030), new GridPoint(1030, 2030)), ""));
        assertThat(gaps()).isEmpty();
    }

    /** A hurried hand crosses its own line: all that it goes round is meant, the larger loop as well as the smaller. */
    @Test
    void anAreaWhoseOutlineCrossesItselfLosesNoPart() {
        ground(3, 0, 0, 0);
        for (boolean turned : new boolean[] {false, true}) {
            List<GridPoint> eight = new ArrayList<>(List.of(new GridPoint(1010, 2010), new GridPoint(1070, 2150), new GridPoint(1010, 2150),
                    new GridPoint(1070, 2010)));
            if (turned) {
                Collections.reverse(eight);
            }
            party.add(new WorkBounded(eight, ""));
            assertThat(gaps()).as("its eastern loop").anySatisfy(gap -> assertThat(gap.at().orElseThrow().easting()).isGreaterThan(2120));
        }
    }

    /** A book may come from anywhere. */
    @Test
    void whatNamesNoStringIsNoGap() {
        assertThatThrownBy(() -> new Gap(Gap.Kind.COMPANY, "KRB 1", "KRF", Optional.empty(), 2))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Gap(Gap.Kind.OPEN_END, new UUID(0, 1).toString(), "", Optional.empty(), 2))
                .isInstanceOf(IllegalArgumentException.class);
    }

    private void line(String code, UUID id, double... northEast) {
        for (int i = 0; i < northEast.length; i += 2) {
            party.shoot(code, id, northEast[i], northEast[i + 1], 0);
        }
    }

    @Test
    void endsThatMissEachOtherAreToldOnce() {
        line("KRB", new UUID(0, 1), 20, 10, 20, 20, 20, 30);
        line("KRB", new UUID(0, 2), 20, 38, 20, 48);
        line("KRB", new UUID(0, 3), 60, 10, 60, 20);        // far from all
        line("BLD", new UUID(0, 4), 24, 50, 30, 60);        // of another code, and not that near
        assertThat(gaps()).singleElement().satisfies(gap -> {
            assertThat(gap.kind()).isEqualTo(Gap.Kind.OPEN_END);
            assertThat(gap.metres()).isCloseTo(8, within(1e-3));
            assertThat(List.of(gap.about(), gap.other())).containsExactlyInAnyOrder(new UUID(0, 1).toString(), new UUID(0, 2).toString());
        });
        party.add(new GapPutAway(gaps().get(0), "a gateway"));
        assertThat(gaps()).isEmpty();
    }

    @Test
    void aRingThatWasNotClosedAndAJunction() {
        line("BLD", new UUID(0, 1), 20, 10, 20, 20, 30, 20, 30, 10, 21, 10);
        assertThat(gaps()).extracting(Gap::kind).containsExactly(Gap.Kind.OPEN_END);
        party.add(new StringEdited(new UUID(0, 1), new Edit.Ring(true)));
        assertThat(gaps()).isEmpty();
    }

    @Test
    void companyIsMissedByTheBookAndByHabit() {
        line("STP", new UUID(0, 1), 20, 10, 20, 20);
        line("STF", new UUID(0, 2), 20.3, 10, 20.3, 20);
        line("STP", new UUID(0, 3), 40, 10, 40, 20);
        for (int i = 0; i < 6; i++) {
            party.shoot("LMP", null, 60, 20 * i, 0);
            if (i != 4) {
                party.shoot("CAB", null, 60.8, 20 * i, 0);
            }
        }
        Map<String, String> missed = gaps().stream().filter(g -> g.kind() == Gap.Kind.COMPANY)
                .collect(Collectors.toMap(Gap::other, g -> g.at().map(p -> Math.round(p.northing()) + " " + Math.round(p.easting()))
                .orElse("")));
        assertThat(missed).containsOnly(Map.entry("STF", "1040 2020"), Map.entry("CAB", "1060 2080"));
    }

    @Test
    void whatTheWorkNearlyAlwaysHasIsExpected() {
        party.shoot("GRD", null, 20, 10, 0);
        assertThat(gaps()).isEmpty();
        party.add(new WorkBounded(List.of(), "yard"));
        assertThat(gaps()).extracting(Gap::other).containsExactly("KRB", "LMP");
        party.add(new GapPutAway(gaps().get(0), ""));
        assertThat(gaps()).extracting(Gap::other).containsExactly("LMP");
    }

    /** A place put away hides smaller holes there, and not the one that grows beyond it nor others. */
    @Test
    void whatIsPutAwayStaysAway() {
        ground(4, 40, 45, 7);
        Gap hole = gaps().get(0);
        party.add(new GapPutAway(hole, "the slipway"));
        assertThat(gaps()).isEmpty();
        party.shoot("GRD", null, hole.at().orElseThrow().northing() - 1000 + 2, hole.at().orElseThrow().easting() - 2000, 0);
        assertThat(gaps()).isEmpty();
    }

    @Test
    void nothingIsUsualYet() {
        List<Gap> all = new ArrayList<>();
        IntStream.range(0, 9).forEach(i -> {
            party.shoot("GRD", null, 10, 10 + 5 * i, 0);   // in one line: no triangle
            all.addAll(gaps());
        });
        assertThat(all).isEmpty();
    }
}
