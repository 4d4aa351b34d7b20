package verge.core.doubt;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.measure.Measured;
import verge.core.measure.ShotTaken;
import verge.core.occupation.ControlSeen;
import verge.core.occupation.PointOccupied;
import verge.core.plan.Vertices;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.strings.End;
import verge.core.strings.SurveyString;
import verge.core.strings.Vertex;
import verge.core.units.Length;

/** What is doubtful about a shot that was just stored, seen with all that was shot before. */
public final class ShotDoubts {
    /** So much a string may leave its way at once: a step; and so much more for each metre, since slopes change. */
    private static final double STEP_METRES = 0.25;
    private static final double CHANGE_OF_GRADE = 0.05;
    private static final int PIECES_LOOKED_AT = 3;
    private static final double SHARP_COSINE = Math.cos(Math.toRadians(30));
    private static final double TIMES_LONGER = 5;
    private static final double SHORT_ENOUGH_METRES = 20;
    /** Two breaklines that cross are at one height if nobody can tell it from another. */
    private static final double SAME_HEIGHT_METRES = 0.05;
    private static final int SHOTS_THAT_MAKE_A_HABIT = 10;
    private static final int FARTHEST_BACK = 2000;
    private static final double CHORDS_METRES = 0.02;

    private final Journal journal;
    private final JobState state;
    private final Codebook book;
    private final List<Doubt> found = new ArrayList<>();

    private ShotDoubts(Journal journal, Codebook book) {
        this.journal = journal;
        this.state = journal.state();
        this.book = book;
    }

    /** @param shot an entry of the journal; nothing is doubtful about what is struck or no shot */
    public static List<Doubt> of(Journal journal, Entry shot, Codebook book) {
        Optional<StoredPoint> point = journal.state().points().of(shot.id()).stream().findFirst();
        ShotDoubts doubts = new ShotDoubts(journal, book);
        if (point.isPresent() && shot.payload() instanceof Measured taken) {
            doubts.sameName(point.get());
            doubts.knownMark(shot);
            doubts.alone(taken, doubts.before(shot));
            doubts.onePoint(taken, doubts.before(shot).findFirst());
            poleHeight(taken).ifPresent(pole -> taken.joins().stream().flatMap(j -> doubts.state.strings().find(j.string()).stream())
                    .forEach(s -> doubts.string(s, shot.id(), pole)));
        }
        return List.copyOf(doubts.found);
    }

    /** Of what was measured over the ground on a pole. */
    private static Optional<Length> poleHeight(Measured taken) {
        return taken instanceof ShotTaken onPole ? Optional.of(onPole.target().height()) : taken instanceof PointOccupied stood
                ? stood.antenna().known() : Optional.empty();
    }

    /** Earlier shots that stand, the latest first. */
    private Stream<Measured> before(Entry shot) {
        int last = (int) shot.sequence() - 1;
        return IntStream.rangeClosed(1, Math.min(FARTHEST_BACK, last)).mapToObj(back -> journal.entries().get(last - back))
                .filter(e -> e.payload() instanceof Measured && !state.isStruck(e.id()))
                .map(e -> (Measured) journal.counting(e));
    }

    private void sameName(StoredPoint point) {
        state.points().named(point.name()).stream().filter(p -> p.origin() == Origin.MEASURED && !p.entry().equals(point.entry()))
                .reduce((a, b) -> b)
                .ifPresent(other -> found.add(new Doubt.SameName(point.name(),
                new Length(other.position().plan().distanceMetres(point.position().plan())), rise(other.position(), point.position()))));
    }

    private void knownMark(Entry shot) {
        ControlSeen.of(state, shot.id()).ifPresent(c -> found.add(new Doubt.KnownMark(c.stood().name(), c.plan(), c.up(), c.within())));
    }

    private static Optional<Length> rise(Position from, Position to) {
        return from.elevation().flatMap(low -> to.elevation().map(high -> high.minus(low)));
    }

    private void alone(Measured shot, Stream<Measured> before) {
        if (!shot.joins().isEmpty() || shot.code().equals(Code.NONE)) {
            return;
        }
        List<Measured> ofCode = before.filter(b -> b.code().equals(shot.code())).limit(SHOTS_THAT_MAKE_A_HABIT).toList();
        if (ofCode.size() == SHOTS_THAT_MAKE_A_HABIT && ofCode.stream().noneMatch(b -> b.joins().isEmpty())) {
            found.add(new Doubt.Alone(shot.code(), shot.name()));
        }
    }

    private void onePoint(Measured shot, Optional<Measured> before) {
        List<UUID> now = shot.strings().toList();
        before.stream().flatMap(last -> last.joins().stream().limit(1)).map(j -> j.string())
                .filter(id -> !now.contains(id)).flatMap(id -> state.strings().find(id).stream())
                .filter(s -> s.vertices().size() == 1).forEach(s -> found.add(new Doubt.OnePoint(s.name())));
    }

    private void string(SurveyString s, UUID shot, Length pole) {
        End end = s.at(End.LAST).filter(v -> v.id().by().equals(shot)).isPresent() ? End.LAST : End.FIRST;
        List<Vertex> way = fromEnd(s, end);
        if (way.size() < 2 || !way.get(0).id().by().equals(shot) || way.get(0).point().isEmpty() || way.get(1).point().isEmpty()) {
            return;
        }
        heightJump(s, way, pole);
        longPiece(s, way);
        crossings(s, way);
    }

    /** The part of a string at one of its ends, that end first. */
    private static List<Vertex> fromEnd(SurveyString s, End end) {
        List<List<Vertex>> parts = s.parts();
        List<Vertex> part = new ArrayList<>(parts.get(end == End.LAST ? parts.size() - 1 : 0));
        if (end == End.LAST) {
            Collections.reverse(part);
        }
        return part;
    }

    private static double length(Vertex a, Vertex b) {
        return a.position().plan().distanceMetres(b.position().plan());
    }

    /** Against the grade of the pieces before; without any, against level ground. */
    private void heightJump(SurveyString s, List<Vertex> way, Length pole) {
        Optional<Length> rise = rise(way.get(1).position(), way.get(0).position());
        if (rise.isEmpty()) {
            return;
        }
        int last = Math.min(way.size() - 1, 1 + PIECES_LOOKED_AT);
        Optional<Length> climbed = rise(way.get(last).position(), way.get(1).position());
        double walked = IntStream.range(1, last).mapToDouble(i -> length(way.get(i), way.get(i + 1))).sum();
        double piece = length(way.get(0), way.get(1));
        double heading = walked == 0 ? 0 : climbed.map(Length::metres).orElse(0.0) / walked * piece;
        double onward = rise.get().metres() - heading;
        // Round a corner the ground may go on as it did, or level.
        double off = turnsSharply(way) && Math.abs(rise.get().metres()) < Math.abs(onward) ? rise.get().metres() : onward;
        if (Math.abs(off) > STEP_METRES + CHANGE_OF_GRADE * piece) {
            found.add(new Doubt.HeightJump(s.name(), way.get(1).point().orElseThrow(), way.get(0).point().orElseThrow(), new Length(off),
                    pole));
        }
    }

    private static boolean turnsSharply(List<Vertex> way) {
        if (way.size() < 3) {
            return false;
        }
        GridPoint now = way.get(0).position().plan();
        GridPoint corner = way.get(1).position().plan();
        GridPoint before = way.get(2).position().plan();
        double dot = (now.northing() - corner.northing()) * (corner.northing() - before.northing())
                + (now.easting() - corner.easting()) * (corner.easting() - before.easting());
        return dot < SHARP_COSINE * now.distanceMetres(corner) * corner.distanceMetres(before);
    }

    private void longPiece(SurveyString s, List<Vertex> way) {
        double piece = length(way.get(0), way.get(1));
        double longest = IntStream.range(1, way.size() - 1).mapToDouble(i -> length(way.get(i), way.get(i + 1))).max().orElse(0);
        if (way.size() > PIECES_LOOKED_AT && piece > SHORT_ENOUGH_METRES && piece > TIMES_LONGER * longest) {
            found.add(new Doubt.LongPiece(s.name(), way.get(1).point().orElseThrow(), way.get(0).point().orElseThrow(), new Length(piece),
                    new Length(longest)));
        }
    }

    private boolean isBreakline(Code code) {
        return book.row(code).filter(row -> row.surface() == Codebook.Surface.BREAKLINE).isPresent();
    }

    /** The piece that came with the shot against all other breaklines; where they meet in a vertex of both, nothing crosses. */
    private void crossings(SurveyString s, List<Vertex> way) {
        if (!isBreakline(s.name().code())) {
            return;
        }
        Vertices piece = Vertices.of(way.get(1).position(), way.get(0).position());
        state.strings().near(piece.extent(), this::isBreakline).filter(o -> !o.id().equals(s.id()))
                .flatMap(o -> state.strings().shape(o).chords(CHORDS_METRES).stream().flatMap(line -> crossing(s, o, piece, line)))
                .findFirst().ifPresent(found::add);
    }

    private static Stream<Doubt> crossing(SurveyString s, SurveyString other, Vertices piece, Vertices line) {
        return IntStream.range(1, line.size()).mapToObj(i -> above(piece, line, i)).flatMap(Optional::stream)
                .filter(above -> Math.abs(above) > SAME_HEIGHT_METRES)
                .map(above -> (Doubt) new Doubt.Crossing(s.name(), other.name(), new Length(above))).limit(1);
    }

    /**
     * How far a piece lies above a piece of another line where they cross between their ends; empty if they do not, or a height is missing.
     */
    private static Optional<Double> above(Vertices piece, Vertices line, int i) {
        double north = piece.north(1) - piece.north(0);
        double east = piece.east(1) - piece.east(0);
        double otherNorth = line.north(i) - line.north(i - 1);
        double otherEast = line.east(i) - line.east(i - 1);
        double cross = north * otherEast - east * otherNorth;
        double toNorth = line.north(i - 1) - piece.north(0);
        double toEast = line.east(i - 1) - piece.east(0);
        double part = (toNorth * otherEast - toEast * otherNorth) / cross;
        double otherPart = (toNorth * east - toEast * north) / cross;
        boolean crosses = part > 0 && part < 1 && otherPart > 0 && otherPart < 1;
        boolean heights = piece.height(0).isPresent() && piece.height(1).isPresent() && line.height(i - 1).isPresent() && line.height(i)
                .isPresent();
        return crosses && heights ? Optional.of(at(piece, 0, part) - at(line, i - 1, otherPart)) : Optional.empty();
    }

    private static double at(Vertices line, int from, double part) {
        double low = line.height(from).orElseThrow();
        return low + part * (line.height(from + 1).orElseThrow() - low);
    }
}
