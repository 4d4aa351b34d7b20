package verge.core.leaf;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import verge.core.coding.Code;
import verge.core.geodesy.Plane;
import verge.core.journal.Chapter;
import verge.core.journal.Line;
import verge.core.journal.Looks;
import verge.core.journal.Outcome;
import verge.core.points.Origin;
import verge.core.points.Points;
import verge.core.points.StoredPoint;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.settings.JobGeodesy;
import verge.core.settings.SettingsEntries;
import verge.core.setup.Arrangement;
import verge.core.setup.ObservedPoint;
import verge.core.setup.StationFit;
import verge.core.setup.StationSolution;

/** What setups come to, and what is said of leaves. */
public final class LeafEntries {
    private LeafEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(StationSetUp.class, LeafEntries::setUp),
                Chapter.of(LeafClosed.class, LeafEntries::closed),
                Chapter.of(LeafReopened.class, LeafEntries::reopened),
                Chapter.of(CheckTaken.class, (line, looks) -> Outcome.of(new ChecksOn(line.says().setup()), line.id())));
    }

    /** A leaf, unless a mark is not known, marks coincide, there is no solution, or no plane. Struck setups keep their numbers. */
    private static Outcome setUp(Line<StationSetUp> line, Looks looks) {
        StationSetUp said = line.says();
        Optional<Plane> plane = SettingsEntries.inForce(looks).flatMap(JobGeodesy::plane);
        if (plane.isEmpty() || !(StationFit.solve(said.arrangement(), said.conditions(), plane.get(),
                name -> Points.then(looks, name).map(StoredPoint::known)) instanceof StationSolution solved)) {
            return Outcome.NOTHING;
        }
        Leaf leaf = new Leaf(line.id(), line.ordinal(), said, solved);
        Outcome open = Outcome.of(new LeafOf(line.id()), leaf).and(new Leaves(), leaf).and(new LeafTakenUp(), Optional.empty());
        return said.arrangement().kind() == Arrangement.Kind.KNOWN_POINT ? open : open.and(Points.outcome(station(line.id(), leaf)));
    }

    private static StoredPoint station(UUID entry, Leaf leaf) {
        return new StoredPoint(entry, leaf.written().station(), Code.NONE, Origin.MEASURED, leaf.station().occupation().station(),
                Optional.of(leaf.station().covariance().position()), Optional.empty(), Optional.of(entry));
    }

    private static Outcome closed(Line<LeafClosed> line, Looks looks) {
        UUID leaf = line.says().setup();
        Outcome closed = Outcome.of(new LeafClosedNow(leaf), true);
        return looks.before(new LeafTakenUp()).equals(Optional.of(Optional.of(leaf))) ? closed.and(new LeafTakenUp(), Optional.empty())
                : closed;
    }

    private static Outcome reopened(Line<LeafReopened> line, Looks looks) {
        UUID leaf = line.says().setup();
        return Outcome.of(new LeafClosedNow(leaf), false).and(new LeafTakenUp(), Optional.of(leaf));
    }

    /** What a reading from a leaf comes to; empty if the leaf does not stand. */
    public static Optional<ObservedPoint> observed(Looks looks, UUID setup, TotalStationReading reading, Target target) {
        return looks.before(new LeafOf(setup)).map(leaf -> leaf.station().observe(reading, target));
    }
}
