package verge.core.geodesy.transformation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.Similarity;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;

/** Plans set out in a grid of their own and partly found again, with one mark moved and marks that are none of theirs. */
class MatchingTest {
    /** A plan with what of it was found, and how it truly lies. */
    private record Site(List<Mark> computed, List<Mark> found, List<String> truly, Similarity lies) {
    }

    private static Mark mark(String name, double north, double east) {
        return new Mark(name, new Position(new GridPoint(north, east), Optional.empty()));
    }

    /** @param parts of which one is found again */
    private static Site site(Random chance, int marks, int parts, double scale, boolean mirrored) {
        List<Mark> computed = new ArrayList<>();
        while (computed.size() < marks) {
            Mark next = mark("M" + computed.size(), 5_000 + 60 * chance.nextDouble(), 2_000 + 60 * chance.nextDouble());
            if (computed.stream().allMatch(m -> m.position().plan().distanceMetres(next.position().plan()) > 2)) {
                computed.add(next);
            }
        }
        Similarity lies = new Similarity(new GridPoint(5_030, 2_030), new GridPoint(6_314_490, 649_010),
                Angle.ofDegrees(360 * chance.nextDouble()), scale, mirrored);
        List<Integer> which = IntStream.range(0, marks).boxed().collect(Collectors.toList());
        Collections.shuffle(which, chance);
        int count = (int) Math.ceil((double) marks / parts);
        List<Mark> found = new ArrayList<>();
        List<String> truly = new ArrayList<>();
        for (int k = 0; k < count; k++) {
            GridPoint at = lies.place(computed.get(which.get(k)).position().plan());
            boolean moved = k == 0;
            double off = moved ? 0.1 + chance.nextDouble() : 0;
            double way = 2 * Math.PI * chance.nextDouble();
            found.add(mark("F" + k, at.northing() + 0.006 * chance.nextGaussian() + off * Math.cos(way),
                    at.easting() + 0.006 * chance.nextGaussian() + off * Math.sin(way)));
            if (!moved) {
                truly.add(computed.get(which.get(k)).name() + "=F" + k);
            }
        }
        for (int k = 0; k < 2; k++) {
            GridPoint at = lies.place(new GridPoint(5_000 + 60 * chance.nextDouble(), 2_000 + 60 * chance.nextDouble()));
            found.add(mark("X" + k, at.northing(), at.easting()));
        }
        Collections.shuffle(found, chance);
        return new Site(computed, found, truly.stream().sorted().toList(), lies);
    }

    private static List<String> named(List<Pair> pairs) {
        return pairs.stream().map(p -> p.computed().name() + "=" + p.found().name()).sorted().toList();
    }

    /** A third found, one of them moved by up to 1.1 m, two false finds. */
    @Test
    void theTrueMatchingOfTwoHundredPlansComesFirst() {
        Random chance = new Random(16);
        int first = 0;
        List<String> missed = new ArrayList<>();
        for (int round = 0; round < 200; round++) {
            int marks = 8 + chance.nextInt(33);
            Site site = site(chance, marks, 3, 1, false);
            List<Matching.Proposal> proposals = Matching.propose(site.computed(), site.found(), FitSettings.USUAL, 5);
            boolean right = !proposals.isEmpty() && named(proposals.get(0).pairs()).containsAll(site.truly()) && proposals.get(0)
                    .similarity().place(new GridPoint(5_030, 2_030)).distanceMetres(site.lies().to()) < 0.1;
            first += right ? 1 : 0;
            if (!right) {
                missed.add(marks + ": " + site.truly() + " " + proposals.stream()
                        .map(p -> named(p.pairs()) + " " + named(p.moved()) + " " + Math.round(p.score())).limit(2).toList());
            }
        }
        assertThat(first).as(String.join("\n", missed)).isGreaterThanOrEqualTo(190);
    }

    private static FitSettings settings(OptionalDouble scale, boolean mirrored) {
        return new FitSettings(scale, OptionalInt.empty(), FitSettings.Heights.LEAVE, mirrored, 0.01, 0.01);
    }

    /** A group in feet fits only where its scale is free, and says which; a mirror image only where it may be mirrored. */
    @Test
    void feetAndMirrorImagesAreFoundOutWhereTheyAreAllowed() {
        Random chance = new Random(3);
        Site feet = site(chance, 20, 2, 0.3048, false);
        assertThat(Matching.propose(feet.computed(), feet.found(), settings(OptionalDouble.empty(), false), 1).get(0)).satisfies(p -> {
            assertThat(named(p.pairs())).containsAll(feet.truly());
            assertThat(p.similarity().scale()).isBetween(0.304, 0.3056);
        });
        assertThat(Matching.propose(feet.computed(), feet.found(), FitSettings.USUAL, 1))
                .allSatisfy(p -> assertThat(p.pairs().size()).isLessThan(5));
        Site mirrored = site(chance, 20, 2, 1, true);
        assertThat(named(Matching.propose(mirrored.computed(), mirrored.found(), settings(OptionalDouble.of(1), true), 1).get(0).pairs()))
                .containsAll(mirrored.truly());
        assertThat(Matching.propose(mirrored.computed(), mirrored.found(), FitSettings.USUAL, 1))
                .allSatisfy(p -> assertThat(p.pairs().size()).isLessThan(5));
        Site solved = site(chance, 20, 2, 1.0004, false);
        assertThat(named(Matching.propose(solved.computed(), solved.found(), settings(OptionalDouble.empty(), false), 1).get(0).pairs()))
                .containsAll(solved.truly());
    }

    /** Two groups that have nothing to do with each other: what agrees by chance is few, and said so. */
    @Test
    void whatDoesNotBelongTogetherDoesNotMatch() {
        Random chance = new Random(9);
        for (int round = 0; round < 20; round++) {
            Site one = site(chance, 20, 2, 1, false);
            Site other = site(chance, 20, 2, 1, false);
            assertThat(Matching.propose(one.computed(), other.found(), FitSettings.USUAL, 3))
                    .allSatisfy(p -> assertThat(p.pairs().size()).isLessThan(4));
            assertThat(Matching.mostAgreeing(one.computed(), other.found(), FitSettings.USUAL)).isLessThan(5);
        }
        Site large = site(chance, 300, 3, 1, false);
        assertThatThrownBy(() -> Matching.propose(large.computed(), large.found(), FitSettings.USUAL, 1))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.MATCHING_TOO_LARGE));
        assertThat(Matching.propose(List.of(mark("a", 0, 0)), List.of(mark("b", 0, 0)), FitSettings.USUAL, 3)).isEmpty();
        assertThat(Matching.propose(List.of(mark("a", 0, 0), mark("b", 0, 0), mark("c", 0, 0)),
                List.of(mark("d", 1, 1), mark("e", 1, 1), mark("f", 1, 1)), FitSettings.USUAL, 3)).isEmpty();
    }
}
