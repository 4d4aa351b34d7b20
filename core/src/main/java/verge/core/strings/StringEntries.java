package verge.core.strings;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.journal.Chapter;
import verge.core.journal.Key;
import verge.core.journal.Line;
import verge.core.journal.Looks;
import verge.core.journal.Outcome;
import verge.core.plan.Path;
import verge.core.points.StoredPoint;

/** What shots and later edits come to for strings. */
public final class StringEntries {
    private StringEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(StringEdited.class, StringEntries::edited));
    }

    /** What a shot comes to for the strings that it joins. */
    public static Outcome joined(StoredPoint point, List<Joining> joinings) {
        Map<Key<List<Step>>, List<Step>> steps = new LinkedHashMap<>();
        Map<Code, Integer> numbers = new LinkedHashMap<>();
        joinings.forEach(j -> {
            Vertex vertex = new Vertex(new VertexId(point.entry(), j.string()), Optional.of(point.name()), point.position(), j.bend(),
                    j.gap());
            steps.put(new StepsOf(j.string()), List.of(new Step.Joined(j.name(), vertex, j.end())));
            numbers.merge(j.name().code(), j.name().number(), Math::max);
        });
        Outcome outcome = Outcome.of(steps).and(new Strings(), joinings.stream().map(Joining::string).toList());
        for (Map.Entry<Code, Integer> number : numbers.entrySet()) {
            outcome = outcome.and(new NumbersOf(number.getKey()), number.getValue());
        }
        return joinings.isEmpty() ? Outcome.NOTHING : outcome;
    }

    /** What something that draws a string comes to for it. */
    public static Outcome drawn(UUID string, StringName name, List<Path> paths) {
        return named(name, step(string, new Step.Drawn(name, paths)));
    }

    /** The lines that a string comes to; empty if nothing of it stands. */
    public static Optional<Shape> shape(Looks looks, UUID id) {
        return string(looks, id).map(s -> Shape.of(s, other -> string(looks, other), Shape::of));
    }

    private static Outcome edited(Line<StringEdited> line, Looks looks) {
        UUID string = line.says().string();
        Edit edit = line.says().edit();
        if (edit instanceof Edit.PointInserted inserted) {
            return inserted.point().now(looks)
                    .map(p -> step(string, new Step.Inserted(vertex(line, Optional.of(p.name()), p.position(), inserted.bend()),
                    inserted.after()))).orElse(Outcome.NOTHING);
        } else if (edit instanceof Edit.Dropped dropped) {
            return step(string, new Step.Left(Set.of(dropped.vertex())));
        } else if (edit instanceof Edit.Split split) {
            return string(looks, string).map(s -> split(s, split)).orElse(Outcome.NOTHING);
        } else if (edit instanceof Edit.Joined joined) {
            return string(looks, string).flatMap(s -> string(looks, joined.other()).map(o -> joined(s, o, joined))).orElse(Outcome.NOTHING);
        } else if (edit instanceof Edit.Beside beside) {
            return named(beside.name(), Outcome.of(new StepsOf(beside.partner()),
                    List.of(new Step.Beside(beside.name(), string, beside.left(), beside.up())))
                    .and(new Strings(), List.of(beside.partner())).and(new PartnersOf(string), beside.partner()));
        } else if (edit instanceof Edit.Squared) {
            return string(looks, string).flatMap(s -> Squaring.of(s))
                    .map(q -> step(string, new Step.Joined(name(looks, string), vertex(line, Optional.empty(), q.corner(), Bend.CORNER),
                    End.LAST),
                    new Step.Said(new Edit.Ring(true)))).orElse(Outcome.NOTHING);
        }
        Outcome said = step(string, new Step.Said(edit));
        return edit instanceof Edit.Named named ? named(named.name(), said) : said;
    }

    private static Vertex vertex(Line<StringEdited> line, Optional<PointName> point, Position position, Bend bend) {
        return new Vertex(new VertexId(line.id(), line.says().string()), point, position, bend, false);
    }

    private static Outcome step(UUID string, Step... steps) {
        return Outcome.of(new StepsOf(string), List.of(steps)).and(new Strings(), List.of(string));
    }

    private static Outcome named(StringName name, Outcome outcome) {
        return outcome.and(new NumbersOf(name.code()), name.number());
    }

    private static Optional<SurveyString> string(Looks looks, UUID id) {
        return SurveyString.of(id, looks.all(new StepsOf(id)));
    }

    private static StringName name(Looks looks, UUID id) {
        return string(looks, id).orElseThrow().name();
    }

    private static Outcome split(SurveyString s, Edit.Split split) {
        int at = s.vertex(split.vertex()).map(s.vertices()::indexOf).orElse(-1);
        if (at <= 0 || at >= s.vertices().size() - 1) {
            return Outcome.NOTHING;   // nothing to be split off
        }
        List<Vertex> rest = new ArrayList<>(s.vertices().subList(at, s.vertices().size()));
        rest.set(0, rest.get(0).gap(false));
        Set<VertexId> left = rest.stream().skip(1).map(Vertex::id).collect(Collectors.toUnmodifiableSet());
        return named(split.name(), Outcome.of(new StepsOf(s.id()), List.<Step>of(new Step.Left(left), new Step.Said(new Edit.Ring(false))))
                .and(new StepsOf(split.rest()), List.<Step>of(new Step.Taken(split.name(), rest, s.curves())))
                .and(new Strings(), List.of(s.id(), split.rest())));
    }

    /**
     * The other is turned where its wanted end does not come first, and stands before or behind; where both have one place there, it is
     * there once.
     */
    private static Outcome joined(SurveyString s, SurveyString other, Edit.Joined how) {
        if (s.id().equals(other.id()) || !s.hasOwnVertices() || !other.hasOwnVertices()) {
            return Outcome.NOTHING;
        }
        List<Vertex> own = how.end() == End.LAST ? s.vertices() : SurveyString.reversed(s.vertices());
        List<Vertex> more = how.otherEnd() == End.FIRST ? other.vertices() : SurveyString.reversed(other.vertices());
        boolean meet = own.get(own.size() - 1).position().equals(more.get(0).position());
        List<Vertex> all = new ArrayList<>(own);
        all.addAll(meet ? more.subList(1, more.size()) : more);
        Map<VertexId, CurveKind> curves = new LinkedHashMap<>(other.curves());
        curves.putAll(s.curves());
        return Outcome.of(new StepsOf(s.id()),
                List.<Step>of(new Step.Taken(s.name(), how.end() == End.LAST ? all : SurveyString.reversed(all), curves)))
                .and(new StepsOf(other.id()), List.<Step>of(new Step.Gone())).and(new Strings(), List.of(s.id(), other.id()));
    }
}
