package verge.app.fit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import verge.core.fit.Fitted;
import verge.core.fit.Mark;
import verge.core.fit.MarksFitted;
import verge.core.fit.Pair;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.settings.JobSettings;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.Length;

/**
 * What a fit comes to, for a page.
 *
 * @param residuals worst first
 * @param strangers marks that the others leave out, in words; empty if there are none
 * @param searched marks that are not yet found, or were found where they do not belong, with where to search for them
 * @param names how the fitted positions would be called: all of them, or none
 */
record FitView(String move, String heights, List<String> quality, List<Residual> residuals, String strangers, List<Searched> searched, List<String> names, int group, Drawing drawing) {
    private static final int MOST_SHOWN = 300;
    /** Residuals are drawn so many times as long as they are. */
    private static final double DRAWN_TIMES = 100;
    private static final double PER_CENT = 100;

    /** @param number of its line among the pairs, from 0 @param counts for what alone, or 'out'; empty if for all @param controlled in per cent @param suspect whether it is outside what chance allows */
    record Residual(int number, String computed, String found, String counts, String north, String east, String height, String standardised, String controlled, boolean suspect) {
        private static final double ONCE_IN_A_THOUSAND = 3.29;

        static Residual of(int number, MarksFitted.Paired said, Pair pair, Fitted.Residual left, Figures f) {
            double worst = Math.max(left.standardised(), left.standardisedHeight());
            return new Residual(number, pair.computed().name(), pair.found().name(), said.inPlan() && said.inHeight() ? "" : said.inPlan() ? "plan" : said.inHeight() ? "height" : "out", f.bare(new Length(left.north())), f.bare(new Length(left.east())),
                    left.height().isPresent() ? f.bare(new Length(left.height().getAsDouble())) : "", worst == 0 ? "" : Decimals.print(worst, 1), left.controlled() == 0 ? "" : Decimals.print(PER_CENT * left.controlled(), 0) + " %", worst > ONCE_IN_A_THOUSAND);
        }
    }

    record Searched(String name, String place, String sigma, String radius) {
    }

    /** @param misfits from where a mark was found, [east, north] twice, longer than they are */
    record Drawing(List<double[]> fitted, List<double[]> searched, List<List<double[]>> misfits) {
    }

    static FitView of(FitService.Work work, JobSettings settings) {
        Figures f = settings.figures();
        MarksFitted.Came came = work.came();
        List<Residual> residuals = new ArrayList<>();
        List<List<double[]>> misfits = new ArrayList<>();
        came.fitted().ifPresent(fitted -> {
            for (int i = 0; i < came.pairs().size(); i++) {
                Fitted.Residual left = fitted.residuals().get(i);
                residuals.add(Residual.of(i, work.said().pairs().get(i), came.pairs().get(i), left, f));
                GridPoint found = came.pairs().get(i).found().position().plan();
                misfits.add(List.of(at(found), at(found.plus(-DRAWN_TIMES * left.north(), -DRAWN_TIMES * left.east()))));
            }
            residuals.sort(Comparator.comparingDouble((Residual r) -> -Math.max(fitted.residuals().get(r.number()).standardised(), fitted.residuals().get(r.number()).standardisedHeight()))
                    .thenComparingDouble(r -> -fitted.residuals().get(r.number()).plan()));
        });
        Set<Integer> found = work.said().found();
        List<Integer> missing = IntStream.range(0, came.marks().size()).filter(i -> !found.contains(i)).limit(MOST_SHOWN).boxed().toList();
        List<String> names = came.pairs().stream().map(p -> p.computed().name() + " = " + p.found().name()).toList();
        return new FitView(FitWords.move(came, settings), FitWords.heights(came, f), came.fitted().map(fitted -> FitWords.quality(fitted, f)).orElse(List.of()), residuals,
                came.fitted().filter(fitted -> !fitted.strangers().isEmpty()).map(fitted -> FitWords.strangers(fitted, names)).orElse(""),
                missing.stream().map(i -> searched(came, came.marks().get(i), settings)).toList(), work.said().kept().stream().map(k -> k.name().text()).toList(), came.marks().size(),
                new Drawing(found.stream().map(i -> at(came.place(came.marks().get(i).position()).plan())).toList(), missing.stream().map(i -> at(came.place(came.marks().get(i).position()).plan())).toList(), misfits));
    }

    private static Searched searched(MarksFitted.Came came, Mark mark, JobSettings settings) {
        Position place = came.place(mark.position());
        Figures f = settings.figures();
        return new Searched(mark.name(), settings.place(place), came.fitted().map(fitted -> f.small(new Length(fitted.sigma(mark.position().plan())))).orElse(""),
                came.fitted().map(fitted -> f.small(new Length(fitted.searchRadius(mark.position().plan())))).orElse(""));
    }

    private static double[] at(GridPoint place) {
        return new double[] {place.easting(), place.northing()};
    }
}
