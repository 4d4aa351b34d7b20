package verge.app.measure;

import verge.app.words.Words;
import verge.core.doubt.Doubt;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Doubts about a shot in words: what is seen, and what it may come from. */
public final class DoubtWords {
    private DoubtWords() {
    }

    public static String of(Doubt doubt, Figures f) {
        if (doubt instanceof Doubt.HeightJump jump) {
            return Words.of("doubt.lies-where-was-heading-from", jump.to(), above(jump.off(), f), jump.string(), jump.from(),
                    f.length(jump.pole()));
        } else if (doubt instanceof Doubt.LongPiece piece) {
            return Words.of("doubt.is-long-the-longest-piece", piece.from(), piece.to(), distance(piece.length(), f), piece.string(),
                    distance(piece.longestBefore(), f));
        } else if (doubt instanceof Doubt.Crossing crossing) {
            return Words.of("doubt.crosses-it-a-surface-cannot", crossing.string(), crossing.other(), above(crossing.above(), f));
        } else if (doubt instanceof Doubt.OnePoint one) {
            return Words.of("doubt.has-one-point-and-draws", one.string());
        } else if (doubt instanceof Doubt.Alone alone) {
            return Words.of("doubt.is-a-point-of-its", alone.point(), alone.code());
        }
        if (doubt instanceof Doubt.KnownMark known) {
            return Words.of("doubt.is-known-this-came-from", known.name(), f.apart(known.plan()),
                    known.up().map(up -> higher(up, f.apart(up.abs()))).orElse(""),
                    known.within() ? Words.of("doubt.they-agree") : Words.of("doubt.more-than-its-explains-is"));
        }
        Doubt.SameName same = (Doubt.SameName) doubt;
        return Words.of("doubt.was-measured-before-the-same", same.name(), f.small(same.plan()),
                same.up().map(up -> higher(up, f.small(up.abs()))).orElse(""));
    }

    private static String above(Length off, Figures f) {
        return Words.of(off.metres() < 0 ? "doubt.below" : "doubt.above", distance(off, f));
    }

    private static String higher(Length up, String by) {
        return Words.of(up.metres() < 0 ? "doubt.and-lower" : "doubt.and-higher", by);
    }

    private static String distance(Length length, Figures f) {
        return f.length(length.abs());
    }
}
