package verge.core.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import verge.core.chapters.Chapters;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.GroundFactor;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Position;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.SystemText;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Restored;
import verge.core.journal.Struck;
import verge.core.leaf.StationSetUp;
import verge.core.measure.NotesWritten;
import verge.core.measure.ShotTaken;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointKeyed;
import verge.core.points.PointsImported;
import verge.core.points.StoredPoint;
import verge.core.pole.TargetChosen;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.stakeout.PointStaked;
import verge.core.stakeout.Tolerance;
import verge.core.units.Angle;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.core.units.PlanAxes;

class JournalTest {
    private static final Target PRISM = new Target(new Length(1.6), new Length(-0.012));
    private final Random random = new Random(5);
    private Journal journal;

    @BeforeEach
    void aJobWithControl() {
        journal = Chapters.replay(List.of(entry(1, settings(1))));
        add(new PointsImported(Origin.CONTROL, "control.csv", "00", List.of(
                point("T1", 100, 100, 10), point("T2", 200, 100, 12), point("T3", 100, 300, 9))));
    }

    @Test
    void aShotIsAPointOfItsLeaf() {
        UUID setup = add(setUp("T1", "T2", 0));
        UUID shot = add(shot(setup, "101", 90, 90, 50));
        StoredPoint point = journal.state().points().find(new PointName("101")).orElseThrow();
        assertThat(point.entry()).isEqualTo(shot);
        assertThat(point.position().plan().northing()).isCloseTo(100, within(1e-3));
        assertThat(point.position().plan().easting()).isCloseTo(149.988, within(1e-3));
        assertThat(point.sigma()).isPresent();
    }

    @Test
    void strikingAShotTakesItsPointAndBringingBackGivesTheSameBits() {
        UUID setup = add(setUp("T1", "T2", 0));
        UUID shot = add(shot(setup, "101", 33, 88, 71));
        StoredPoint before = journal.state().points().of(shot).get(0);
        add(new Struck(shot));
        assertThat(journal.state().points().of(shot)).isEmpty();
        assertThat(journal.state().points().find(new PointName("101"))).isEmpty();
        assertThat(journal.entry(shot)).isPresent();
        add(new Restored(shot));
        assertThat(journal.state().points().of(shot)).containsExactly(before);
    }

    @Test
    void strikingASetupTakesAllItCarriedAndLeavesTheNumbersOfOthers() {
        UUID first = add(setUp("T1", "T2", 0));
        add(shot(first, "101", 10, 90, 20));
        UUID second = add(setUp("T2", "T1", 45));
        add(shot(second, "201", 10, 90, 20));
        add(new Struck(first));
        assertThat(journal.state().points().find(new PointName("101"))).isEmpty();
        assertThat(journal.state().points().find(new PointName("201"))).isPresent();
        assertThat(journal.state().leaves().open().orElseThrow().number()).isEqualTo(2);
        assertThat(journal.state().leaves().find(first)).isEmpty();
    }

    @Test
    void aLaterImportDoesNotMoveAnEarlierSetup() {
        UUID setup = add(setUp("T1", "T2", 0));
        UUID shot = add(shot(setup, "101", 33, 88, 71));
        StoredPoint before = journal.state().points().of(shot).get(0);
        add(new PointsImported(Origin.CONTROL, "newer.csv", "01", List.of(point("T1", 500, 500, 50))));
        assertThat(journal.state().points().of(shot)).containsExactly(before);
        assertThat(Chapters.replay(journal.entries()).state().points().of(shot)).containsExactly(before);
    }

    @Test
    void controlCountsBeforeMeasuredAndBothAreKept() {
        UUID setup = add(setUp("T1", "T2", 0));
        add(shot(setup, "T3", 90, 90, 200));
        PointName t3 = new PointName("T3");
        assertThat(journal.state().points().find(t3).orElseThrow().origin()).isEqualTo(Origin.CONTROL);
        assertThat(journal.state().points().find(t3, Origin.MEASURED)).isPresent();
    }

    @Test
    void aStakeStandsBesideItsDesignWithTheDifference() {
        UUID setup = add(setUp("T1", "T2", 0));
        Position design = Position.of(100, 150, 10);
        add(new PointKeyed(new PointName("P1"), Code.NONE, design));
        add(new PointStaked(setup, new PointName("P1"), design, reading(90, 90, 50.012), PRISM, Tolerance.USUAL, ""));
        PointName p1 = new PointName("P1");
        assertThat(journal.state().points().design(p1).orElseThrow().position()).isEqualTo(design);
        StoredPoint stake = journal.state().points().find(p1, Origin.STAKED).orElseThrow();
        assertThat(stake.staked().orElseThrow().east().metres()).isCloseTo(stake.position().plan().easting() - 150, within(1e-12));
        assertThat(journal.state().points().design(new PointName("unknown"))).isEmpty();
    }

    @Test
    void aChangedScaleMovesWhatWasMeasuredAndNothingGiven() {
        UUID setup = add(setUp("T1", "T2", 0));
        add(shot(setup, "101", 90, 90, 50));
        double before = journal.state().points().find(new PointName("101")).orElseThrow().position().plan().easting() - 100;
        add(settings(0.99));
        double after = journal.state().points().find(new PointName("101")).orElseThrow().position().plan().easting() - 100;
        assertThat(after).isCloseTo(before * 0.99, within(1e-9));
        assertThat(journal.state().points().find(new PointName("T2")).orElseThrow().position()).isEqualTo(Position.of(200, 100, 12));
    }

    @Test
    void aSetupOnAnUnknownOrOnTheSameMarkIsNoLeaf() {
        UUID unknown = add(setUp("T9", "T2", 0));
        UUID same = add(setUp("T1", "T1", 0));
        add(shot(unknown, "101", 0, 90, 10));
        assertThat(journal.state().leaves().all()).isEmpty();
        assertThat(journal.state().leaves().find(same)).isEmpty();
        assertThat(journal.state().points().find(new PointName("101"))).isEmpty();
    }

    @Test
    void theFirstSettingsAndStrikesCannotBeStruck() {
        UUID settings = journal.entries().get(0).id();
        UUID control = journal.entries().get(1).id();
        UUID strike = add(new Struck(control));
        assertThat(journal.canStrike(settings)).isFalse();
        assertThat(journal.canStrike(strike)).isFalse();
        assertThat(journal.canStrike(control)).isTrue();
        assertThat(journal.canStrike(UUID.randomUUID())).isFalse();
        assertThat(journal.state().points().all()).isEmpty();
    }

    @Test
    void whatStandsOnAPointGoesWithIt() {
        UUID first = add(setUp("T1", "T2", 0));
        UUID carried = add(shot(first, "S1", 10, 90, 40));
        UUID second = add(setUp("S1", "T1", 0));
        UUID last = add(shot(second, "201", 20, 90, 15));
        assertThat(journal.pointsThatGoWith(last)).isEqualTo(1);
        assertThat(journal.pointsThatGoWith(second)).isEqualTo(1);
        assertThat(journal.pointsThatGoWith(carried)).isEqualTo(2);
        assertThat(journal.pointsThatGoWith(first)).isEqualTo(2);
        assertThat(journal.pointsThatGoWith(journal.entries().get(1).id())).isEqualTo(5);
        add(new Struck(carried));
        assertThat(journal.state().points().find(new PointName("201"))).as("as foretold").isEmpty();
        assertThat(journal.pointsThatGoWith(carried)).isZero();
    }

    /**
     * Without the settings in the middle there is no way for the places to be taken along: it is refused when tried, and the book can be
     * read.
     */
    @Test
    void settingsThatOthersFollowOnAreNotTriedToBeToldAbout() {
        UUID between = add(new SettingsChosen(projected("+proj=utm +zone=32 +ellps=GRS80 +towgs84=0,0,0")));
        add(new SettingsChosen(projected("+proj=utm +zone=33 +ellps=GRS80 +towgs84=0,0,0"), true));
        assertThat(journal.pointsThatGoWith(between)).isZero();
        assertThatThrownBy(() -> add(new Struck(between)))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.CANNOT_CARRY));
    }

    @Test
    void aGapInTheNumbersIsRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> journal.append(entry(7, settings(1))));
        assertThatIllegalArgumentException().isThrownBy(() -> Chapters.replay(List.of(entry(2, settings(1)))));
        assertThatIllegalArgumentException().isThrownBy(() -> Chapters.replay(List.of(entry(1, new TargetChosen(PRISM)))));
    }

    /** The property that everything else rests on: one entry at a time or all at once, to the last bit. */
    @Test
    void growingAndReplayingGiveTheSameBits() {
        for (int run = 0; run < 30; run++) {
            aJobWithControl();
            List<UUID> setups = new ArrayList<>(List.of(add(setUp("T1", "T2", random.nextDouble() * 360))));
            for (int i = 0; i < 60; i++) {
                step(setups, i);
            }
            JobState replayed = Chapters.replay(journal.entries()).state();
            assertThat(journal.state().points().all().toList()).isEqualTo(replayed.points().all().toList());
            assertThat(List.copyOf(journal.state().leaves().all())).isEqualTo(List.copyOf(replayed.leaves().all()));
            assertThat(journal.state().target()).isEqualTo(replayed.target());
        }
    }

    private void step(List<UUID> setups, int i) {
        UUID any = journal.entries().get(random.nextInt(journal.entries().size())).id();
        switch (random.nextInt(8)) {
            case 0 -> setups.add(add(setUp("T2", random.nextBoolean() ? "T3" : "T1", random.nextDouble() * 360)));
            case 1 -> {
                if (journal.canStrike(any)) {
                    add(journal.state().isStruck(any) ? new Restored(any) : new Struck(any));
                }
            }
            case 2 -> add(settings(0.999 + random.nextDouble() * 0.002));
            case 3 -> add(new TargetChosen(new Target(new Length(random.nextDouble() * 2), Length.ZERO)));
            default -> add(shot(setups.get(random.nextInt(setups.size())), "p" + i, random.nextDouble() * 360,
                    60 + random.nextDouble() * 60,
                    5 + random.nextDouble() * 300));
        }
    }

    /** Control given in one zone, the job moved to the next: either the figures stay, or the places. */
    @Test
    void aChangeOfSystemKeepsFiguresOrPlacesAsAsked() {
        JobSettings zone32 = projected("+proj=utm +zone=32 +ellps=GRS80 +towgs84=0,0,0");
        JobSettings zone33 = projected("+proj=utm +zone=33 +ellps=GRS80 +towgs84=0,0,0");
        journal = Chapters.replay(List.of(entry(1, new SettingsChosen(zone32)),
                entry(2, new PointsImported(Origin.CONTROL, "f", "",
                List.of(point("A", 6_314_490, 649_010, 7), point("B", 6_314_490, 649_110, 7))))));
        JobState before = journal.state();
        assertThat(Moves.between(before, journal.preview(new SettingsChosen(zone33, false))).moved()).isEmpty();
        SettingsChosen carry = new SettingsChosen(zone33, true);
        Moves moves = Moves.between(before, journal.preview(carry));
        assertThat(moves.moved()).hasSize(2);
        assertThat(moves.largest().metres()).isGreaterThan(360_000);
        UUID change = add(carry);
        GridPoint there = journal.state().points().find(new PointName("A")).orElseThrow().position().plan();
        Geographic place = SystemText.projection((CoordinateSystem.Projected) zone33.system()).geographic(there);
        assertThat(SystemText.projection((CoordinateSystem.Projected) zone32.system()).grid(place)
                .distanceMetres(new GridPoint(6_314_490, 649_010))).isLessThan(1e-5);
        add(new Struck(change));
        assertThat(journal.state().points().all().toList()).as("undone to the last bit").isEqualTo(before.points().all().toList());
    }

    @Test
    void placesCannotBeCarriedWhereTheWayIsNotKnown() {
        journal = Chapters.replay(List.of(entry(1, new SettingsChosen(projected("+proj=utm +zone=32 +ellps=GRS80")))));
        assertThatThrownBy(() -> journal.preview(new SettingsChosen(projected("+proj=utm +zone=32 +ellps=bessel"), true)))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.CANNOT_CARRY));
    }

    @Test
    void aJobWithoutAPlaneKeepsItsReadingsAndGetsItsPointsLater() {
        JobSettings flat = JobSettings.flat(Figures.metric(), 1);
        JobSettings latLon = new JobSettings(Figures.metric(), new CoordinateSystem.LatLonOnly("x", ""), flat.geoid(),
                flat.referenceHeight(), flat.ground(), flat.work());
        journal = Chapters.replay(List.of(entry(1, new SettingsChosen(latLon)),
                entry(2, new PointsImported(Origin.CONTROL, "f", "", List.of(point("A", 0, 0, 10), point("B", 0, 100, 10))))));
        UUID leaf = add(setUp("A", "B", 0));
        UUID shot = add(shot(leaf, "1", 90, 90, 50));
        assertThat(journal.state().points().of(shot)).isEmpty();
        add(new SettingsChosen(flat));
        assertThat(journal.state().points().of(shot)).hasSize(1);
    }

    @Test
    void groundCoordinatesMoveWhatIsShownAndNothingElse() {
        journal = Chapters.replay(List.of(entry(1, settings(1))));
        UUID control = add(new PointsImported(Origin.CONTROL, "f", "", List.of(point("A", 1000, 2000, 10), point("B", 1000, 3000, 10))));
        JobState before = journal.state();
        GroundUse use = new GroundUse(GroundUse.Kind.GROUND_COORDINATES,
                Optional.of(new GroundFactor(1.0001, new GridPoint(1000, 2000), GroundFactor.Taken.TYPED,
                Optional.empty(), java.util.OptionalDouble.empty(), "")), 0, 0);
        JobState after = journal.preview(new SettingsChosen(before.settings().with(use)));
        assertThat(after.points().of(control)).isEqualTo(before.points().of(control));
        Moves moves = Moves.between(before, after);
        assertThat(moves.moved()).hasSize(1);
        assertThat(moves.largest().metres()).isCloseTo(0.1, within(1e-9));
        assertThat(after.settings().plan(new GridPoint(1000, 3000))).isEqualTo("N 1000.000  E 3000.100");
        assertThat(after.settings().gridOf(1000, 3000.1).easting()).isCloseTo(3000, within(1e-9));
    }

    /** Each point of a large file is held against its own counterpart, not against all. */
    @Test
    void movesOfManyPointsAreFound() {
        journal = Chapters.replay(List.of(entry(1, settings(1))));
        add(new PointsImported(Origin.CONTROL, "f", "", IntStream.range(0, 60_000).mapToObj(i -> point("P" + i, i, 2 * i, 10)).toList()));
        JobState before = journal.state();
        GroundUse use = new GroundUse(GroundUse.Kind.GROUND_COORDINATES,
                Optional.of(new GroundFactor(1.0001, new GridPoint(0, 0), GroundFactor.Taken.TYPED,
                Optional.empty(), java.util.OptionalDouble.empty(), "")), 0, 0);
        Moves moves = Moves.between(before, journal.preview(new SettingsChosen(before.settings().with(use))));
        assertThat(moves.moved()).hasSize(59_999).first().satisfies(m -> assertThat(m.before().name().text()).isEqualTo("P59999"));
        assertThat(moves.kept()).isEqualTo(1);
    }

    @Test
    void coordinatesAreWrittenInTheJobsOrderAndSense() {
        JobSettings south = JobSettings.flat(Figures.metric().with(new PlanAxes(PlanAxes.Order.EAST_NORTH, true, true)), 1);
        assertThat(south.plan(new GridPoint(-1050538.63, -568991))).isEqualTo("W 568991.000  S 1050538.630");
        assertThat(south.gridOf(1050538.63, 568991)).isEqualTo(new GridPoint(-1050538.63, -568991));
        assertThat(south.offset(new Length(0.01), new Length(-0.02))).isEqualTo("W +0.020 m S \u22120.010 m");
    }

    @Test
    void notesStandBesideTheirShotAndCanBeChangedLater() {
        add(new PointsImported(Origin.CONTROL, "f", "", List.of(point("A", 0, 0, 10), point("B", 0, 100, 10))));
        UUID leaf = add(setUp("A", "B", 0));
        UUID shot = add(new ShotTaken(leaf, new PointName("1"), Code.NONE, reading(90, 90, 50), PRISM, Map.of("condition", "wet")));
        UUID written = add(new NotesWritten(shot, Map.of("material", "oak", "condition", "dry")));
        assertThat(journal.state().notesOf(shot)).containsOnly(Map.entry("condition", "dry"), Map.entry("material", "oak"));
        add(new Struck(written));
        assertThat(journal.state().notesOf(shot)).containsOnly(Map.entry("condition", "wet"));
    }

    private static JobSettings projected(String text) {
        return new JobSettings(Figures.metric(), SystemText.read(text), new GeoidChoice.None(), Optional.empty(), GroundUse.GRID,
                JobSettings.Work.ALONE);
    }

    private UUID add(Payload payload) {
        Entry entry = entry(journal.entries().size() + 1, payload);
        journal = journal.append(entry);
        return entry.id();
    }

    private static Entry entry(long sequence, Payload payload) {
        return new Entry(UUID.randomUUID(), sequence, Instant.EPOCH, "tester", "test", payload);
    }

    private static Payload settings(double scale) {
        return new SettingsChosen(JobSettings.flat(Figures.metric(), scale));
    }

    private static NamedPosition point(String name, double northing, double easting, double elevation) {
        return new NamedPosition(new PointName(name), Code.NONE, Position.of(northing, easting, elevation));
    }

    private static Payload setUp(String station, String backsight, double circleDegrees) {
        DistanceMeter meter = new DistanceMeter(0.658, 1.0002863, new Length(0.001), 1.5);
        return StationSetUp.onKnownPoint(new PointName(station), new PointName(backsight), new Length(1.6), PRISM,
                reading(circleDegrees, 90, 100),
                new Atmosphere(12, 1013, 60), InstrumentPrecision.withUsualCare(Angle.ofArcSeconds(2), meter), 0.13, "test 1", 1, "");
    }

    private static Payload shot(UUID setup, String name, double hzDegrees, double zenithDegrees, double metres) {
        return new ShotTaken(setup, new PointName(name), new Code("GRD"), reading(hzDegrees, zenithDegrees, metres), PRISM);
    }

    private static TotalStationReading reading(double hzDegrees, double zenithDegrees, double metres) {
        return new TotalStationReading(Angle.ofDegrees(hzDegrees), Angle.ofDegrees(zenithDegrees), new Length(metres), "");
    }
}
