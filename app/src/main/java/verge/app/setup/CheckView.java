package verge.app.setup;

import java.util.List;
import java.util.Optional;
import verge.core.reduction.FirstVelocity;
import verge.core.reduction.Step;
import verge.core.setup.KnownPointSetup;
import verge.core.units.Decimals;
import verge.core.units.Figures;

/**
 * A backsight's check against control in the job's figures.
 *
 * @param height empty like its limit if a mark has no elevation
 */
record CheckView(String station, String backsight, String azimuth, String direction, String zenith, String slope, String ppm, String distance, String distanceLimit,
        boolean distanceWithin, String height, String heightLimit, boolean heightWithin, boolean within, String verdict, List<StepLine> steps) {

    /** One step of the distance's reduction. */
    record StepLine(String name, String after) {
    }

    static CheckView of(SetupService.Proposal p, Figures f) {
        KnownPointSetup.Result r = p.solved();
        Optional<KnownPointSetup.Check> height = r.height();
        double ppm = FirstVelocity.ppm(p.written().precision().distanceMeter(), p.written().air());
        return new CheckView(p.written().station().text(), p.written().backsight().text(), f.direction(r.azimuth()),
                f.circle(p.written().reading().horizontalDirection()), f.circle(p.written().reading().zenith()),
                f.length(p.written().reading().slopeDistance()), Decimals.showSigned(ppm, 1) + " ppm", f.difference(r.distance().difference()), f.length(r.distance().limit()),
                r.distance().within(), height.map(h -> f.difference(h.difference())).orElse(""),
                height.map(h -> f.length(h.limit())).orElse(""), height.map(KnownPointSetup.Check::within).orElse(true), r.within(),
                verdict(r), r.shot().grid().steps().stream().map(s -> new StepLine(name(s.kind()), f.length(s.after()))).toList());
    }

    private static String verdict(KnownPointSetup.Result r) {
        boolean height = r.height().map(KnownPointSetup.Check::within).orElse(true);
        if (r.within()) {
            return r.height().isPresent() ? "Distance and height agree with control."
                    : "The distance agrees with control; the height cannot be checked, a mark has no elevation.";
        }
        if (!r.distance().within() && !height) {
            return "Neither distance nor height agrees with control: most likely the wrong mark, at one end or the other.";
        }
        return height ? "The distance does not agree with control: look at the prism constant, at the marks' names, or the mark has moved."
                : "The height does not agree with control: look at the instrument height and the target height.";
    }

    private static String name(Step.Kind kind) {
        return switch (kind) {
            case PRISM_CONSTANT -> "with prism constant";
            case ATMOSPHERE -> "through this air";
            case HORIZONTAL -> "horizontal, ground";
            case GRID_SCALE -> "horizontal, grid";
        };
    }
}
