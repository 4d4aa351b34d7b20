package verge.core.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verge.core.coding.Code;
import verge.core.coding.Naming;
import verge.core.coding.PointName;
import verge.core.geodesy.Lift;
import verge.core.geodesy.Position;
import verge.core.geodesy.Similarity;
import verge.core.geodesy.transformation.Fit;
import verge.core.geodesy.transformation.FitSettings;
import verge.core.geodesy.transformation.Fitted;
import verge.core.geodesy.transformation.Mark;
import verge.core.geodesy.transformation.Moved;
import verge.core.geodesy.transformation.Pair;
import verge.core.points.MadeFrom;
import verge.core.points.PointSeen;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * A group of marks that was moved as a whole, by what was found of it or by values. The marks themselves stay; what comes of them stands
 * beside.
 *
 * @param source what the group was, in words
 * @param pairs which of them is which found mark; none where it is moved by values
 * @param kept those whose moved positions are points of the job now
 */
public record MarksFitted(String source, List<Computed> marks, List<Paired> pairs, How how, List<Kept> kept) implements Naming, MadeFrom {
    public MarksFitted {
        marks = List.copyOf(marks);
        pairs = List.copyOf(pairs);
        kept = List.copyOf(kept);
    }

    /** A mark of the group. @param position as it was taken @param point of the job that it is, if it is one, so that it follows that */
    public record Computed(String name, Position position, Optional<PointSeen> point) {
    }

    /** @param mark its number in the group, from 0 */
    public record Paired(int mark, PointSeen found, boolean inPlan, boolean inHeight) {
        Paired renamed(UnaryOperator<PointName> other) {
            return new Paired(mark, found.renamed(other), inPlan, inHeight);
        }
    }

    /** How it is moved. */
    public sealed interface How {
        /** By the pairs. */
        record ByPairs(FitSettings settings) implements How {
        }

        /** By the pairs, with more freedom: what else the settings say of scale and mirror does not matter. */
        record Affinely(FitSettings settings) implements How {
        }

        /** By the pairs in space. */
        record InSpace(FitSettings settings) implements How {
        }

        /** By what was typed. @param rise in metres, added to each height */
        record ByValues(Similarity similarity, double rise) implements How {
        }
    }

    /** @param mark its number in the group */
    public record Kept(int mark, PointName name, Code code) {
    }

    /**
     * What it comes to.
     *
     * @param marks of the group as they are now, in its order
     * @param pairs in their order
     */
    public record Came(List<Mark> marks, List<Pair> pairs, Moved moved) {
        /** Where the mark of a number comes to lie. */
        public Position place(int mark) {
            return moved.place(marks.get(mark));
        }

        /** A similarity found by least squares; absent where it was moved otherwise. */
        public Optional<Fitted> fitted() {
            return moved instanceof Moved.Similar similar ? similar.fitted() : Optional.empty();
        }
    }

    /** @param points where a point of the job lies now @throws SurveyException what cannot be fitted, and why */
    public Came work(Function<PointSeen, Optional<Position>> points) {
        List<Mark> now = marks.stream().map(m -> new Mark(m.name(), m.point().map(p -> now(points, p)).orElse(m.position()))).toList();
        List<Pair> paired = new ArrayList<>();
        for (Paired p : pairs) {
            if (p.mark() < 0 || p.mark() >= now.size()) {
                throw new SurveyException(Problem.POINT_UNKNOWN, p.mark());
            }
            paired.add(new Pair(now.get(p.mark()), new Mark(p.found().name().text(), now(points, p.found())), p.inPlan(), p.inHeight()));
        }
        return new Came(now, paired, moved(paired));
    }

    private Moved moved(List<Pair> paired) {
        if (how instanceof How.ByValues values) {
            return new Moved.Similar(values.similarity(), new Lift(values.similarity().to(), values.rise(), 0, 0), Optional.empty());
        } else if (how instanceof How.Affinely affinely) {
            return Moved.Affinely.of(paired, affinely.settings());
        } else if (how instanceof How.InSpace space) {
            return Moved.InSpace.of(paired, space.settings());
        }
        Fitted fitted = Fit.of(paired, ((How.ByPairs) how).settings());
        return new Moved.Similar(fitted.similarity(), fitted.lift(), Optional.of(fitted));
    }

    private static Position now(Function<PointSeen, Optional<Position>> points, PointSeen seen) {
        return points.apply(seen).orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, seen.name()));
    }

    @Override
    public Stream<PointSeen> madeFrom() {
        return Stream.concat(marks.stream().flatMap(m -> m.point().stream()), pairs.stream().map(Paired::found));
    }

    @Override
    public Stream<PointName> names() {
        return Stream.concat(madeFrom().map(PointSeen::name), kept.stream().map(Kept::name));
    }

    @Override
    public MarksFitted renamed(UnaryOperator<PointName> other) {
        return new MarksFitted(source, marks.stream().map(m -> new Computed(m.name(), m.position(), m.point().map(p -> p.renamed(other))))
                .toList(), pairs.stream().map(p -> p.renamed(other)).toList(), how,
                kept.stream().map(k -> new Kept(k.mark(), other.apply(k.name()), k.code())).toList());
    }

    /** Marks that were found where they belong, by their numbers: what does not count in plan lies elsewhere. */
    public Set<Integer> found() {
        return pairs.stream().filter(Paired::inPlan).map(Paired::mark).collect(Collectors.toUnmodifiableSet());
    }

    /** With one pair that counts otherwise. */
    public MarksFitted with(int pair, Paired other) {
        return new MarksFitted(source, marks, IntStream.range(0, pairs.size()).mapToObj(i -> i == pair ? other : pairs.get(i)).toList(),
                how, kept);
    }

    public MarksFitted with(How other) {
        return new MarksFitted(source, marks, pairs, other, kept);
    }
}
