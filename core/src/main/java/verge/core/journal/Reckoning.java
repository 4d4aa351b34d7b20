package verge.core.journal;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.problem.SurveyException;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.setup.Arrangement;
import verge.core.setup.ObservedPoint;
import verge.core.setup.StationSolution;
import verge.core.stakeout.AsStaked;

/**
 * A state while entries are being added to it: the one thing here that changes, and only until {@link #state} is asked for. It keeps
 * the replay of a long journal proportional to its length, where a new state an entry would copy all points each time.
 */
final class Reckoning {
    private final JobState before;
    private final Map<UUID, List<StoredPoint>> pointsByEntry;
    private final Map<PointName, List<StoredPoint>> pointsByName;
    private final Map<UUID, Leaf> leaves;
    /** Looks into the maps above as they grow. */
    private final JobState growing;
    private final Map<UUID, Map<String, String>> notes;
    private int setUpsWritten;
    private Told told;

    Reckoning(JobState before) {
        this.before = before;
        pointsByEntry = new LinkedHashMap<>(before.pointsByEntry());
        pointsByName = new LinkedHashMap<>(before.pointsByName());
        leaves = new LinkedHashMap<>(before.leavesByEntry());
        setUpsWritten = before.setUpsWritten();
        told = before.told();
        notes = new HashMap<>(before.notes());
        growing = seen(pointsByEntry, pointsByName, leaves);
    }

    /** What the entries come to. */
    JobState state() {
        return seen(Collections.unmodifiableMap(pointsByEntry), Collections.unmodifiableMap(pointsByName), Collections.unmodifiableMap(leaves));
    }

    private JobState seen(Map<UUID, List<StoredPoint>> byEntry, Map<PointName, List<StoredPoint>> byName, Map<UUID, Leaf> byLeaf) {
        return new JobState(before.geodesy(), before.struck(), byEntry, byName, byLeaf, setUpsWritten, told, before.carrier(), notes, SeenPoints.NONE);
    }

    void add(Entry entry) {
        Payload payload = entry.payload();
        if (payload instanceof Payload.StationSetUp setUp) {
            addLeaf(entry.id(), setUp);
        } else if (before.isStruck(entry.id())) {
            return;
        } else if (payload instanceof Payload.TargetChosen chosen) {
            told = told.with(chosen);
        } else if (payload instanceof Payload.PointsImported imported) {
            told = told.with(entry.id(), imported);
            addPoints(entry.id(), imported.points().stream().map(p -> given(entry, imported.origin(), p)).toList());
        } else if (payload instanceof Payload.PointKeyed keyed) {
            addPoints(entry.id(), List.of(given(entry, Origin.DESIGN, new NamedPosition(keyed.name(), keyed.code(), keyed.position()))));
        } else if (payload instanceof Payload.ShotTaken shot) {
            write(entry.id(), shot.notes());
            observed(shot.setup(), shot.reading(), shot.target()).ifPresent(o -> addPoints(entry.id(), List.of(new StoredPoint(entry.id(),
                    shot.name(), shot.code(), Origin.MEASURED, o.position(), Optional.of(o.sigma()), Optional.empty(), Optional.of(shot.setup())))));
        } else if (payload instanceof Payload.MarkCarried carried) {
            carry(entry.id(), carried);
        } else if (payload instanceof Payload.DesignChosen chosen) {
            told = told.with(chosen);
        } else if (payload instanceof Payload.FloorsNamed named) {
            told = told.with(told.floor().with(named.floors()));
        } else if (payload instanceof Payload.FloorChosen chosen) {
            told = told.with(told.floor().on(chosen.floor()));
        } else if (payload instanceof Payload.FindingAccepted accepted) {
            told = told.with(accepted);
        } else if (payload instanceof Payload.NotesWritten written) {
            write(written.shot(), written.notes());
        } else if (payload instanceof Payload.PointStaked stake) {
            Position design = before.carrier().carried(entry.sequence(), stake.design());
            observed(stake.setup(), stake.reading(), stake.target()).ifPresent(o -> addPoints(entry.id(), List.of(new StoredPoint(entry.id(),
                    stake.name(), Code.NONE, Origin.STAKED, o.position(), Optional.of(o.sigma()),
                    Optional.of(AsStaked.of(design, o.position())), Optional.of(stake.setup())))));
        }
        note(entry.id(), payload);
        // else a remark, or what Journal has already taken account of
    }

    /** What is noted on leaves. */
    private void note(UUID entry, Payload payload) {
        LeafNotes leaves = told.leaves();
        if (payload instanceof Payload.LeafClosed closed) {
            told = told.with(leaves.close(closed.setup()));
        } else if (payload instanceof Payload.LeafReopened opened) {
            told = told.with(leaves.reopen(opened.setup()));
        } else if (payload instanceof Payload.CheckTaken check) {
            told = told.with(leaves.withCheck(check.setup(), entry));
        } else if (payload instanceof Payload.SetsPlanned plan) {
            told = told.with(leaves.with(new Round(entry, plan, List.of())));
        } else if (payload instanceof Payload.SetPointing read) {
            Optional.ofNullable(leaves.rounds().get(read.plan())).ifPresent(round -> told = told.with(leaves.with(round.with(entry, read))));
        } else if (payload instanceof Payload.SetTakenOut out) {
            Optional.ofNullable(leaves.rounds().get(out.plan())).ifPresent(round -> told = told.with(leaves.with(round.without(out))));
        } else if (payload instanceof Payload.InstrumentCalibrated calibrated) {
            told = told.with(leaves.with(calibrated));
        }
    }

    /** The means as they are now, and not what is read or taken out later: the mark was approved as it was seen. */
    private void carry(UUID entry, Payload.MarkCarried carried) {
        Optional.ofNullable(told.leaves().rounds().get(carried.plan())).flatMap(round -> growing.carried(round, round.named(carried.mark()))
                .map(o -> new StoredPoint(entry, round.named(carried.mark()), Code.NONE, Origin.CONTROL, o.position(), Optional.of(o.sigma()), Optional.empty(),
                        Optional.of(round.plan().setup())))).ifPresent(point -> addPoints(entry, List.of(point)));
    }

    private StoredPoint given(Entry entry, Origin origin, NamedPosition p) {
        return StoredPoint.given(entry.id(), origin, p, before.carrier().carried(entry.sequence(), p.position()));
    }

    private void write(UUID shot, Map<String, String> more) {
        if (!more.isEmpty()) {
            Map<String, String> all = new HashMap<>(notes.getOrDefault(shot, Map.of()));
            all.putAll(more);
            notes.put(shot, Map.copyOf(all));
        }
    }

    private Optional<ObservedPoint> observed(UUID setup, TotalStationReading reading, Target target) {
        return Optional.ofNullable(leaves.get(setup)).map(leaf -> leaf.station().observe(reading, target));
    }

    private void addPoints(UUID entry, List<StoredPoint> points) {
        if (!points.isEmpty()) {
            pointsByEntry.put(entry, points);
            points.forEach(point -> pointsByName.merge(point.name(), List.of(point), Reckoning::joined));
        }
    }

    private static List<StoredPoint> joined(List<StoredPoint> before, List<StoredPoint> more) {
        List<StoredPoint> all = new ArrayList<>(before);
        all.addAll(more);
        return List.copyOf(all);
    }

    /** A struck setup still takes its number, so that the leaves after it keep theirs. */
    private void addLeaf(UUID entry, Payload.StationSetUp setUp) {
        setUpsWritten++;
        if (before.isStruck(entry)) {
            return;
        }
        solve(setUp).ifPresent(solved -> {
            leaves.put(entry, new Leaf(entry, setUpsWritten, setUp, solved));
            told = told.with(told.leaves().setUp());
            if (setUp.arrangement().kind() != Arrangement.Kind.KNOWN_POINT) {
                addPoints(entry, List.of(new StoredPoint(entry, setUp.station(), Code.NONE, Origin.MEASURED, solved.station().occupation().station(),
                        Optional.of(solved.station().covariance().position()), Optional.empty(), Optional.of(entry))));
            }
        });
    }

    /** Empty if a mark is not known, marks coincide, there is no solution, or no plane. */
    private Optional<StationSolution> solve(Payload.StationSetUp setUp) {
        try {
            return growing.solve(setUp) instanceof StationSolution solved ? Optional.of(solved) : Optional.empty();
        } catch (SurveyException noPlane) {
            return Optional.empty();
        }
    }
}
