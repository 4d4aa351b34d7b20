package verge.app.strings;

import verge.app.words.Words;
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
            case ARC -> Words.of("string.an-arc-through-three");
            case BEST_ARC -> Words.of("string.the-best-arc");
            case SMOOTH -> Words.of("string.a-smooth-curve");
            case STRAIGHT -> Words.of("string.straight-pieces");
        };
    }

    /** What squaring would come to. */
    static String squaring(Squaring squaring, Figures f) {
        return Words.of("string.its-corner-is-off-a", f.small(squaring.misfit()));
    }

    /** What flowing shots make, and how well. */
    static String run(Run run, Figures f) {
        if (run.straight()) {
            return Words.of("string.a-straight-piece-since-they");
        }
        String residual = run.curve() == CurveKind.ARC || run.curve() == CurveKind.BEST_ARC
                ? Words.of("string.none-farther-off-than", f.small(new Length(run.largestResidual()))) : "";
        return curve(run.curve()) + residual + (run.chosen() ? Words.of("string.as-chosen") : "");
    }
}
