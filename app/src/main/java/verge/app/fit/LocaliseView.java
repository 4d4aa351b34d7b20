package verge.app.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verge.app.system.GeoidLibrary;
import verge.app.words.Words;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.Geoid;
import verge.core.geodesy.Lift;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.SystemText;
import verge.core.geodesy.transformation.Localisation;
import verge.core.geodesy.transformation.Pair;
import verge.core.settings.JobSettings;
import verge.core.units.Figures;
import verge.core.units.Length;

/**
 * What a localisation comes to, for a page.
 *
 * @param over the base system and the geoid
 * @param residuals worst first; none for somebody else's that came without its marks
 * @param odd marks that do not belong, a sentence each
 * @param reach what its marks span and what lies beyond
 * @param oddHeights what speaks against the kind of its heights; empty if nothing does
 * @param checks of somebody else's
 */
record LocaliseView(String name, String over, String move, String heights, List<String> quality, List<Leftover.Residual> residuals,
        List<String> odd, List<String> reach, String oddHeights, boolean handedOn, List<Check> checks, Drawing drawing) {
    /** EGM96 and the best models of a region differ by less. */
    private static final double MODELS_AGREE_METRES = 3;

    /** @param within whether measuring allows it */
    record Check(String pair, String north, String east, String height, boolean within) {
        static Check of(LocaliseService.Check check, double allowed, Figures f) {
            return new Check(check.pair().computed().name() + " = " + check.pair().found().name(), f.bare(new Length(check.north())),
                    f.bare(new Length(check.east())), check.height().isPresent() ? f.bare(new Length(check.height().getAsDouble())) : "",
                    check.worst() <= allowed);
        }
    }

    /** @param hull what the marks span, [east, north] each */
    record Drawing(List<double[]> fitted, List<double[]> searched, List<List<double[]>> misfits, List<double[]> hull) {
    }

    static LocaliseView of(LocaliseService.Work work, JobSettings settings, Geoid egm96) {
        CoordinateSystem.Localised system = work.system();
        Figures f = settings.figures();
        Optional<Localisation> evidence = work.evidence();
        List<Pair> known = system.ties().isEmpty() ? work.checks().stream().map(LocaliseService.Check::pair).toList() : system.ties();
        Leftover leftover = evidence.map(e -> Leftover.of(system.ties(), e.fitted().residuals(), e.fitted().odd(), f))
                .orElse(Leftover.NONE);
        List<String> names = system.ties().stream().map(t -> t.computed().name() + " = " + t.found().name()).toList();
        return new LocaliseView(system.name(), system.base().name() + over(system),
                known.isEmpty() ? FitWords.move(system.move(), Words.of("fitted.its-base-grids-origin"), settings)
                : FitWords.move(system.move(), known.stream().map(Pair::computed).toList(), settings),
                FitWords.heights(system.lift().orElse(Lift.NONE), f), evidence.map(e -> FitWords.quality(e.fitted(), f))
                .orElse(List.of(
                Words.of("fitted.it-came-without-the-marks"))),
                leftover.residuals(),
                evidence.map(e -> FitWords.odd(e.fitted(), names)).orElse(List.of()), reach(work, f), oddHeights(system, known, egm96, f),
                work.handedOn(),
                work.checks().stream().map(c -> Check.of(c, work.allowed(), f)).toList(), drawing(system, evidence, known, leftover));
    }

    private static String over(CoordinateSystem.Localised system) {
        return system.geoid() instanceof GeoidChoice.Grid g ? Words.of("fitted.heights-over", g.name())
                : system.geoid() instanceof GeoidChoice.Constant ? Words.of("fitted.heights-over-one-undulation") : system.lift()
                .isPresent() ? Words.of("fitted.heights-over-the-ellipsoid") : "";
    }

    private static List<String> reach(LocaliseService.Work work, Figures f) {
        List<String> said = new ArrayList<>();
        if (work.handedOn() && work.checks().size() == 1) {
            said.add(Words.of("fitted.one-mark-does-not-show"));
        }
        work.positions().filter(b -> b.count() > 0).ifPresent(b -> said.add(beyond(b, Words.of("fitted.positions-given"), f)));
        work.own().filter(b -> b.count() > 0).ifPresent(b -> said.add(beyond(b, Words.of("fitted.points-of-the-job"), f)));
        return said;
    }

    private static String beyond(LocaliseService.Beyond b, String what, Figures f) {
        return Words.of("fitted.of-lie-outside-what-the", b.count(), b.of(), what, f.length(new Length(b.metres())),
                b.worst() > FitWords.BADLY_KNOWN_METRES ? Words.of("fitted.it-is-known-to-only", f.length(new Length(b.worst()))) : "");
    }

    /** The site's zero against a model of the whole earth: heights taken for the other kind lie off by the undulation. */
    private static String oddHeights(CoordinateSystem.Localised system, List<Pair> known, Geoid egm96, Figures f) {
        if (system.lift().isEmpty() || known.isEmpty()) {
            return "";
        }
        Geographic place = SystemText.projection(system.base()).geographic(known.get(0).computed().position().plan());
        double model = egm96.undulation(place).orElse(0);
        double under = system.geoid() instanceof GeoidChoice.None ? 0 : system.geoid() instanceof GeoidChoice.Constant c ? c.metres()
                : model;
        double site = under - system.lift().get().at(system.move().place(known.get(0).computed().position().plan()));
        return Math.abs(site - model) <= MODELS_AGREE_METRES ? ""
                : Words.of("fitted.by-this-the-ellipsoid-lies", f.length(new Length(site)), GeoidLibrary.EGM96.name(),
                f.length(new Length(model)));
    }

    private static Drawing drawing(CoordinateSystem.Localised system, Optional<Localisation> evidence, List<Pair> known,
            Leftover leftover) {
        return new Drawing(known.stream().map(t -> FitView.at(system.move().place(t.computed().position().plan()))).toList(), List.of(),
                leftover.misfits(),
                evidence.map(e -> e.hull().corners().stream().map(FitView::at).toList()).orElse(List.of()));
    }
}
