package verge.core.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import verge.core.geodesy.GridPoint;
import verge.core.problem.SurveyException;

/**
 * Which pairs do not belong, read robustly: of all exact fits of two pairs that one is taken which most others agree with. Least squares would spread the error of one mark over
 * all of them.
 */
final class Strangers {
    /** In standard deviations of the difference of two marks, of which three in ten thousand are farther off. */
    private static final double AGREES = 4;
    /** So many agree by themselves only if they belong together. */
    private static final int LEAST_AGREEING = 3;
    private static final int MOST_TRIED = 60;

    private Strangers() {
    }

    /** By their numbers; none where no three agree, or all do. */
    static List<Integer> of(List<Pair> pairs, FitSettings settings) {
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
