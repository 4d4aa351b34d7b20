package verge.core.journal;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.problem.SurveyException;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.setup.KnownPointSetup;
import verge.core.setup.ObservedPoint;
import verge.core.setup.Occupation;
import verge.core.stakeout.AsStaked;

/**
 * What a job amounts to after some of its journal: points, leaves, what is struck. Immutable; a pure function of the entries, in
 * their order, so that the same journal always gives the same bits.
 *
 * <p>A name in an entry means the point that bore it when the entry was written: a later import does not move an earlier setup.
 */
public final class JobState {
    private final JobSettings settings;
    private final Set<UUID> struck;
    private final Map<UUID, List<StoredPoint>> pointsByEntry;
    private final Map<PointName, List<StoredPoint>> pointsByName;
    private final Map<UUID, Leaf> leaves;
    /** Setups written so far, struck ones too: so that a leaf keeps its number when one before it is struck. */
    private final int setUpsWritten;
    private final Optional<Target> target;

    private JobState(JobSettings settings, Set<UUID> struck, Map<UUID, List<StoredPoint>> pointsByEntry,
            Map<PointName, List<StoredPoint>> pointsByName, Map<UUID, Leaf> leaves, int setUpsWritten,
            Optional<Target> target) {
        this.settings = settings;
        this.struck = struck;
        this.pointsByEntry = pointsByEntry;
        this.pointsByName = pointsByName;
        this.leaves = leaves;
        this.setUpsWritten = setUpsWritten;
        this.target = target;
    }

    static JobState empty(JobSettings settings, Set<UUID> struck) {
        return new JobState(settings, Set.copyOf(struck), Map.of(), Map.of(), Map.of(), 0, Optional.empty());
    }

    public JobSettings settings() {
        return settings;
    }

    public boolean isStruck(UUID entry) {
        return struck.contains(entry);
    }

    /** The prism in use; absent until one was chosen. */
    public Optional<Target> target() {
        return target;
    }

    /** All points in the order of their entries. */
    public Stream<StoredPoint> points() {
        return pointsByEntry.values().stream().flatMap(List::stream);
    }

    /** The points an entry gave rise to: none if it is struck or its leaf does not stand. */
    public List<StoredPoint> pointsOf(UUID entry) {
        return pointsByEntry.getOrDefault(entry, List.of());
    }

    /** The position that counts among those of one name: by origin, then the latest. */
    public Optional<StoredPoint> find(PointName name) {
        return named(name).stream().reduce((first, next) -> next.origin().compareTo(first.origin()) <= 0 ? next : first);
    }

    /** The latest position of a name that has the given origin. */
    public Optional<StoredPoint> find(PointName name, Origin origin) {
        return named(name).stream().filter(p -> p.origin() == origin).reduce((first, next) -> next);
    }

    private List<StoredPoint> named(PointName name) {
        return pointsByName.getOrDefault(name, List.of());
    }

    /** What a name means for staking: its design, else what else bears the name, but never an earlier stake. */
    public Optional<StoredPoint> findDesign(PointName name) {
        return find(name, Origin.DESIGN).or(() -> find(name).filter(p -> p.origin() != Origin.STAKED));
    }

    public Collection<Leaf> leaves() {
        return leaves.values();
    }

    public Optional<Leaf> leaf(UUID entry) {
        return Optional.ofNullable(leaves.get(entry));
    }

    /** The leaf that shots go to now: the last that stands. */
    public Optional<Leaf> openLeaf() {
        return leaves.values().stream().max(Comparator.comparingInt(Leaf::number));
    }

    /** The state after one more entry that neither strikes nor changes settings. */
    JobState after(Entry entry) {
        Payload payload = entry.payload();
        if (payload instanceof Payload.StationSetUp setUp) {
            return withLeaf(entry.id(), setUp);
        }
        if (struck.contains(entry.id())) {
            return this;
        }
        if (payload instanceof Payload.TargetChosen chosen) {
            return new JobState(settings, struck, pointsByEntry, pointsByName, leaves, setUpsWritten, Optional.of(chosen.target()));
        }
        if (payload instanceof Payload.PointsImported imported) {
            return withPoints(entry.id(), imported.points().stream()
                    .map(p -> given(entry.id(), p.name(), p.code(), imported.origin(), p.position())).toList());
        }
        if (payload instanceof Payload.PointKeyed keyed) {
            return withPoints(entry.id(), List.of(given(entry.id(), keyed.name(), keyed.code(), Origin.DESIGN, keyed.position())));
        }
        if (payload instanceof Payload.ShotTaken shot) {
            return withPoints(entry.id(), observed(shot.setup(), shot.reading(), shot.target())
                    .map(o -> new StoredPoint(entry.id(), shot.name(), shot.code(), Origin.MEASURED, o.position(),
                            Optional.of(o.sigma()), Optional.empty()))
                    .stream().toList());
        }
        if (payload instanceof Payload.PointStaked stake) {
            return withPoints(entry.id(), observed(stake.setup(), stake.reading(), stake.target())
                    .map(o -> new StoredPoint(entry.id(), stake.name(), Code.NONE, Origin.STAKED, o.position(),
                            Optional.of(o.sigma()), Optional.of(AsStaked.of(stake.design(), o.position()))))
                    .stream().toList());
        }
        return this;   // notes, and what Journal has already taken account of
    }

    private static StoredPoint given(UUID entry, PointName name, Code code, Origin origin, Position position) {
        return new StoredPoint(entry, name, code, origin, position, Optional.empty(), Optional.empty());
    }

    private Optional<ObservedPoint> observed(UUID setup, TotalStationReading reading, Target target) {
        return leaf(setup).map(leaf -> leaf.solved().station().observe(reading, target));
    }

    /** The occupation that a setup describes, on this job's grid. */
    public Occupation occupation(Payload.StationSetUp setUp, Position station) {
        return new Occupation(station, setUp.instrumentHeight(), setUp.air(), setUp.precision(), setUp.refraction(), settings.site());
    }

    /** Solves a setup with the points known now; empty if a mark is not known or both marks coincide. */
    private Optional<KnownPointSetup.Result> solve(Payload.StationSetUp setUp) {
        try {
            return find(setUp.station()).flatMap(station -> find(setUp.backsight()).map(backsight ->
                    KnownPointSetup.solve(occupation(setUp, station.position()), backsight.position(),
                            setUp.reading(), setUp.target())));
        } catch (SurveyException coincident) {
            return Optional.empty();
        }
    }

    private JobState withPoints(UUID entry, List<StoredPoint> points) {
        if (points.isEmpty()) {
            return this;
        }
        Map<UUID, List<StoredPoint>> byEntry = new LinkedHashMap<>(pointsByEntry);
        byEntry.put(entry, points);
        Map<PointName, List<StoredPoint>> byName = new LinkedHashMap<>(pointsByName);
        for (StoredPoint point : points) {
            byName.merge(point.name(), List.of(point), JobState::joined);
        }
        return new JobState(settings, struck, Collections.unmodifiableMap(byEntry), Collections.unmodifiableMap(byName),
                leaves, setUpsWritten, target);
    }

    private static List<StoredPoint> joined(List<StoredPoint> before, List<StoredPoint> more) {
        List<StoredPoint> all = new ArrayList<>(before);
        all.addAll(more);
        return List.copyOf(all);
    }

    private JobState withLeaf(UUID entry, Payload.StationSetUp setUp) {
        int number = setUpsWritten + 1;
        Map<UUID, Leaf> more = new LinkedHashMap<>(leaves);
        if (!struck.contains(entry)) {
            solve(setUp).ifPresent(solved -> more.put(entry, new Leaf(entry, number, setUp, solved)));
        }
        return new JobState(settings, struck, pointsByEntry, pointsByName, Collections.unmodifiableMap(more), number, target);
    }
}
