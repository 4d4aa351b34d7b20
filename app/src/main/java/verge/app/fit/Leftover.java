package verge.app.fit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.transformation.Fitted;
import verge.core.geodesy.transformation.Pair;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.Length;

/**
 * What a fit leaves over, for a page.
 *
 * @param residuals worst first
 * @param misfits from where a mark was found, [east, north] twice, longer than they are
 */
record Leftover(List<Leftover.Residual> residuals, List<List<double[]>> misfits) {
    static final Leftover NONE = new Leftover(List.of(), List.of());
    /** Residuals are drawn so many times as long as they are. */
    private static final double DRAWN_TIMES = 100;
    private static final double PER_CENT = 100;

    /**
     * @param number of its line among the pairs, from 0
     * @param counts for what alone, or 'out'; empty if for all
     * @param controlled in per cent
     * @param suspect whether it is said not to belong; where nobody is, whether it is outside what chance allows
     */
    record Residual(int number, String computed, String found, String counts, String north, String east, String height, String standardised,
            String controlled, boolean suspect) {
        private static final double ONCE_IN_A_THOUSAND = 3.29;

        static Residual of(int number, Pair pair, Fitted.Residual left, Fitted.Odd odd, Figures f) {
            boolean known = !Double.isNaN(left.north());   // without a height a mark has no place in space
            double worst = Math.max(left.standardised(), left.standardisedHeight());
            return new Residual(number, pair.computed().name(), pair.found().name(),
                    pair.inPlan() && pair.inHeight() ? "" : pair.inPlan() ? "plan" : pair.inHeight() ? "height" : "out",
                    known ? f.bare(new Length(left.north())) : "", known ? f.bare(new Length(left.east())) : "",
                    left.height().isPresent() ? f.bare(new Length(left.height().getAsDouble())) : "",
                    worst == 0 ? "" : Decimals.print(worst, 1), left.controlled() == 0 ? ""
                    : Decimals.print(PER_CENT * left.controlled(), 0) + " %",
                    suspect(number, left.standardised(), odd.inPlan(), odd.undecidedInPlan())
                    || suspect(number, left.standardisedHeight(), odd.inHeight(), odd.undecidedInHeight()));
        }

        /** One wrong mark makes others look wrong as well: once it is named they are not. */
        private static boolean suspect(int number, double standardised, List<Integer> named, List<Integer> undecided) {
            return named.isEmpty() && undecided.isEmpty() ? standardised > ONCE_IN_A_THOUSAND : named.contains(number)
                    || undecided.contains(number);
        }
    }

    /** @param left of each pair; none where nothing was fitted @param odd who does not belong */
    static Leftover of(List<Pair> pairs, List<Fitted.Residual> left, Fitted.Odd odd, Figures f) {
        if (left.isEmpty()) {
            return NONE;
        }
        List<Residual> residuals = new ArrayList<>(IntStream.range(0, pairs.size())
                .mapToObj(i -> Residual.of(i, pairs.get(i), left.get(i), odd, f)).toList());
        residuals.sort(Comparator.comparingDouble((Residual r) ->
                -Math.max(left.get(r.number()).standardised(), left.get(r.number()).standardisedHeight()))
                .thenComparingDouble(r -> -left.get(r.number()).plan()));
        List<List<double[]>> misfits = IntStream.range(0, pairs.size()).filter(i -> !Double.isNaN(left.get(i).north())).mapToObj(i -> {
            GridPoint found = pairs.get(i).found().position().plan();
            return List.of(FitView.at(found),
                    FitView.at(found.plus(-DRAWN_TIMES * left.get(i).north(), -DRAWN_TIMES * left.get(i).east())));
        }).toList();
        return new Leftover(residuals, misfits);
    }
}
