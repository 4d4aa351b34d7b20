package verge.app.stakeout;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.Instant;
import java.util.Optional;
import verge.app.words.Words;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.stakeout.Guidance;
import verge.core.units.Figures;
import verge.core.units.Length;

/**
 * Guidance in words, and in metres for the guide's drawing. On the wire all parts stand side by side.
 *
 * @param verdict what the limits say, in words
 * @param facingWords what forward means here
 * @param solvedMillis when the place was true from which it leads, in milliseconds since 1970; null where nobody says
 */
public record GuideView(@JsonUnwrapped Way way, @JsonUnwrapped Level level, @JsonUnwrapped Within within, @JsonUnwrapped Drawn drawn,
        String verdict, String facingWords, Long solvedMillis) {

    /**
     * Which way to go, and how far.
     *
     * @param distanceKind grid or ground, as the job tells distances
     * @param forwardWord 'Forward' or 'Back'
     * @param rightWord 'Right' or 'Left'
     */
    public record Way(String distance, String distanceKind, String forwardWord, String forward, String rightWord, String right) {
    }

    /**
     * How high.
     *
     * @param cutWord 'cut', 'fill', 'on grade', or empty where a height is missing
     * @param ground elevation of the place itself
     */
    public record Level(String cutWord, String cut, String ground) {
    }

    public record Within(boolean planWithin, boolean heightWithin, boolean done) {
    }

    /**
     * The same for the drawing, in metres of the grid.
     *
     * @param forwardMetres to go ahead, negative back
     * @param rightMetres to go right, negative left
     * @param facing azimuth of forward in radians
     */
    public record Drawn(double distanceMetres, double forwardMetres, double rightMetres, double planToleranceMetres, double facing) {
    }

    /** @param at when the place was true; absent where nobody says */
    public static GuideView of(JobState state, StakeoutAim aim, Position here, Optional<Instant> at) {
        Figures f = state.settings().figures();
        Guidance g = Guidance.towards(aim.design().position(), here, aim.facing(state), aim.tolerance());
        double told = state.toldPerGrid(aim.design().position());
        return new GuideView(
                new Way(f.length(g.distance().times(told)), state.settings().ground().distanceWord(),
                g.forward().metres() < 0 ? "Back" : "Forward", f.length(g.forward().abs().times(told)),
                g.right().metres() < 0 ? "Left" : "Right", f.length(g.right().abs().times(told))),
                new Level(g.cut().map(c -> cutWord(f, c)).orElse(""), g.cut().map(c -> f.length(c.abs())).orElse(""),
                here.elevation().map(e -> f.length(e.asLength())).orElse("")),
                new Within(g.planWithin(), g.heightWithin(), g.done()),
                new Drawn(g.distance().metres(), g.forward().metres(), g.right().metres(), aim.tolerance().plan().metres(),
                g.facing().radians()),
                verdict(f, aim, g), aim.facingWords(state, g.faced()), at.map(Instant::toEpochMilli).orElse(null));
    }

    private static String cutWord(Figures f, Length cut) {
        boolean nothing = f.bare(cut).chars().noneMatch(c -> c >= '1' && c <= '9');
        return nothing ? Words.of("guide.on-grade") : cut.metres() > 0 ? "cut" : "fill";
    }

    private static String verdict(Figures f, StakeoutAim aim, Guidance g) {
        Optional<Length> cut = g.cut();
        if (g.done()) {
            return cut.isPresent() ? Words.of("guide.within-both-tolerances") : Words.of("guide.within-the-plan-tolerance-this");
        }
        if (!g.planWithin() && !g.heightWithin()) {
            return Words.of("guide.still-outside-in-plan-and");
        }
        if (!g.planWithin()) {
            return Words.of("guide.plan-is-outside", f.length(aim.tolerance().plan()));
        }
        return cut.isPresent() ? Words.of("guide.height-is-outside-plan-is", f.length(aim.tolerance().height()))
                : Words.of("guide.the-design-has-an-elevation");
    }
}
