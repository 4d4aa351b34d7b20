package verge.app.stakeout;

import java.time.Instant;
import java.util.Optional;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.stakeout.Guidance;
import verge.core.units.Figures;
import verge.core.units.Length;

/**
 * Guidance in words, and in metres for the guide's drawing.
 *
 * @param distanceKind grid or ground, as the job tells distances
 * @param forwardWord 'Forward' or 'Back'
 * @param rightWord 'Right' or 'Left'
 * @param cutWord 'cut', 'fill', 'on grade', or empty where a height is missing
 * @param verdict what the limits say, in words
 * @param forwardMetres to go ahead, negative back
 * @param rightMetres to go right, negative left
 * @param facing azimuth of forward in radians
 * @param facingWords what forward means here
 * @param solvedMillis when the place was true from which it leads, in milliseconds since 1970; null where nobody says
 */
public record GuideView(String distance, String distanceKind, String forwardWord, String forward, String rightWord, String right,
        String cutWord,
        String cut, String ground, boolean planWithin, boolean heightWithin, boolean done, String verdict, double distanceMetres,
        double forwardMetres, double rightMetres, double planToleranceMetres, double facing, String facingWords, Long solvedMillis) {

    /** @param at when the place was true; absent where nobody says */
    public static GuideView of(JobState state, StakeoutAim aim, Position here, Optional<Instant> at) {
        Figures f = state.settings().figures();
        Guidance g = Guidance.towards(aim.design().position(), here, aim.facing(state), aim.tolerance());
        double told = state.toldPerGrid(aim.design().position());
        String forward = f.length(g.forward().abs().times(told));
        return new GuideView(f.length(g.distance().times(told)), state.settings().ground().distanceWord(),
                g.forward().metres() < 0 ? "Back" : "Forward", forward,
                g.right().metres() < 0 ? "Left" : "Right", f.length(g.right().abs().times(told)),
                g.cut().map(c -> cutWord(f, c)).orElse(""),
                g.cut().map(c -> f.length(c.abs())).orElse(""), here.elevation().map(e -> f.length(e.asLength())).orElse(""),
                g.planWithin(), g.heightWithin(), g.done(), verdict(f, aim, g), g.distance().metres(), g.forward().metres(),
                g.right().metres(), aim.tolerance().plan().metres(), g.facing().radians(), aim.facingWords(state, g.faced()),
                at.map(Instant::toEpochMilli).orElse(null));
    }

    private static String cutWord(Figures f, Length cut) {
        boolean nothing = f.bare(cut).chars().noneMatch(c -> c >= '1' && c <= '9');
        return nothing ? "on grade" : cut.metres() > 0 ? "cut" : "fill";
    }

    private static String verdict(Figures f, StakeoutAim aim, Guidance g) {
        Optional<Length> cut = g.cut();
        if (g.done()) {
            return cut.isPresent() ? "Within both tolerances." : "Within the plan tolerance; this design has no elevation.";
        }
        if (!g.planWithin() && !g.heightWithin()) {
            return "Still outside in plan and height.";
        }
        if (!g.planWithin()) {
            return "Plan is outside " + f.length(aim.tolerance().plan()) + ".";
        }
        return cut.isPresent() ? "Height is outside " + f.length(aim.tolerance().height()) + ". Plan is in."
                : "The design has an elevation, but the station has none: height cannot be checked.";
    }
}
