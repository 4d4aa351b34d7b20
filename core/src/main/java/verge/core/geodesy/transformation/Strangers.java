package verge.core.geodesy.transformation;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import verge.core.adjustment.VarianceTest;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Similarity;
import verge.core.problem.SurveyException;

/**
 * Which pairs do not belong, in plan and in height. In plan read robustly: of all exact fits of two pairs that one is taken which most
 * others agree with. Least squares would spread the error of one mark over all of them. Where no pair stands apart so plainly and yet more
 * is left over than was promised, the worst is left out, one after another, until the others are as good as they should be. Who is named
 * must be the only one: where others fit as well once another is left out in its place, none of these is told from the other.
 */
final class Strangers {
    /** In standard deviations of the difference of two marks, of which three in ten thousand are farther off. */
    private static final double AGREES = 4;
    /** So many agree by themselves only if they belong together. */
    private static final int LEAST_AGREEING = 3;
    private static final int MOST_TRIED = 60;
    /** One in so many: if more would have to go, all are worse than was said. */
    private static final int ONE_LEFT_OUT_IN = 4;
    /** Of more than can be tried a few. */
    private static final int MOST_LEFT_OUT_OF_MANY = 3;
    /** Standardised: one residual in a thousand is larger by chance. */
    private static final double TOO_LARGE = 3.29;
    /** What is left over of sound marks is more than so in one of a thousand fits. */
    private static final double BY_CHANCE = 1e-3;

    /** What of a pair may be wrong. */
    private enum Part {
        PLAN {
            @Override
            boolean counts(Pair pair) {
                return pair.inPlan();
            }

            @Override
            Pair without(Pair pair) {
                return pair.withoutPlan();
            }

            @Override
            VarianceTest test(Fitted fitted) {
                return fitted.plan();
            }

            @Override
            double standardised(Fitted.Residual left) {
                return left.standardised();
            }
        },
        HEIGHT {
            @Override
            boolean counts(Pair pair) {
                return pair.countsInHeight();
            }

            @Override
            Pair without(Pair pair) {
                return pair.withoutHeight();
            }

            @Override
            VarianceTest test(Fitted fitted) {
                return fitted.height();
            }

            @Override
            double standardised(Fitted.Residual left) {
                return left.standardisedHeight();
            }
        };

        abstract boolean counts(Pair pair);

        abstract Pair without(Pair pair);

        abstract VarianceTest test(Fitted fitted);

        abstract double standardised(Fitted.Residual left);
    }

    private final List<Pair> pairs;
    private final FitSettings settings;
    private final Part part;
    private final List<Integer> counting;

    private Strangers(List<Pair> pairs, FitSettings settings, Part part) {
        this.pairs = pairs;
        this.settings = settings;
        this.part = part;
        counting = IntStream.range(0, pairs.size()).filter(i -> part.counts(pairs.get(i))).boxed().toList();
    }

    /** @param all the fit of all of them */
    static Fitted.Odd of(List<Pair> pairs, FitSettings settings, Fitted all) {
        Strangers plan = new Strangers(pairs, settings, Part.PLAN);
        List<Integer> apart = standingApart(pairs, settings);
        Verdict inPlan = apart.isEmpty() ? plan.leftOver(all) : plan.decided(apart);
        Verdict inHeight = new Strangers(pairs, settings, Part.HEIGHT).leftOver(all);
        return new Fitted.Odd(inPlan.named(), inPlan.undecided(), inHeight.named(), inHeight.undecided());
    }

    /** @param named who does not belong @param undecided of whom one does not, and nothing tells which */
    private record Verdict(List<Integer> named, List<Integer> undecided) {
        private static final Verdict NONE = new Verdict(List.of(), List.of());
    }

    /** The worst, one after another, until the others are as good as they should be; of too few to tell, all of whom one might be it. */
    private Verdict leftOver(Fitted all) {
        Set<Integer> out = new TreeSet<>();
        Fitted now = all;
        int most = counting.size() > MOST_TRIED ? MOST_LEFT_OUT_OF_MANY : counting.size() / ONE_LEFT_OUT_IN;
        while (!part.test(now).passes()) {
            Fitted left = now;
            int worst = counting.stream().filter(i -> !out.contains(i))
                    .max(Comparator.comparingDouble(i -> part.standardised(left.residuals().get(i)))).orElseThrow();
            Optional<Fitted> without = out.size() < most && part.standardised(left.residuals().get(worst)) >= TOO_LARGE
                    ? without(out, worst) : Optional.empty();
            if (without.isEmpty() || part.test(without.get()).degreesOfFreedom() == 0) {
                return out.isEmpty() ? oneOf() : Verdict.NONE;
            }
            out.add(worst);
            now = without.get();
        }
        return decided(List.copyOf(out));
    }

    /** Too few to leave one out and still see that the others agree: all without whom they would. */
    private Verdict oneOf() {
        List<Integer> might = counting.size() > MOST_TRIED ? List.of() : counting.stream().filter(i -> plausible(Set.of(), i)).toList();
        boolean agreed = might.size() == 1 && without(Set.of(), might.get(0)).filter(f -> part.test(f).degreesOfFreedom() > 0).isPresent();
        return agreed ? new Verdict(might, List.of())
                : new Verdict(List.of(), might.size() < counting.size() || counting.size() <= LEAST_AGREEING ? might : List.of());
    }

    /** Those in whose place no other could be left out as well. */
    private Verdict decided(List<Integer> strangers) {
        if (counting.size() > MOST_TRIED) {
            return new Verdict(strangers, List.of());
        }
        Set<Integer> undecided = new TreeSet<>();
        for (int stranger : strangers) {
            Set<Integer> rest = new TreeSet<>(strangers);
            rest.remove(stranger);
            List<Integer> others = counting.stream().filter(i -> !strangers.contains(i) && plausible(rest, i)).toList();
            if (!others.isEmpty()) {
                undecided.add(stranger);
                undecided.addAll(others);
            }
        }
        return new Verdict(strangers.stream().filter(i -> !undecided.contains(i)).toList(), List.copyOf(undecided));
    }

    /** Whether the others agree as sound marks do once one more is left out, or are too few to tell. */
    private boolean plausible(Set<Integer> out, int more) {
        return without(out, more).map(f -> part.test(f).isByChance(BY_CHANCE)).orElse(true);
    }

    private Optional<Fitted> without(Set<Integer> out, int more) {
        List<Pair> rest = IntStream.range(0, pairs.size())
                .mapToObj(i -> i == more || out.contains(i) ? part.without(pairs.get(i)) : pairs.get(i)).toList();
        try {
            return Optional.of(Fit.adjusted(rest, settings));
        } catch (SurveyException tooFew) {
            return Optional.empty();
        }
    }

    private static List<Integer> standingApart(List<Pair> pairs, FitSettings settings) {
        int[] counting = IntStream.range(0, pairs.size()).filter(i -> pairs.get(i).inPlan()).toArray();
        List<Integer> best = List.of();
        double bestSquares = Double.POSITIVE_INFINITY;
        int tried = Math.min(MOST_TRIED, counting.length);
        for (int a = 0; a < tried; a++) {
            for (int b = a + 1; b < tried; b++) {
                try {
                    List<Pair> two = List.of(pairs.get(counting[a]), pairs.get(counting[b]));
                    Similarity similarity = Fit.closed(two, settings.scale(), settings.mirrored());
                    List<Integer> agreeing = agreeing(pairs, counting, similarity, settings, two);
                    double squares = agreeing.stream()
                            .mapToDouble(i -> Math.pow(misfit(pairs.get(i), similarity) / pairs.get(i).sigma(settings), 2)).sum();
                    if (agreeing.size() > best.size() || agreeing.size() == best.size() && squares < bestSquares) {
                        best = agreeing;
                        bestSquares = squares;
                    }
                } catch (SurveyException onOneSpot) {
                    continue;   // two that say nothing of a direction
                }
            }
        }
        return best.size() < LEAST_AGREEING || best.size() == counting.length ? List.of() : without(counting, best);
    }

    private static List<Integer> without(int[] all, List<Integer> some) {
        return IntStream.of(all).boxed().filter(i -> !some.contains(i)).toList();
    }

    private static double baseline(List<Pair> two) {
        return two.get(0).found().position().plan().distanceMetres(two.get(1).found().position().plan());
    }

    /** @param two that the similarity was found by */
    private static List<Integer> agreeing(List<Pair> pairs, int[] counting, Similarity similarity, FitSettings settings, List<Pair> two) {
        double baseline = baseline(two);
        double ofTwo = 1 / two.get(0).weight(settings) + 1 / two.get(1).weight(settings);
        List<Integer> agreeing = new ArrayList<>();
        for (int i : counting) {
            // What two marks leave open in direction grows with the way from them.
            double away = pairs.get(i).found().position().plan().distanceMetres(similarity.to());
            double allowed = AGREES * Math.sqrt(1 / pairs.get(i).weight(settings) + ofTwo / 4
                    + ofTwo * away * away / (baseline * baseline));
            if (misfit(pairs.get(i), similarity) <= allowed) {
                agreeing.add(i);
            }
        }
        return agreeing;
    }

    private static double misfit(Pair pair, Similarity similarity) {
        GridPoint placed = similarity.place(pair.computed().position().plan());
        return placed.distanceMetres(pair.found().position().plan());
    }
}
