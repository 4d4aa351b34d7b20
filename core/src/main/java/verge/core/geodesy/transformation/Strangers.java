package verge.core.geodesy.transformation;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Similarity;
import verge.core.problem.SurveyException;

/**
 * Which pairs do not belong, read robustly: of all exact fits of two pairs that one is taken which most others agree with. Least squares would spread the error of one mark over
 * all of them. Where no pair stands apart so plainly and yet more is left over than was promised, the worst is left out, one after another, until the others are as good as they
 * should be.
 */
final class Strangers {
    /** In standard deviations of the difference of two marks, of which three in ten thousand are farther off. */
    private static final double AGREES = 4;
    /** So many agree by themselves only if they belong together. */
    private static final int LEAST_AGREEING = 3;
    private static final int MOST_TRIED = 60;
    /** One in so many: if more would have to go, all are worse than was said. */
    private static final int ONE_LEFT_OUT_IN = 4;
    /** Standardised: one residual in a thousand is larger by chance. */
    private static final double TOO_LARGE = 3.29;
    /** With fewer left over the others agree with whatever they are. */
    private static final int LEAST_REDUNDANCY = 2;

    private Strangers() {
    }

    /** By their numbers; none where no three agree, or all do. @param all the fit of all of them */
    static List<Integer> of(List<Pair> pairs, FitSettings settings, Fitted all) {
        List<Integer> plain = standingApart(pairs, settings);
        return plain.isEmpty() && !all.plan().passes() && pairs.size() <= MOST_TRIED ? oneByOne(pairs, settings, all) : plain;
    }

    /** None unless the others pass without them. */
    private static List<Integer> oneByOne(List<Pair> pairs, FitSettings settings, Fitted all) {
        List<Pair> counting = new ArrayList<>(pairs);
        List<Integer> out = new ArrayList<>();
        Fitted now = all;
        long most = pairs.stream().filter(Pair::inPlan).count() / ONE_LEFT_OUT_IN;
        while (!now.plan().passes() && out.size() < most) {
            List<Fitted.Residual> left = now.residuals();
            int worst = IntStream.range(0, pairs.size()).filter(i -> counting.get(i).inPlan()).boxed().max(Comparator.comparingDouble(i -> left.get(i).standardised())).orElseThrow();
            if (left.get(worst).standardised() < TOO_LARGE || now.plan().degreesOfFreedom() - 2 < LEAST_REDUNDANCY) {
                return List.of();
            }
            out.add(worst);
            Pair was = counting.get(worst);
            counting.set(worst, new Pair(was.computed(), was.found(), false, was.inHeight()));
            now = Fit.adjusted(counting, settings);
        }
        return now.plan().passes() ? out.stream().sorted().toList() : List.of();
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
                    List<Integer> agreeing = agreeing(pairs, counting, similarity, settings.sigma(), baseline(two));
                    double squares = agreeing.stream().mapToDouble(i -> Math.pow(misfit(pairs.get(i), similarity), 2)).sum();
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

    private static List<Integer> agreeing(List<Pair> pairs, int[] counting, Similarity similarity, double sigma, double baseline) {
        List<Integer> agreeing = new ArrayList<>();
        for (int i : counting) {
            // What two marks leave open in direction grows with the way from them.
            double away = pairs.get(i).found().position().plan().distanceMetres(similarity.to());
            double allowed = AGREES * sigma * Math.sqrt(1.5 + 2 * away * away / (baseline * baseline));
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
