package verge.core.measure;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.journal.Chapter;
import verge.core.journal.Line;
import verge.core.journal.Looks;
import verge.core.journal.Outcome;
import verge.core.leaf.LeafEntries;
import verge.core.leaf.LeafOf;
import verge.core.plan.Path;
import verge.core.points.Origin;
import verge.core.points.PointSeen;
import verge.core.points.Points;
import verge.core.points.StoredPoint;
import verge.core.settings.JobGeodesy;
import verge.core.settings.SettingsEntries;
import verge.core.setup.ObservedPoint;
import verge.core.setup.Occupation;
import verge.core.strings.Shape;
import verge.core.strings.StepsOf;
import verge.core.strings.StringEntries;
import verge.core.strings.SurveyString;
import verge.core.units.Angle;

/** What shots come to. */
public final class ShotEntries {
    private ShotEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(ShotTaken.class, ShotEntries::shot), Chapter.of(SightTaken.class, ShotEntries::sight),
                Chapter.of(PointFound.class, ShotEntries::found),
                Chapter.of(NotesWritten.class, (line, looks) -> notes(line.says().shot(), line.says().notes())));
    }

    private static Outcome shot(Line<ShotTaken> line, Looks looks) {
        ShotTaken said = line.says();
        return measured(line.id(), said, Optional.of(said.setup()),
                LeafEntries.observed(looks, said.setup(), said.reading(), said.target())
                .flatMap(o -> place(looks, said, o.position()).map(at -> new Place(at, Optional.of(o.sigma())))));
    }

    /** Where a point came to lie. @param sigma absent if nobody knows */
    public record Place(Position position, Optional<Uncertainty> sigma) {
    }

    /**
     * A point that was measured, with the strings it joins and the notes beside it; its notes alone where it has no place.
     *
     * @param setup the leaf that it was observed from
     */
    public static Outcome measured(UUID entry, Measured said, Optional<UUID> setup, Optional<Place> place) {
        return place.map(at -> new StoredPoint(entry, said.name(), said.code(), Origin.MEASURED, at.position(), at.sigma(),
                Optional.empty(), setup))
                .map(p -> Points.outcome(p).and(StringEntries.joined(p, said.joins()))).orElse(Outcome.NOTHING)
                .and(notes(entry, said.notes()));
    }

    /** Beside the prism; nowhere if that was told along a string of which no piece stands any more. */
    private static Optional<Position> place(Looks looks, ShotTaken said, Position foot) {
        Aside aside = said.aside();
        if (aside.isNone()) {
            return Optional.of(foot);
        }
        Occupation here = looks.before(new LeafOf(said.setup())).orElseThrow().station().occupation();
        Optional<Angle> along = aside.line().flatMap(id -> SurveyString.of(id, looks.all(new StepsOf(id))))
                .flatMap(s -> Path.azimuthNear(Shape.of(s).paths(), foot.plan()));
        return aside.line().isPresent() ? along.map(a -> aside.from(here, foot, a.cos(), a.sin())) : Optional.of(aside.from(here, foot));
    }

    private static Outcome sight(Line<SightTaken> line, Looks looks) {
        SightTaken said = line.says();
        return looks.before(new LeafOf(said.setup())).map(leaf -> Outcome.of(new SightsFor(said.point()), Sight.of(leaf, said)))
                .orElse(Outcome.NOTHING);
    }

    private static Outcome found(Line<PointFound> line, Looks looks) {
        PointFound said = line.says();
        List<Sight> sights = looks.all(new SightsFor(line.id()));
        Optional<Found> found = SettingsEntries.inForce(looks).flatMap(JobGeodesy::plane)
                .flatMap(plane -> found(said.finding(), sights, seen -> seen.now(looks).map(StoredPoint::position), plane));
        return measured(line.id(), said, sights.stream().findFirst().map(s -> s.leaf().entry()),
                found.map(f -> new Place(f.position(), f.sigma())))
                .and(found.map(f -> Outcome.of(new FoundOf(line.id()), f)).orElse(Outcome.NOTHING));
    }

    /**
     * Where a point lies.
     *
     * @param sights as many as the finding takes; others give nothing
     * @param points what a point means that it was taped from
     */
    public static Optional<Found> found(Finding finding, List<Sight> sights, Function<PointSeen, Optional<Position>> points, Plane plane) {
        if (sights.size() != finding.sights()) {
            return Optional.empty();
        }
        if (finding instanceof Finding.Taped taped) {
            return points.apply(taped.first()).flatMap(a -> points.apply(taped.other()).flatMap(b -> Found.taped(taped, a, b, plane)));
        } else if (finding instanceof Finding.Square square) {
            return points.apply(square.first()).flatMap(a -> points.apply(square.other()).flatMap(b -> Found.square(square, a, b, plane)));
        } else if (finding instanceof Finding.Edges) {
            return Found.edges(sights.get(0), sights.get(1), sights.get(2));
        }
        List<ObservedPoint> feet = sights.stream().flatMap(s -> s.foot().stream()).toList();
        return feet.size() < sights.size() ? Optional.empty() : finding instanceof Finding.Beyond beyond
                ? Found.beyond(beyond, sights.get(0), sights.get(1), plane) : Found.rim(feet, plane);
    }

    private static Outcome notes(UUID shot, Map<String, String> notes) {
        return notes.isEmpty() ? Outcome.NOTHING : Outcome.of(new NotesOf(shot), notes);
    }
}
