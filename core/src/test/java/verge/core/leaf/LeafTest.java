package verge.core.leaf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import verge.core.chapters.Chapters;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.job.Journal;
import verge.core.job.Moves;
import verge.core.job.Reach;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Restored;
import verge.core.journal.Reworked;
import verge.core.journal.Struck;
import verge.core.measure.ShotTaken;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointsImported;
import verge.core.points.StoredPoint;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.Face;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.sets.MarkCarried;
import verge.core.sets.Round;
import verge.core.sets.SetLimits;
import verge.core.sets.SetMark;
import verge.core.sets.SetPointing;
import verge.core.sets.SetTakenOut;
import verge.core.sets.SetsPlanned;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.setup.Arrangement;
import verge.core.setup.Sighting;
import verge.core.units.Angle;
import verge.core.units.Figures;
import verge.core.units.Length;

/**
 * Leaves after they were accepted: corrections, closing and opening, sets, marks carried on. A at 0, 0; B 100 m north; readings face level.
 */
class LeafTest {
    private static final Target PRISM = new Target(new Length(1.6), Length.ZERO);
    private Journal journal;
    private UUID setup;
    private UUID shot;

    @BeforeEach
    void aLeafWithAShot() {
        journal = Chapters.replay(List.of(new Entry(UUID.randomUUID(), 1, Instant.EPOCH, "p", "d",
                new SettingsChosen(JobSettings.flat(Figures.metric(), 1)))));
        add(new PointsImported(Origin.CONTROL, "c.csv", "0",
                List.of(point("A", 1000, 1000), point("B", 1100, 1000), point("C", 1000, 1100))));
        setup = add(setUp("A", "B", 1.6));
        shot = add(new ShotTaken(setup, new PointName("101"), Code.NONE, reading(90, 50), PRISM));
    }

    private static NamedPosition point(String name, double n, double e) {
        return new NamedPosition(new PointName(name), Code.NONE, Position.of(n, e, 10));
    }

    private static StationSetUp setUp(String station, String backsight, double height) {
        return StationSetUp.onKnownPoint(new PointName(station), new PointName(backsight), new Length(height), PRISM, reading(0, 100),
                new Atmosphere(12, 1013.25, 60),
                InstrumentPrecision.withUsualCare(Angle.ofArcSeconds(2), new DistanceMeter(0.658, 1.0002863, new Length(0.001), 1.5)), 0.13,
                "test 1", 1, "");
    }

    private static TotalStationReading reading(double hz, double metres) {
        return new TotalStationReading(Angle.ofDegrees(hz), Angle.ofDegrees(90), new Length(metres), "");
    }

    private UUID add(Payload payload) {
        UUID id = UUID.randomUUID();
        journal = journal.append(new Entry(id, journal.entries().size() + 1L, Instant.EPOCH, "p", "d", payload));
        return id;
    }

    private StoredPoint find(String name) {
        return journal.state().points().find(new PointName(name)).orElseThrow();
    }

    @Test
    void aCorrectedInstrumentHeightLiftsWhatWasMeasuredAndSaysSoBefore() {
        Payload corrected = setUp("A", "B", 1.5);
        Moves moves = Moves.between(journal.state(), journal.trial(new Reworked(setup, corrected, "")));
        assertThat(moves.moved()).hasSize(1);
        assertThat(moves.moved().get(0).up().orElseThrow().metres()).isCloseTo(-0.1, within(1e-6));
        double before = find("101").position().elevation().orElseThrow().metres();
        UUID rework = add(new Reworked(setup, corrected, "tape misread"));
        assertThat(find("101").position().elevation().orElseThrow().metres()).isCloseTo(before - 0.1, within(1e-6));
        assertThat(journal.entry(setup).orElseThrow().payload()).as("the record stays").isEqualTo(setUp("A", "B", 1.6));
        assertThat(journal.counting(journal.entry(setup).orElseThrow())).isEqualTo(corrected);
        assertThat(journal.changes(setup)).hasSize(1);
        add(new Struck(rework));
        assertThat(find("101").position().elevation().orElseThrow().metres()).isEqualTo(before);
        add(new Restored(rework));
        add(new Reworked(setup, setUp("A", "C", 1.6), "it was C"));
        assertThat(find("101").position().plan().northing()).as("the latest correction counts").isCloseTo(950, within(1e-3));
        assertThat(Chapters.replay(journal.entries()).state().points().all().toList()).isEqualTo(journal.state().points().all().toList());
    }

    @Test
    void aCorrectedShotMovesItselfAlone() {
        add(new Reworked(shot, new ShotTaken(setup, new PointName("201"), Code.NONE, reading(90, 50),
                new Target(new Length(2), Length.ZERO)), "name and pole"));
        assertThat(journal.state().points().find(new PointName("101"))).isEmpty();
        assertThat(find("201").position().elevation().orElseThrow().metres()).isCloseTo(9.6, within(1e-3));
    }

    @Test
    void whatWasChangedLaterOfALeafIsFoundWhateverItTouches() {
        UUID other = add(setUp("B", "A", 1.5));
        UUID elsewhere = add(new ShotTaken(other, new PointName("301"), Code.NONE, reading(90, 50), PRISM));
        UUID check = add(new CheckTaken(setup, new PointName("C"), reading(45, 70), PRISM));
        UUID plan = add(new SetsPlanned(setup, List.of(), 1, new SetLimits(Angle.ZERO, Angle.ZERO, Length.ZERO)));
        UUID pointing = add(new SetPointing(plan, 1, new PointName("C"), Pointing.of(reading(45, 70))));
        add(new Struck(elsewhere));
        List<UUID> changes = List.of(add(new Struck(shot)), add(new Restored(shot)), add(new Struck(check)),
                add(new SetTakenOut(plan, 1, Optional.empty(), "wind")), add(new Struck(pointing)),
                add(new Reworked(setup, setUp("A", "B", 1.5), "tape")));
        assertThat(journal.changes(setup)).extracting(Entry::id).isEqualTo(changes);
        assertThat(journal.changes(other)).hasSize(1);
    }

    @Test
    void leavesAreClosedAndTakenUpAgain() {
        UUID second = add(setUp("B", "A", 1.5));
        assertThat(journal.state().leaves().open().orElseThrow().entry()).isEqualTo(second);
        add(new LeafClosed(second));
        assertThat(journal.state().leaves().open().orElseThrow().entry()).as("the one before stands still").isEqualTo(setup);
        add(new LeafClosed(setup));
        assertThat(journal.state().leaves().open()).isEmpty();
        add(new LeafReopened(setup));
        assertThat(journal.state().leaves().open().orElseThrow().entry()).isEqualTo(setup);
        UUID third = add(setUp("A", "C", 1.5));
        assertThat(journal.state().leaves().open().orElseThrow().entry()).isEqualTo(third);
        add(new Struck(third));
        assertThat(journal.state().leaves().open().orElseThrow().entry()).isEqualTo(setup);
    }

    @Test
    void aFreeStationMakesItsOwnPoint() {
        Arrangement free = Arrangement.freeStation(new PointName("S1"), new Length(1.6), false, List.of(
                Sighting.of(new PointName("B"), PRISM, Pointing.of(reading(0, 50))),
                Sighting.of(new PointName("A"), PRISM, Pointing.of(reading(180, 50)))));
        StationSetUp known = setUp("A", "B", 1.6);
        UUID leaf = add(known.with(free));
        assertThat(find("S1").position().plan().northing()).isCloseTo(1050, within(0.001));
        assertThat(find("S1").sigma()).isPresent();
        add(new Struck(leaf));
        assertThat(journal.state().points().find(new PointName("S1"))).isEmpty();
    }

    /** Two sets on B, C and a new mark N; the second is broken off and goes on where it was. */
    @Test
    void setsGoOnWhereTheyStoppedAndCarryAMarkOn() {
        List<SetMark> marks = List.of("B", "C", "N").stream().map(n -> new SetMark(new PointName(n), PRISM)).toList();
        UUID plan = add(new SetsPlanned(setup, marks, 2, new SetLimits(Angle.ofArcSeconds(30), Angle.ofArcSeconds(30), new Length(0.005))));
        List<String> order = new ArrayList<>();
        for (Optional<Round.Step> step = next(plan); step.isPresent(); step = next(plan)) {
            order.add(step.get().mark() + (step.get().face() == Face.ONE ? "1" : "2"));
            add(new SetPointing(plan, step.get().set(), step.get().mark(), sight(step.get())));
        }
        assertThat(order).containsExactly("B1", "C1", "N1", "N2", "C2", "B2", "B1", "C1", "N1", "N2", "C2", "B2");
        UUID carried = add(new MarkCarried(plan, new PointName("N")));
        StoredPoint n = find("N");
        assertThat(n.origin()).isEqualTo(Origin.CONTROL);
        assertThat(n.position().plan().distanceMetres(Position.of(1000 + 80 * Math.cos(Math.toRadians(200)),
                1000 + 80 * Math.sin(Math.toRadians(200)), 0).plan())).isLessThan(0.001);
        add(new SetTakenOut(plan, 1, Optional.of(new PointName("N")), "a gust"));
        assertThat(journal.state().sets().find(plan).orElseThrow().reduced().means().get(2).sets()).isEqualTo(1);
        assertThat(find("N").position()).as("approved as it was seen").isEqualTo(n.position());
        assertThat(Chapters.replay(journal.entries()).state().points().of(carried)).isEqualTo(List.of(n));
        assertThat(journal.state().sets().lastTarget(new PointName("N"))).contains(PRISM);
    }

    private Optional<Round.Step> next(UUID plan) {
        return journal.state().sets().find(plan).orElseThrow().next();
    }

    private static Pointing sight(Round.Step step) {
        double hz = switch (step.mark().text()) {
            case "B" -> 0;
            case "C" -> 90;
            default -> 200;
        };
        double metres = step.mark().text().equals("N") ? 80 : 100;
        boolean two = step.face() == Face.TWO;
        return new Pointing(Angle.ofDegrees((hz + (two ? 180 : 0)) % 360), Angle.ofDegrees(two ? 270 : 90), Optional.of(new Length(metres)),
                "");
    }

    @Test
    void howFarAndHowSteeplyAJobHasSighted() {
        assertThat(Reach.of(journal).longest().metres()).isEqualTo(100);
        add(new CheckTaken(setup, new PointName("C"),
                new TotalStationReading(Angle.ofDegrees(90), Angle.ofDegrees(60), new Length(140), ""), PRISM));
        assertThat(Reach.of(journal).longest().metres()).isEqualTo(140);
        assertThat(Reach.of(journal).steepest().degrees()).isCloseTo(30, within(1e-9));
        assertThat(journal.state().leaves().checks(setup)).hasSize(1);
    }
}
