package verge.core.chapters;

import static org.assertj.core.api.Assertions.assertThat;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.base.Base;
import verge.core.base.BaseSetUp;
import verge.core.base.Sending;
import verge.core.calibration.InstrumentCalibrated;
import verge.core.calibration.TwoFaceCalibration;
import verge.core.check.Accepted;
import verge.core.check.FindingAccepted;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.cogo.InverseNoted;
import verge.core.drawing.DesignChosen;
import verge.core.enclosure.Original;
import verge.core.enclosure.PhotoMarked;
import verge.core.enclosure.PhotoTaken;
import verge.core.floor.Floor;
import verge.core.floor.FloorChosen;
import verge.core.floor.Floors;
import verge.core.floor.FloorsNamed;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthCovariance;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Position;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.SystemText;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Restored;
import verge.core.journal.Reworked;
import verge.core.journal.Struck;
import verge.core.leaf.CheckTaken;
import verge.core.leaf.Leaf;
import verge.core.leaf.LeafClosed;
import verge.core.leaf.LeafReopened;
import verge.core.leaf.StationSetUp;
import verge.core.measure.Aside;
import verge.core.measure.Finding;
import verge.core.measure.FoundOf;
import verge.core.measure.NotesWritten;
import verge.core.measure.PointFound;
import verge.core.measure.ShotTaken;
import verge.core.measure.SightTaken;
import verge.core.measure.SightsFor;
import verge.core.occupation.PointOccupied;
import verge.core.occupation.Stood;
import verge.core.occupation.StoodKept;
import verge.core.plan.Extent;
import verge.core.plan.Vertices;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointKeyed;
import verge.core.points.PointSeen;
import verge.core.points.PointsImported;
import verge.core.points.PositionChosen;
import verge.core.points.StoredPoint;
import verge.core.pole.TargetChosen;
import verge.core.problem.SurveyException;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.satellite.AntennaHeight;
import verge.core.satellite.AntennaModel;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.Epochs;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.SkyMean;
import verge.core.satellite.SolvedPosition;
import verge.core.session.Baseline;
import verge.core.session.SessionBegun;
import verge.core.session.SessionEnded;
import verge.core.session.SessionName;
import verge.core.sets.MarkCarried;
import verge.core.sets.SetLimits;
import verge.core.sets.SetMark;
import verge.core.sets.SetPointing;
import verge.core.sets.SetTakenOut;
import verge.core.sets.SetsPlanned;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.setup.Arrangement;
import verge.core.setup.Conditions;
import verge.core.setup.Sighting;
import verge.core.stakeout.PointStaked;
import verge.core.stakeout.StakeOccupied;
import verge.core.stakeout.Tolerance;
import verge.core.strings.Bend;
import verge.core.strings.CurveKind;
import verge.core.strings.Edit;
import verge.core.strings.End;
import verge.core.strings.Joining;
import verge.core.strings.StringEdited;
import verge.core.strings.StringName;
import verge.core.strings.SurveyString;
import verge.core.strings.Vertex;
import verge.core.strings.VertexId;
import verge.core.units.Angle;
import verge.core.units.Figures;
import verge.core.units.Length;

/** The property that everything else rests on: however a job came to be, its state is that of all its entries replayed, to the last bit. */
class WavesTest {
    private static final int STEPS = 220;
    private static final List<String> MARKS = List.of("T1", "T2", "T3", "T4");
    private static final Map<String, GridPoint> PLACES = Map.of("T1", new GridPoint(6_314_500, 649_000), "T2",
            new GridPoint(6_314_600, 649_020), "T3", new GridPoint(6_314_520, 649_130), "T4", new GridPoint(6_314_420, 649_060));
    private static final GridPoint STAND = new GridPoint(6_314_530, 649_050);
    private static final InstrumentPrecision PRECISION = InstrumentPrecision.withUsualCare(Angle.ofArcSeconds(2),
            new DistanceMeter(0.658, 1.0002863, new Length(0.001), 1.5));
    private static final EarthCentred HEARD = EarthCentred.of(new EarthPlace(Geographic.ofDegrees(56.95, 11.45), new EllipsoidHeight(47)),
            ReferenceEllipsoid.WGS84);

    private Random random;
    private Journal journal;
    private int names;
    private int found;

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void stepByStepAndAllAtOnceComeToTheSame(long seed) {
        random = new Random(seed);
        journal = Chapters.replay(List.of(entry(1, new SettingsChosen(settings(0)))));
        add(control());
        int refused = 0;
        for (int i = 0; i < STEPS; i++) {
            Payload next = random.nextInt(3) == 0 ? amendment() : fact();
            Journal before = journal;
            try {
                add(next);
            } catch (SurveyException cannotCarry) {
                refused++;
                continue;
            }
            Journal replayed = Chapters.replay(journal.entries());
            compare(journal, replayed, next);
            assertThat(journal.comesToTheSameAs(replayed)).isTrue();
            assertThat(journal.faults()).as("after %s", next).isEmpty();
            keptIsWhatAWalkOverAllFinds(journal.state());
            changesAreTold(before, journal);
        }
        assertThat(refused).isLessThan(STEPS / 4);
        assertThat(journal.state().points().count()).isPositive();
    }

    /** Points, strings and what receivers stood on, as they are kept with each change, against going over all of them. */
    private static void keptIsWhatAWalkOverAllFinds(JobState state) {
        List<StoredPoint> all = state.points().all().toList();
        for (Origin origin : Origin.values()) {
            List<StoredPoint> of = all.stream().filter(p -> p.origin() == origin).toList();
            assertThat(state.points().all(origin).toList()).isEqualTo(of);
            assertThat(state.points().count(origin)).isEqualTo(of.size());
            assertThat(state.points().names(origin)).isEqualTo(of.stream()
                    .collect(Collectors.toMap(StoredPoint::name, p -> 1, Integer::sum, TreeMap::new)));
        }
        List<StoredPoint> measured = state.points().all(Origin.MEASURED).toList();
        List<StoredPoint> backwards = new ArrayList<>(measured);
        Collections.reverse(backwards);
        assertThat(state.points().latestMeasured().toList()).isEqualTo(backwards);
        assertThat(state.points().codes()).isEqualTo(measured.stream()
                .collect(Collectors.toMap(StoredPoint::code, p -> 1, Integer::sum)));
        state.points().codes().keySet().forEach(code ->
                assertThat(state.points().measured(code).toList())
                        .isEqualTo(measured.stream().filter(p -> p.code().equals(code)).toList()));
        assertThat(state.points().countFlat()).isEqualTo((int) all.stream().filter(p -> p.position().elevation().isEmpty()).count());
        Extent.Builder box = new Extent.Builder();
        all.forEach(p -> box.add(p.position().plan().northing(), p.position().plan().easting()));
        assertThat(state.points().extent()).isEqualTo(box.build());
        if (all.isEmpty()) {
            return;
        }
        Extent half = new Extent(box.build().south(), box.build().west(), box.build().middle().northing(), box.build().east());
        assertThat(state.points().within(half).toList()).isEqualTo(all.stream().filter(p -> half.contains(p.position().plan()))
                .sorted(Comparator.comparingLong((StoredPoint p) -> state.line(p.entry())).thenComparing(StoredPoint::name)).toList());
        List<SurveyString> strings = state.strings().all();
        assertThat(state.strings().count()).isEqualTo(strings.size());
        assertThat(state.strings().open()).containsExactlyInAnyOrderElementsOf(strings.stream()
                .filter(s -> !s.ended() && s.hasOwnVertices()).toList());
        assertThat(state.strings().near(half, code -> true).toList()).containsAll(strings.stream()
                .filter(s -> s.vertices().stream().anyMatch(v -> half.contains(v.position().plan()))).toList());
        state.bases().all().forEach(base -> assertThat(state.bases().measuredFrom(base)).isEqualTo((int) all.stream()
                .filter(p -> !p.entry().equals(base.entry()) && state.bases().under(p.entry()).map(Base::entry)
                .equals(Optional.of(base.entry())))
                .count()));
        assertThat(StoodKept.all(state).map(Stood::entry).toList()).isEqualTo(StoodKept.all(state).map(Stood::entry).distinct().toList());
    }

    /** What is not told to have changed has not. */
    private static void changesAreTold(Journal before, Journal after) {
        List<UUID> told = after.changedSince(before.entries().size()).orElseThrow().stream().map(Entry::id).toList();
        after.entries().stream().map(Entry::id).filter(id -> !told.contains(id))
                .forEach(id -> assertThat(after.state().points().of(id)).isEqualTo(before.state().points().of(id)));
        List<UUID> strings = after.changedSince(before.entries().size()).orElseThrow().stream().flatMap(after.state().strings()::touchedBy)
                .toList();
        IntStream.range(0, 4).mapToObj(i -> new UUID(0, i)).filter(id -> !strings.contains(id)).forEach(id -> {
            assertThat(after.state().strings().find(id)).isEqualTo(before.state().strings().find(id));
            assertThat(lines(after, id)).isEqualTo(lines(before, id));
        });
    }

    private static List<Vertices> lines(Journal journal, UUID string) {
        return journal.state().strings().find(string).map(s -> journal.state().strings().shape(s).chords(0.01)).orElse(List.of());
    }

    private void compare(Journal grown, Journal replayed, Payload after) {
        JobState a = grown.state();
        JobState b = replayed.state();
        assertThat(a.points().all().toList()).as("points after %s", after).isEqualTo(b.points().all().toList());
        assertThat(leaves(a)).as("leaves after %s", after).isEqualTo(leaves(b));
        assertThat(a.leaves().open().map(Leaf::entry)).isEqualTo(b.leaves().open().map(Leaf::entry));
        assertThat(List.of(a.target(), a.prism(), a.design(), a.floor(), a.settings(), a.calibration("TS 1"),
                a.latest(new Accepted("K", "x"))))
                .isEqualTo(List.of(b.target(), b.prism(), b.design(), b.floor(), b.settings(), b.calibration("TS 1"),
                b.latest(new Accepted("K", "x"))));
        assertThat(a.strings().all()).as("strings after %s", after).isEqualTo(b.strings().all());
        assertThat(a.enclosures().photos().toList()).isEqualTo(b.enclosures().photos().toList());
        assertThat(a.strings().next(new Code("KRB"))).isEqualTo(b.strings().next(new Code("KRB")));
        for (Leaf leaf : a.leaves().all()) {
            assertThat(a.sets().on(leaf.entry())).isEqualTo(b.sets().on(leaf.entry()));
            assertThat(a.leaves().checks(leaf.entry())).isEqualTo(b.leaves().checks(leaf.entry()));
            assertThat(a.leaves().isClosed(leaf.entry())).isEqualTo(b.leaves().isClosed(leaf.entry()));
        }
        for (Entry e : grown.entries()) {
            assertThat(a.notesOf(e.id())).isEqualTo(b.notesOf(e.id()));
            assertThat(grown.counting(e)).isEqualTo(replayed.counting(e));
            assertThat(a.isStruck(e.id())).isEqualTo(b.isStruck(e.id()));
            assertThat(a.latest(new FoundOf(e.id()))).isEqualTo(b.latest(new FoundOf(e.id())));
        }
        MARKS.forEach(mark -> assertThat(a.points().find(new PointName(mark))).isEqualTo(b.points().find(new PointName(mark))));
    }

    /** Without the plane, which two replays have each of their own. */
    private static List<List<Object>> leaves(JobState state) {
        return state.leaves().all().stream().<List<Object>>map(l ->
                List.of(l.entry(), l.number(), l.written(), l.station().occupation().station(), l.station().orientation(),
                l.station().covariance(), l.solved().marks(), l.solved().variance())).toList();
    }

    private Payload fact() {
        UUID setup = any(StationSetUp.class);
        UUID plan = any(SetsPlanned.class);
        return switch (random.nextInt(28)) {
            case 0 -> control();
            case 1 -> new PointKeyed(name("D"), Code.NONE, somewhere());
            case 2 -> new TargetChosen(target(), "prism " + random.nextInt(3));
            case 3, 4 -> onKnownPoint();
            case 5 -> free();
            case 6 -> new LeafClosed(setup);
            case 7 -> new LeafReopened(setup);
            case 8 -> new CheckTaken(setup, mark(), reading(), target());
            case 9 -> new SetsPlanned(setup, List.of(new SetMark(mark(), target()), new SetMark(name("N"), target())), 1,
                    new SetLimits(new Angle(1e-4), new Angle(1e-4), new Length(0.005)));
            case 10 -> pointing(plan);
            case 11 -> random.nextInt(3) == 0 ? new SetTakenOut(plan, 1, Optional.of(mark()), "rain") : pointing(plan);
            case 12 -> random.nextBoolean() ? new MarkCarried(plan, lastMark(plan))
                    : new InstrumentCalibrated("TS 1", List.of(new TwoFaceCalibration.Pair(one(), two())), new Angle(1e-5), true);
            case 13 -> new NotesWritten(any(ShotTaken.class), Map.of("field", "v" + random.nextInt(9)));
            case 14 -> new PointStaked(setup, name("D"), somewhere(), reading(), target(), Tolerance.USUAL, "");
            case 15 -> random.nextBoolean() ? new FloorsNamed(new Floors(List.of(new Floor("yard", new Elevation(random.nextInt(3))))))
                    : new FloorChosen(Optional.of("yard").filter(f -> random.nextBoolean()));
            case 16 -> random.nextBoolean() ? new DesignChosen(UUID.randomUUID(), "d")
                    : new FindingAccepted("K", "x", "r" + random.nextInt(9));
            case 17 -> random.nextInt(3) == 0 ? new SettingsChosen(settings(random.nextInt(3)), random.nextBoolean())
                    : new InverseNoted(seen(), PointSeen.named(mark()));
            case 18 -> new PositionChosen(random.nextBoolean() ? mark() : name("P"), Optional.of(any()).filter(e -> random.nextInt(3) > 0));
            case 19, 20 -> new StringEdited(string(), edit());
            case 21, 22 -> new SightTaken(setup, pointToBe(), random.nextInt(4) == 0 ? two() : Pointing.of(reading()), target());
            case 23 -> new PointFound(name("F"), new Code("WAL"), finding(), random.nextBoolean() ? Map.of("field", "first") : Map.of(),
                    joins());
            case 24 -> random.nextBoolean() ? new PhotoTaken(any(), "front", new Original("0".repeat(64), "p.jpg", 9), Optional.empty())
                    : new PhotoMarked(any(PhotoTaken.class), Optional.empty(), List.of());
            case 25 -> random.nextInt(5) == 0 ? session() : random.nextInt(4) == 0 ? base() : random.nextInt(4) == 0
                    ? new StakeOccupied(occupied(), somewhere(), Tolerance.USUAL) : occupied();
            default -> new ShotTaken(setup, random.nextInt(4) == 0 ? mark() : name("P"), Code.NONE, reading(), target(),
                    random.nextBoolean() ? Map.of("field", "first") : Map.of(),
                    random.nextInt(3) == 0 ? new Aside(new Length(0.3), Length.ZERO, new Length(-0.1),
                    Optional.of(string()).filter(s -> random.nextBoolean())) : Aside.NONE, joins());
        };
    }

    /** The entry that the sights now taken come together in. */
    private UUID pointToBe() {
        return new UUID(1, found);
    }

    private Finding finding() {
        return switch (journal.state().all(new SightsFor(pointToBe())).size()) {
            case 2 -> new Finding.Beyond(new Length(1.2), Optional.of(new Length(0.8)));
            case 3 -> random.nextBoolean() ? new Finding.Rim() : new Finding.Edges();
            default -> random.nextBoolean() ? new Finding.Taped(seen(), seen(), new Length(80), new Length(70), random.nextBoolean())
                    : new Finding.Square(seen(), PointSeen.named(mark()), new Length(2), new Length(-1));
        };
    }

    private UUID string() {
        return new UUID(0, random.nextInt(4));
    }

    private List<Joining> joins() {
        return Stream.generate(this::string).limit(random.nextInt(3)).distinct()
                .map(s -> new Joining(s, new StringName(new Code("KRB"), 1 + random.nextInt(5)), choice(End.values()),
                choice(Bend.values()), random.nextInt(5) == 0)).toList();
    }

    private <T> T choice(T[] of) {
        return of[random.nextInt(of.length)];
    }

    private VertexId vertex() {
        return journal.state().strings().find(string()).flatMap(s -> s.at(choice(End.values()))).map(Vertex::id)
                .orElseGet(() -> new VertexId(any(), string()));
    }

    private Edit edit() {
        StringName name = new StringName(new Code("QWL"), 1 + random.nextInt(3));
        return switch (random.nextInt(12)) {
            case 0 -> new Edit.Named(name);
            case 1 -> new Edit.Ring(random.nextBoolean());
            case 2 -> new Edit.Ended();
            case 3 -> new Edit.Reversed();
            case 4 -> new Edit.Bent(vertex(), choice(Bend.values()));
            case 5 -> new Edit.Curved(vertex(), Optional.of(choice(CurveKind.values())).filter(k -> random.nextBoolean()));
            case 6 -> new Edit.PointInserted(seen(), Optional.of(vertex()).filter(v -> random.nextBoolean()), Bend.FLOWING);
            case 7 -> new Edit.Dropped(vertex());
            case 8 -> new Edit.Split(vertex(), string(), name);
            case 9 -> new Edit.Joined(string(), choice(End.values()), choice(End.values()));
            case 10 -> new Edit.Beside(string(), name, 0.15, 0.1);
            default -> random.nextBoolean() ? new Edit.Squared() : new Edit.Ordered(List.of(vertex(), vertex()));
        };
    }

    private UUID any() {
        return journal.entries().get(random.nextInt(journal.entries().size())).id();
    }

    private PointSeen seen() {
        return journal.state().points().all().skip(random.nextInt(3)).findFirst()
                .map(p -> PointSeen.of(p, journal.state().points().named(p.name())))
                .orElseGet(() -> PointSeen.named(mark()));
    }

    private Payload amendment() {
        Entry any = journal.entries().get(1 + random.nextInt(journal.entries().size() - 1));
        if (random.nextInt(3) > 0 && journal.canStrike(any.id())) {
            return journal.state().isStruck(any.id()) ? new Restored(any.id()) : new Struck(any.id());
        }
        return new Reworked(any.id(), corrected(any.payload()), "because");
    }

    private Payload corrected(Payload was) {
        if (was instanceof ShotTaken s) {
            return new ShotTaken(s.setup(), random.nextBoolean() ? mark() : s.name(), s.code(), s.reading(), target(), s.notes());
        } else if (was instanceof SightTaken s) {
            return s.with(target());
        } else if (was instanceof PointFound f) {
            return f.renamed(n -> name("F"));
        } else if (was instanceof StationSetUp s && s.arrangement().kind() == Arrangement.Kind.KNOWN_POINT) {
            return onKnownPoint();
        } else if (was instanceof PointsImported) {
            return control();
        } else if (was instanceof SetPointing p) {
            return new SetPointing(p.plan(), p.set(), p.mark(), one());
        } else if (was instanceof SetsPlanned p) {
            return new SetsPlanned(p.setup(), p.marks().stream().map(m -> m.with(target())).toList(), 1, p.limits());
        } else if (was instanceof SettingsChosen) {
            return new SettingsChosen(settings(random.nextInt(3)));
        } else if (was instanceof TargetChosen) {
            return new TargetChosen(target());
        }
        return random.nextBoolean() ? was : new TargetChosen(target());   // of another kind: it counts for nothing
    }

    /** Some of the marks, some of them twice, near enough for free stations or not. */
    private Payload control() {
        double off = random.nextInt(3) == 0 ? random.nextDouble() * 30 : 0;
        return new PointsImported(Origin.CONTROL, "c" + journal.entries().size() + ".csv", "00",
                Stream.concat(MARKS.stream().filter(m -> random.nextInt(4) > 0), Stream.of("T2"))
                .map(m -> new NamedPosition(new PointName(m), Code.NONE,
                Position.of(PLACES.get(m).northing() + off, PLACES.get(m).easting(), 7 + off))).toList());
    }

    private StationSetUp onKnownPoint() {
        List<StoredPoint> known = journal.state().points().all().toList();
        PointName station = known.isEmpty() || random.nextBoolean() ? mark() : known.get(random.nextInt(known.size())).name();
        return StationSetUp.onKnownPoint(station, mark(), new Length(1.5 + random.nextInt(3) * 0.05), target(), reading(),
                new Atmosphere(12, 1013, 60), PRECISION, 0.13, "TS 1", 1, "");
    }

    private Payload free() {
        List<Sighting> sights = MARKS.stream().limit(2 + random.nextInt(3))
                .map(m -> Sighting.of(new PointName(m), new Target(new Length(1.6), Length.ZERO), Pointing.of(towards(PLACES.get(m)))))
                .toList();
        return new StationSetUp(Arrangement.freeStation(name("S"), new Length(1.55), false, sights),
                new Conditions(new Atmosphere(12, 1013, 60), PRECISION, InstrumentErrors.NONE, 0.13), "TS 1", 1, "");
    }

    private static TotalStationReading towards(GridPoint mark) {
        double north = mark.northing() - STAND.northing();
        double east = mark.easting() - STAND.easting();
        return new TotalStationReading(new Angle(Math.atan2(east, north)).wholeCircle(), Angle.ofDegrees(90),
                new Length(Math.hypot(north, east)), "");
    }

    private Payload pointing(UUID plan) {
        PointName mark = random.nextBoolean() ? lastMark(plan) : mark();
        return new SetPointing(plan, 1, mark, random.nextBoolean() ? one() : two());
    }

    private PointName lastMark(UUID plan) {
        return journal.entry(plan).map(e -> ((SetsPlanned) e.payload()).marks().get(1).name()).orElse(new PointName("N"));
    }

    private UUID any(Class<? extends Payload> kind) {
        List<UUID> of = journal.entries().stream().filter(e -> kind.isInstance(e.payload())).map(Entry::id).toList();
        return of.isEmpty() ? UUID.randomUUID() : of.get(random.nextInt(of.size()));
    }

    private Pointing one() {
        return new Pointing(new Angle(1 + random.nextDouble() * 1e-4), new Angle(1.5), Optional.of(new Length(50)), "");
    }

    private Pointing two() {
        return new Pointing(new Angle(1 + Math.PI), new Angle(2 * Math.PI - 1.5), Optional.of(new Length(50 + random.nextDouble() * 1e-3)),
                "");
    }

    private TotalStationReading reading() {
        return new TotalStationReading(Angle.ofDegrees(random.nextDouble() * 360), Angle.ofDegrees(85 + random.nextDouble() * 10),
                new Length(5 + random.nextDouble() * 200), "");
    }

    private Target target() {
        return new Target(new Length(1.3 + random.nextInt(4) * 0.1), new Length(-0.012));
    }

    private PointName mark() {
        return new PointName(MARKS.get(random.nextInt(MARKS.size())));
    }

    private PointName name(String kind) {
        return new PointName(kind + (random.nextInt(3) == 0 ? random.nextInt(9) : ++names + 10));
    }

    private Position somewhere() {
        return Position.of(6_314_500 + random.nextInt(100), 649_000 + random.nextInt(100), 7);
    }

    private static JobSettings settings(int which) {
        if (which == 0) {
            return new JobSettings(Figures.metric(), SystemText.read("+proj=utm +zone=32 +ellps=GRS80 +towgs84=0,0,0"),
                    new GeoidChoice.None(), Optional.empty(), GroundUse.GRID, JobSettings.Work.ALONE);
        }
        return which == 1 ? JobSettings.flat(Figures.metric(), 0.9996)
                : new JobSettings(Figures.metric(), SystemText.read("+proj=utm +zone=33 +ellps=GRS80 +towgs84=0,0,0"),
                new GeoidChoice.None(), Optional.empty(), GroundUse.GRID, JobSettings.Work.ALONE);
    }

    private PointOccupied occupied() {
        boolean based = random.nextBoolean();
        EarthCentred near = based ? new EarthCentred(310, -220, random.nextInt(3)) : HEARD.plus(new EarthCentred(random.nextInt(3), 0, 0));
        AntennaModel dish = new AntennaModel("DISH NONE", Optional.of(new AntennaModel.Rim(0.09, 0.03)), 0.02, Map.of());
        AntennaOverMark on = new AntennaOverMark(dish, new AntennaHeight(new Length(random.nextInt(3)), choice(AntennaHeight.To.values())));
        return new PointOccupied(random.nextInt(4) == 0 ? mark() : name("P"), Code.NONE,
                based ? Optional.of(new BaseHeard("OWN", 7, HEARD)) : Optional.empty(), near,
                new EarthCovariance(1e-4, 0, 0, 1e-4, 0, 1e-4),
                new Epochs(3, Instant.EPOCH, Instant.EPOCH, SolvedPosition.Kind.FIXED, 9, OptionalDouble.empty(), OptionalDouble.empty()),
                on, Optional.empty(), "rover", "", Map.of(), joins());
    }

    private Payload session() {
        AntennaOverMark on = new AntennaOverMark(new AntennaModel("DISH NONE", Optional.empty(), 0.02, Map.of()),
                new AntennaHeight(new Length(random.nextInt(3)), choice(AntennaHeight.To.values())));
        return random.nextBoolean() ? new SessionEnded(any(SessionBegun.class), Optional.of(new Length(random.nextInt(3))))
                : new SessionBegun(mark(), new SessionName("A", "T-2026-152-A"), on, 1, Set.of(SatelliteSystem.GPS), Optional.empty(),
                Optional.of(new Baseline(new Length(900), Optional.of(mark()))), "tripod");
    }

    private BaseSetUp base() {
        AntennaOverMark on = new AntennaOverMark(new AntennaModel("DISH NONE", Optional.empty(), 0.02, Map.of()),
                new AntennaHeight(new Length(random.nextInt(3)), AntennaHeight.To.MOUNT));
        Epochs some = new Epochs(3, Instant.EPOCH, Instant.EPOCH, SolvedPosition.Kind.AUTONOMOUS, 9, OptionalDouble.empty(),
                OptionalDouble.empty());
        SkyMean sky = new SkyMean(HEARD.plus(new EarthCentred(random.nextInt(3), 0, 0)), new EarthCovariance(1, 0, 0, 1, 0, 1), some);
        return new BaseSetUp(random.nextBoolean() ? mark() : name("B"), choice(BaseSetUp.Held.values()), on, new BaseHeard("OWN", 7, HEARD),
                Optional.of(sky), Sending.OTHERWISE, "tripod", "");
    }

    private void add(Payload... payloads) {
        int size = journal.entries().size();
        journal = journal.append(IntStream.range(0, payloads.length).mapToObj(i -> entry(size + 1L + i, payloads[i])).toList());
    }

    /** Some arrive late: they were made before what stands above them. */
    private Entry entry(long sequence, Payload payload) {
        UUID id = payload instanceof PointFound ? new UUID(1, found++) : new UUID(random.nextLong(), random.nextLong());
        return new Entry(id, sequence, Instant.EPOCH.plusSeconds(random.nextInt(10_000)), "tester", "test", payload);
    }
}
