package verge.app.leaf;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import verge.app.journal.InBook;
import verge.app.journal.TraceStep;
import verge.app.setup.SetupWords;
import verge.core.leaf.Leaf;
import verge.core.reading.Atmosphere;
import verge.core.reading.Face;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.reduction.ShotReduction;
import verge.core.reduction.Step;
import verge.core.setup.Conditions;
import verge.core.setup.ObservedPoint;
import verge.core.setup.Occupation;
import verge.core.setup.OrientedStation;
import verge.core.units.Decimals;
import verge.core.units.Figures;

/** A reading on its way to coordinates, step by step, in words. */
public final class ReductionSteps {
    private ReductionSteps() {
    }

    /** @return nothing if the leaf does not stand */
    public static List<TraceStep> of(InBook in, UUID setup, TotalStationReading reading, Target target) {
        return in.state().leaves().find(setup).map(leaf -> of(in, leaf, reading, target)).orElse(List.of());
    }

    private static List<TraceStep> of(InBook in, Leaf leaf, TotalStationReading reading, Target target) {
        Figures f = in.figures();
        Occupation here = leaf.station().occupation();
        Conditions conditions = here.conditions();
        ObservedPoint observed = leaf.station().observe(reading, target);
        ShotReduction.Result r = observed.reduction();
        OrientedStation.OnTheWay sigma = leaf.station().onTheWay(r);
        List<TraceStep> steps = new ArrayList<>();
        steps.add(new TraceStep("Read: direction, zenith angle, slope distance", in.circle(reading),
                SetupWords.seconds(conditions.precision().sigmaDirection()) + "  "
                + SetupWords.seconds(conditions.precision().sigmaZenith()) + "  " + f.small(sigma.slope())));
        if (!conditions.errors().equals(InstrumentErrors.NONE) || reading.face() != Face.ONE) {
            steps.add(new TraceStep("As face 1 without axis errors would read", f.circle(r.direction()) + "  " + f.circle(r.zenith())));
        }
        r.grid().steps().forEach(step ->
                steps.add(new TraceStep(words(step.kind(), conditions.air(), target), f.length(step.after()),
                f.small(isLevel(step.kind()) ? sigma.horizontal() : sigma.slope()))));
        steps.add(new TraceStep("Azimuth: direction and orientation of leaf " + leaf.number() + ", "
                + f.circle(leaf.station().orientation()), f.direction(leaf.station().azimuth(r.direction())),
                SetupWords.seconds(sigma.azimuth())));
        here.station().elevation().ifPresent(h ->
                steps.add(new TraceStep("Rise: instrument " + f.bare(here.instrumentHeight()) + " above " + leaf.written().station()
                + ", prism " + f.bare(target.height())
                + " above the point, curvature and refraction", f.difference(r.rise()), f.small(sigma.rise()))));
        String[] axes = {f.small(observed.sigma().north()), f.small(observed.sigma().east())};
        steps.add(new TraceStep("Coordinates, with all that is known of reading, leaf, centring and tape",
                in.state().settings().place(observed.position()),
                (f.axes().northFirst() ? axes[0] + "  " + axes[1] : axes[1] + "  " + axes[0]) + observed.position().elevation()
                .map(e -> "  " + f.small(observed.sigma().up())).orElse("")));
        return steps;
    }

    private static boolean isLevel(Step.Kind kind) {
        return kind == Step.Kind.HORIZONTAL || kind == Step.Kind.GRID_SCALE;
    }

    private static String words(Step.Kind kind, Atmosphere air, Target target) {
        return switch (kind) {
            case PRISM_CONSTANT -> "With the prism\u2019s constant, " + Figures.metric().small(target.prismConstant());
            case ATMOSPHERE -> "Through air of " + Decimals.show(air.temperatureCelsius(), 1) + " \u00b0C and "
                    + Decimals.show(air.pressureHectopascals(), 1) + " hPa";
            case HORIZONTAL -> "Horizontal, at the level of the station";
            case GRID_SCALE -> "In the grid";
        };
    }
}
