package verge.app.strings;

import verge.core.strings.Bend;
import verge.core.strings.CurveKind;
import verge.core.strings.Run;
import verge.core.strings.Squaring;
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

    /** What squaring would come to. */
    static String squaring(Squaring squaring, Figures f) {
        return "its corner is off a right angle by " + f.small(squaring.misfit()) + " at the third point";
    }

    /** What flowing shots make, and how well. */
    static String run(Run run, Figures f) {
        if (run.straight()) {
            return "a straight piece, since they lie in one line";
        }
        String residual = run.curve() == CurveKind.ARC || run.curve() == CurveKind.BEST_ARC ? ", none farther off than "
                + f.small(new Length(run.largestResidual())) : "";
        return curve(run.curve()) + residual + (run.chosen() ? ", as chosen" : "");
    }
}
