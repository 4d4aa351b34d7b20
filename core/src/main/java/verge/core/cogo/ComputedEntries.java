package verge.core.cogo;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import verge.core.journal.Chapter;
import verge.core.journal.Line;
import verge.core.journal.Looks;
import verge.core.journal.Outcome;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.Points;
import verge.core.points.StoredPoint;
import verge.core.problem.SurveyException;
import verge.core.settings.JobGeodesy;
import verge.core.settings.SettingsEntries;
import verge.core.strings.Shape;
import verge.core.strings.StringEntries;

/** What computations that were noted come to. */
public final class ComputedEntries {
    private ComputedEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(InverseNoted.class, ComputedEntries::inverse), Chapter.of(Computed.class, ComputedEntries::computed));
    }

    /**
     * What is kept of it are points; what cannot be computed any more, as its points are there no more or do not meet, comes to nothing.
     */
    private static Outcome computed(Line<Computed> line, Looks looks) {
        Computed said = line.says();
        Optional<JobGeodesy> geodesy = SettingsEntries.inForce(looks);
        Optional<Scales> scales = geodesy.flatMap(JobGeodesy::plane)
                .map(plane -> new Scales(plane, geodesy.get().settings().ground(), said.onGround()));
        return scales.flatMap(s -> worked(said, looks, s))
                .map(worked -> Points.outcome(kept(line.id(), said, worked)).and(lines(said, worked)).and(new WorkedOf(line.id()), worked)
                .and(said.pinned() ? Outcome.of(new WorkedOf.Pinned(), line.id()) : Outcome.NOTHING)).orElse(Outcome.NOTHING);
    }

    private static Optional<Worked> worked(Computed said, Looks looks, Scales scales) {
        Givens.Sources sources = new Givens.Sources(seen -> seen.now(looks).map(StoredPoint::position),
                id -> StringEntries.shape(looks, id).map(Shape::paths).orElse(List.of()), SettingsEntries.inForce(looks),
                Givens.Sources.MOST_TOUCHING);
        try {
            return Optional.of(said.tool().work(new Givens(said.given(), sources, scales)));
        } catch (SurveyException impossible) {
            return Optional.empty();
        }
    }

    private static Outcome lines(Computed said, Worked worked) {
        List<Worked.Line> made = worked.made();
        return said.lines().stream().filter(k -> k.index() < made.size())
                .map(k -> StringEntries.drawn(k.string(), k.name(), List.of(made.get(k.index()).path())))
                .reduce(Outcome.NOTHING, Outcome::and);
    }

    private static List<StoredPoint> kept(UUID entry, Computed said, Worked worked) {
        return said.kept().stream().filter(k -> k.index() < worked.points().size())
                .map(k -> StoredPoint.given(entry, Origin.COMPUTED,
                new NamedPosition(k.name(), k.code(), worked.points().get(k.index()).position()),
                worked.points().get(k.index()).position())).toList();
    }

    private static Outcome inverse(Line<InverseNoted> line, Looks looks) {
        return line.says().from().now(looks)
                .flatMap(from -> line.says().to().now(looks)
                .map(to -> Outcome.of(new EndsOf(line.id()), new EndsOf.Ends(from.position(), to.position())))).orElse(Outcome.NOTHING);
    }
}
