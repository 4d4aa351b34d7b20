package verge.app.fit;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import verge.app.check.FindingWords;
import verge.app.job.Job;
import verge.core.fit.MarksFitted;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.transformation.Fitted;
import verge.core.geodesy.transformation.Mark;
import verge.core.settings.JobSettings;
import verge.core.units.Figures;
import verge.core.units.Length;

/**
 * What a fit comes to, for a page.
 *
 * @param residuals worst first
 * @param reach where the fit holds badly, in words; empty if it holds well everywhere
 * @param odd marks that do not belong, a sentence each
 * @param searched marks that are not yet found, or were found where they do not belong, with where to search for them
 * @param names how the fitted positions would be called: all of them, or none
 * @param into the other job in which they would be; empty for this one
 * @param before how far the pairs lie apart before and after; empty without pairs
 */
record FitView(String move, String heights, List<String> quality, List<Leftover.Residual> residuals, List<String> odd, String reach,
        List<Searched> searched, List<String> names, String into, int group, String before, Drawing drawing) {
    private static final int MOST_SHOWN = 300;
    private static final double FAR_IN_SIZES = 3;

    record Searched(String name, String place, String sigma, String radius) {
    }

    /**
     * @param misfits from where a mark was found, [east, north] twice, longer than they are
     * @param moves from where a mark lay to where it comes to lie, where that is near
     */
    record Drawing(List<double[]> fitted, List<double[]> searched, List<List<double[]>> misfits, List<List<double[]>> moves) {
    }

    static FitView of(FitService.Work work, JobSettings settings) {
        Figures f = settings.figures();
        MarksFitted.Came came = work.came();
        Leftover leftover = Leftover.of(came.pairs(), came.moved().residuals(), came.fitted().map(Fitted::odd).orElse(Fitted.Odd.NONE), f);
        Set<Integer> found = work.said().found();
        List<Integer> missing = IntStream.range(0, came.marks().size()).filter(i -> !found.contains(i)).limit(MOST_SHOWN).boxed().toList();
        List<String> names = came.pairs().stream().map(p -> p.computed().name() + " = " + p.found().name()).toList();
        return new FitView(FitWords.move(came, settings), FitWords.heights(came, f),
                came.fitted().map(fitted -> FitWords.quality(fitted, f))
                .orElseGet(() -> came.moved().tests().isEmpty() ? List.of() : FitWords.quality(came.moved().tests())), leftover.residuals(),
                came.fitted().map(fitted -> FitWords.odd(fitted, names)).orElse(List.of()), FitWords.reach(came, f),
                missing.stream().map(i -> searched(came, i, settings)).toList(),
                work.said().kept().stream().map(k -> k.name().text()).toList(), work.into().map(Job::name).orElse(""), came.marks().size(),
                before(came, f),
                new Drawing(found.stream().map(i -> at(came.place(i).plan())).toList(),
                missing.stream().map(i -> at(came.place(i).plan())).toList(), leftover.misfits(), moves(came)));
    }

    private static Searched searched(MarksFitted.Came came, int number, JobSettings settings) {
        Mark mark = came.marks().get(number);
        Position place = came.place(number);
        Figures f = settings.figures();
        return new Searched(mark.name(), settings.place(place), came.fitted()
                .map(fitted -> f.small(new Length(fitted.sigma(mark.position().plan())))).orElse(""),
                came.fitted().map(fitted -> f.small(new Length(fitted.searchRadius(mark.position().plan())))).orElse(""));
    }

    /** Over all pairs that count in plan, as the root of their mean square. */
    private static String before(MarksFitted.Came came, Figures f) {
        if (came.pairs().isEmpty()) {
            return "";
        }
        int[] counting = IntStream.range(0, came.pairs().size()).filter(i -> came.pairs().get(i).inPlan()).toArray();
        double apart = Arrays.stream(counting).mapToObj(came.pairs()::get)
                .mapToDouble(p -> Math.pow(p.computed().position().plan().distanceMetres(p.found().position().plan()), 2)).average()
                .orElse(0);
        double left = Arrays.stream(counting).mapToDouble(i -> Math.pow(came.moved().residuals().get(i).plan(), 2)).average().orElse(0);
        return "The pairs lie " + FindingWords.distance(new Length(Math.sqrt(apart)), f) + " apart before, "
                + f.length(new Length(Math.sqrt(left))) + " after.";
    }

    /** A group from far away has no line to where it comes: it would cross the sheet. */
    private static List<List<double[]>> moves(MarksFitted.Came came) {
        double size = came.marks().stream().mapToDouble(m -> m.position().plan().distanceMetres(came.marks().get(0).position().plan()))
                .max().orElse(0);
        return IntStream.range(0, Math.min(MOST_SHOWN, came.marks().size()))
                .filter(i -> came.place(i).plan().distanceMetres(came.marks().get(i).position().plan()) < FAR_IN_SIZES * size)
                .mapToObj(i -> List.of(at(came.marks().get(i).position().plan()), at(came.place(i).plan()))).toList();
    }

    static double[] at(GridPoint place) {
        return new double[] {place.easting(), place.northing()};
    }
}
