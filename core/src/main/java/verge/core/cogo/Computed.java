package verge.core.cogo;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.core.coding.Code;
import verge.core.coding.Naming;
import verge.core.coding.PointName;
import verge.core.points.MadeFrom;
import verge.core.points.PointSeen;
import verge.core.strings.StringName;
import verge.core.strings.Strung;

/**
 * Something that was computed and noted, with what it was computed from, so that it can be computed again when that is corrected.
 *
 * @param onGround whether lengths that were given are ground distances
 * @param kept the points of what came out that are points of the job now
 * @param lines the lines that came out and are strings of the job now
 * @param pinned whether its dimensions are shown in the sketch and go onto drawings
 */
public record Computed(Tool tool, Map<String, Given> given, boolean onGround, List<Kept> kept, List<KeptLine> lines, boolean pinned)
        implements Naming, MadeFrom, Strung {
    public Computed {
        given = Map.copyOf(given);
        kept = List.copyOf(kept);
        lines = List.copyOf(lines);
    }

    /**
     * One of the points that came out.
     *
     * @param index among them, from 0
     */
    public record Kept(int index, PointName name, Code code) {
        public Kept {
            if (index < 0) {
                throw new IllegalArgumentException("point " + index);
            }
        }
    }

    /**
     * One of the lines that came out.
     *
     * @param index among them, from 0
     * @param string which it is
     */
    public record KeptLine(int index, UUID string, StringName name) {
        public KeptLine {
            if (index < 0) {
                throw new IllegalArgumentException("line " + index);
            }
        }
    }

    /** The strings that it makes. */
    @Override
    public Stream<UUID> strings() {
        return lines.stream().map(KeptLine::string);
    }

    @Override
    public Stream<PointSeen> madeFrom() {
        return given.values().stream().flatMap(Given::seen);
    }

    @Override
    public Stream<PointName> names() {
        return Stream.concat(madeFrom().map(PointSeen::name), kept.stream().map(Kept::name));
    }

    @Override
    public Computed renamed(UnaryOperator<PointName> other) {
        Map<String, Given> renamed = new HashMap<>();
        given.forEach((slot, value) -> renamed.put(slot, value.renamed(other)));
        return new Computed(tool, renamed, onGround, kept.stream().map(k -> new Kept(k.index(), other.apply(k.name()), k.code())).toList(),
                lines, pinned);
    }

    /** With something else given. */
    public Computed with(String slot, Given other) {
        Map<String, Given> changed = new HashMap<>(given);
        changed.put(slot, other);
        return new Computed(tool, changed, onGround, kept, lines, pinned);
    }

    public Computed pinned(boolean now) {
        return new Computed(tool, given, onGround, kept, lines, now);
    }

    /** With a point that is called otherwise. */
    public Computed with(int which, Kept other) {
        return new Computed(tool, given, onGround, Stream.iterate(0, i -> i < kept.size(), i -> i + 1)
                .map(i -> i == which ? other : kept.get(i)).toList(), lines, pinned);
    }
}
