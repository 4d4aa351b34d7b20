package verge.app.rework;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import verge.app.leaf.LeafKinds;
import verge.app.words.StationWords;
import verge.app.words.Words;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.job.Moves;
import verge.core.journal.Entry;
import verge.core.points.AsStaked;
import verge.core.rework.Consequences;
import verge.core.settings.JobSettings;
import verge.core.setup.StationCheck;
import verge.core.units.Figures;
import verge.core.units.Length;

/**
 * What a correction would do, in words and figures of the job, the largest first.
 *
 * @param words in one line
 * @param lines numbers of the lines that would be corrected: '7, 9 to 12'
 * @param moves how each point, leaf and check changes
 * @param more how many points move that are not told here
 * @param gone names of points that would lose their coordinates
 * @param arrows of the sketch: where each point is and where it would be, metres of the grid
 */
public record Seen(String words, String lines, List<Move> moves, int more, List<String> gone, List<Arrow> arrows, long asOf) {
    private static final int MOVES_TOLD = 30;
    private static final int ARROWS = 2_000;

    /** @param by how far it moves, or what becomes of it */
    public record Move(String kind, String name, String before, String after, String by) {
    }

    public record Arrow(double north, double east, double toNorth, double toEast, double up) {
    }

    public static Seen of(ReworkService.Preview preview) {
        Consequences c = preview.consequences();
        JobSettings settings = preview.before().state().settings();
        List<Move> told = new ArrayList<>(c.leaves().stream().map(l -> leaf(l, settings.figures())).toList());
        c.checks().forEach(check -> told.add(check(check, settings.figures())));
        c.moves().moved().stream().limit(MOVES_TOLD).forEach(m -> told.add(point(m, settings)));
        List<Arrow> arrows = c.moves().moved().stream().limit(ARROWS)
                .map(m -> arrow(m.before().position().plan(), m.after().position().plan(), m.up().map(Length::metres).orElse(0.0)))
                .toList();
        return new Seen(words(preview), ranges(preview.lines().stream().map(Entry::sequence).toList()), told,
                Math.max(0, c.moves().moved().size() - MOVES_TOLD),
                c.moves().gone().stream().map(PointName::text).toList(), arrows, preview.asOf());
    }

    private static Arrow arrow(GridPoint from, GridPoint to, double up) {
        return new Arrow(from.northing(), from.easting(), to.northing(), to.easting(), up);
    }

    private static String ranges(List<Long> lines) {
        StringBuilder all = new StringBuilder();
        for (int i = 0; i < lines.size(); i++) {
            boolean follows = i > 0 && lines.get(i) == lines.get(i - 1) + 1;
            boolean goesOn = i + 1 < lines.size() && lines.get(i + 1) == lines.get(i) + 1;
            all.append(follows ? goesOn ? "" : " to " + lines.get(i) : (i == 0 ? "" : ", ") + lines.get(i));
        }
        return all.toString();
    }

    private static String words(ReworkService.Preview preview) {
        int lines = preview.lines().size();
        String corrected = lines == 1 ? "" : lines == 0 ? Words.of("rework.no-line-says-anything-else")
                : Words.of("rework.lines-are-corrected", lines);
        long impossible = preview.consequences().leaves().stream().filter(l -> l.after().isEmpty()).count();
        return corrected + points(preview.consequences().moves())
                + (impossible == 0 ? "" : impossible == 1 ? Words.of("rework.one-setup-has-no-solution")
                : Words.of("rework.setups-have-no-solution-any", impossible));
    }

    private static String points(Moves moves) {
        int moved = moves.moved().size();
        int gone = moves.gone().size();
        if (moved == 0 && gone == 0) {
            return Words.of("rework.no-point-moves");
        }
        String move = moved == 0 ? Words.of("rework.no-point-moves-2") : moved == 1 ? Words.of("rework.point-moves")
                : Words.of("rework.points-move", moved);
        return move + ", " + moves.kept() + " stay"
                + (gone == 0 ? "." : gone == 1 ? Words.of("rework.loses-its-coordinates")
                : Words.of("rework.lose-their-coordinates", gone));
    }

    private static Move point(Moves.Move m, JobSettings settings) {
        String by = settings.offset(m.north(), m.east()) + m.up().map(u -> " H " + settings.figures().difference(u)).orElse("");
        return new Move("point", m.after().name().text(), settings.place(m.before().position()), settings.place(m.after().position()),
                by + off(m, settings));
    }

    /** A stake tells besides how far it is off its design now. */
    private static String off(Moves.Move m, JobSettings settings) {
        return Stream.of(m.before().staked(), m.after().staked()).flatMap(Optional::stream)
                .map((AsStaked s) -> settings.offset(s.north(), s.east()) + s.up().map(u -> " H " + settings.figures().difference(u))
                .orElse(""))
                .reduce((before, after) -> Words.of("rework.off-its-design-then", before, after)).map(w -> "; " + w).orElse("");
    }

    private static Move leaf(Consequences.OfLeaf l, Figures f) {
        String name = "leaf " + l.before().number();
        String before = StationWords.of(l.before().written());
        return l.after().map(a -> new Move("leaf", name, before, StationWords.of(a.written()),
                Words.of("rework.station-moves-turns", f.length(l.moved().orElseThrow()), f.angles().signed(l.turned().orElseThrow()))))
                .orElseGet(() -> new Move("leaf", name, before, Words.of("bench.no-solution"), Words.of("rework.what-was-read-from-it")));
    }

    private static Move check(Consequences.OfCheck c, Figures f) {
        return new Move("check", c.taken().mark().text(), held(c.before(), f), held(c.after(), f), "line " + c.entry().sequence());
    }

    private static String held(Optional<StationCheck> check, Figures f) {
        return check.map(c -> LeafKinds.held(c, f)).orElse(Words.of("rework.no-result"));
    }
}
