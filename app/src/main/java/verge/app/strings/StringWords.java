package verge.app.strings;

import verge.core.strings.Bend;
import verge.core.strings.CurveKind;
import verge.core.strings.Run;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Strings in words. */
final class StringWords {
    private StringWords() {
    }

    static String bend(Bend bend) {
        return bend == Bend.CORNER ? "corner" : "flowing";
    }

    static String curve(CurveKind curve) {
        return switch (curve) {
            case ARC -> "an arc through three";
            case BEST_ARC -> "the best arc";
            case SMOOTH -> "a smooth curve";
            case STRAIGHT -> "straight pieces";
        };
    }

    /** What flowing shots make, and how well. */
    static String run(Run run, Figures f) {
        if (run.straight()) {
            return "they lie in one line: a straight piece";
        }
        String residual = run.curve() == CurveKind.ARC || run.curve() == CurveKind.BEST_ARC ? ", none farther off than " + f.small(new Length(run.largestResidual())) : "";
        return curve(run.curve()) + residual + (run.chosen() ? ", as chosen" : "");
    }
}
