package verge.app.measure;

import verge.core.doubt.Doubt;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Doubts about a shot in words: what is seen, and what it may come from. */
final class DoubtWords {
    private DoubtWords() {
    }

    static String of(Doubt doubt, Figures f) {
        if (doubt instanceof Doubt.HeightJump jump) {
            return jump.to() + " lies " + distance(jump.off(), f) + (jump.off().metres() < 0 ? " below" : " above") + " where "
                    + jump.string() + " was heading from " + jump.from() + ". Is the pole still at " + f.length(jump.pole()) + "?";
        } else if (doubt instanceof Doubt.LongPiece piece) {
            return jumpFrom(piece) + " is " + distance(piece.length(), f) + " long, the longest piece of " + piece.string() + " before it "
                    + distance(piece.longestBefore(), f) + ". Is it another string?";
        } else if (doubt instanceof Doubt.Crossing crossing) {
            return crossing.string() + " crosses " + crossing.other() + " " + distance(crossing.above(), f)
                    + (crossing.above().metres() < 0 ? " below" : " above")
                    + " it. A surface cannot have both: is one of them no breakline, or a pole height wrong?";
        } else if (doubt instanceof Doubt.OnePoint one) {
            return one.string() + " has one point and draws nothing yet.";
        } else if (doubt instanceof Doubt.Alone alone) {
            return alone.point() + " is a point of its own, and the last ten " + alone.code() + " were on strings.";
        }
        if (doubt instanceof Doubt.KnownMark known) {
            return known.name() + " is known. This came " + f.apart(known.plan()) + " from it" + known.up()
                    .map(up -> " and " + f.apart(up.abs()) + (up.metres() < 0 ? " lower" : " higher")).orElse("")
                    + (known.within() ? ": they agree."
                    : ", more than its \u03c3 explains: is it the mark, is the base where it says, is the antenna\u2019s height right?");
        }
        Doubt.SameName same = (Doubt.SameName) doubt;
        return same.name() + " was measured before. The same mark? This one lies " + f.small(same.plan()) + " from it"
                + same.up().map(up -> " and " + f.small(up.abs()) + (up.metres() < 0 ? " lower" : " higher")).orElse("")
                + "; both are kept.";
    }

    private static String jumpFrom(Doubt.LongPiece piece) {
        return piece.from() + " to " + piece.to();
    }

    private static String distance(Length length, Figures f) {
        return f.length(length.abs());
    }
}
