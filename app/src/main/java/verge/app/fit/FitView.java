package verge.app.fit;

import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import verge.core.fit.MarksFitted;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.transformation.Mark;
import verge.core.settings.JobSettings;
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
record FitView(String move, String heights, List<String> quality, List<Leftover.Residual> residuals, String strangers, List<Searched> searched, List<String> names, int group, Drawing drawing) {
    private static final int MOST_SHOWN = 300;

    record Searched(String name, String place, String sigma, String radius) {
    }

    /** @param misfits from where a mark was found, [east, north] twice, longer than they are */
    record Drawing(List<double[]> fitted, List<double[]> searched, List<List<double[]>> misfits) {
    }

    static FitView of(FitService.Work work, JobSettings settings) {
        Figures f = settings.figures();
        MarksFitted.Came came = work.came();
        Leftover leftover = came.fitted().map(fitted -> Leftover.of(came.pairs(), fitted, f)).orElse(Leftover.NONE);
        Set<Integer> found = work.said().found();
        List<Integer> missing = IntStream.range(0, came.marks().size()).filter(i -> !found.contains(i)).limit(MOST_SHOWN).boxed().toList();
        List<String> names = came.pairs().stream().map(p -> p.computed().name() + " = " + p.found().name()).toList();
        return new FitView(FitWords.move(came, settings), FitWords.heights(came.lift(), f), came.fitted().map(fitted -> FitWords.quality(fitted, f)).orElse(List.of()), leftover.residuals(),
                came.fitted().filter(fitted -> !fitted.strangers().isEmpty()).map(fitted -> FitWords.strangers(fitted, names)).orElse(""),
                missing.stream().map(i -> searched(came, came.marks().get(i), settings)).toList(), work.said().kept().stream().map(k -> k.name().text()).toList(), came.marks().size(),
                new Drawing(found.stream().map(i -> at(came.place(came.marks().get(i).position()).plan())).toList(), missing.stream().map(i -> at(came.place(came.marks().get(i).position()).plan())).toList(), leftover.misfits()));
    }

    private static Searched searched(MarksFitted.Came came, Mark mark, JobSettings settings) {
        Position place = came.place(mark.position());
        Figures f = settings.figures();
        return new Searched(mark.name(), settings.place(place), came.fitted().map(fitted -> f.small(new Length(fitted.sigma(mark.position().plan())))).orElse(""),
                came.fitted().map(fitted -> f.small(new Length(fitted.searchRadius(mark.position().plan())))).orElse(""));
    }

    static double[] at(GridPoint place) {
        return new double[] {place.easting(), place.northing()};
    }
}
