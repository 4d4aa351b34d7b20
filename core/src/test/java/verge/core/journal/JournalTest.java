package verge.core.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.stakeout.Tolerance;
import verge.core.units.Angle;
import verge.core.units.Figures;
import verge.core.units.Length;

class JournalTest {
    private static final Target PRISM = new Target(new Length(1.6), new Length(-0.012));
    private final Random random = new Random(5);
    private Journal journal;

    @BeforeEach
    void aJobWithControl() {
        journal = Journal.replay(List.of(entry(1, settings(1))));
        add(new Payload.PointsImported(Origin.CONTROL, "control.csv", "00", List.of(
                point("T1", 100, 100, 10), point("T2", 200, 100, 12), point("T3", 100, 300, 9))));
    }

    @Test
    void aShotIsAPointOfItsLeaf() {
        UUID setup = add(setUp("T1", "T2", 0));
        UUID shot = add(shot(setup, "101", 90, 90, 50));
        StoredPoint point = journal.state().find(new PointName("101")).orElseThrow();
        assertThat(point.entry()).isEqualTo(shot);
        assertThat(point.position().plan().northing()).isCloseTo(100, within(1e-3));
        assertThat(point.position().plan().easting()).isCloseTo(149.988, within(1e-3));
        assertThat(point.sigma()).isPresent();
    }

    @Test
    void strikingAShotTakesItsPointAndBringingBackGivesTheSameBits() {
        UUID setup = add(setUp("T1", "T2", 0));
        UUID shot = add(shot(setup, "101", 33, 88, 71));
        StoredPoint before = journal.state().pointsOf(shot).get(0);
        add(new Payload.Struck(shot));
        assertThat(journal.state().pointsOf(shot)).isEmpty();
        assertThat(journal.state().find(new PointName("101"))).isEmpty();
        assertThat(journal.entry(shot)).isPresent();
        add(new Payload.Restored(shot));
        assertThat(journal.state().pointsOf(shot)).containsExactly(before);
    }

    @Test
    void strikingASetupTakesAllItCarriedAndLeavesTheNumbersOfOthers() {
        UUID first = add(setUp("T1", "T2", 0));
        add(shot(first, "101", 10, 90, 20));
        UUID second = add(setUp("T2", "T1", 45));
        add(shot(second, "201", 10, 90, 20));
        add(new Payload.Struck(first));
        assertThat(journal.state().find(new PointName("101"))).isEmpty();
        assertThat(journal.state().find(new PointName("201"))).isPresent();
        assertThat(journal.state().openLeaf().orElseThrow().number()).isEqualTo(2);
        assertThat(journal.state().leaf(first)).isEmpty();
    }

    @Test
    void aLaterImportDoesNotMoveAnEarlierSetup() {
        UUID setup = add(setUp("T1", "T2", 0));
        UUID shot = add(shot(setup, "101", 33, 88, 71));
        StoredPoint before = journal.state().pointsOf(shot).get(0);
        add(new Payload.PointsImported(Origin.CONTROL, "newer.csv", "01", List.of(point("T1", 500, 500, 50))));
        assertThat(journal.state().pointsOf(shot)).containsExactly(before);
        assertThat(Journal.replay(journal.entries()).state().pointsOf(shot)).containsExactly(before);
    }

    @Test
    void controlCountsBeforeMeasuredAndBothAreKept() {
        UUID setup = add(setUp("T1", "T2", 0));
        add(shot(setup, "T3", 90, 90, 200));
        PointName t3 = new PointName("T3");
        assertThat(journal.state().find(t3).orElseThrow().origin()).isEqualTo(Origin.CONTROL);
        assertThat(journal.state().find(t3, Origin.MEASURED)).isPresent();
    }

    @Test
    void aStakeStandsBesideItsDesignWithTheDifference() {
        UUID setup = add(setUp("T1", "T2", 0));
        Position design = Position.of(100, 150, 10);
        add(new Payload.PointKeyed(new PointName("P1"), Code.NONE, design));
        add(new Payload.PointStaked(setup, new PointName("P1"), design, reading(90, 90, 50.012), PRISM, Tolerance.USUAL, ""));
        PointName p1 = new PointName("P1");
        assertThat(journal.state().findDesign(p1).orElseThrow().position()).isEqualTo(design);
        StoredPoint stake = journal.state().find(p1, Origin.STAKED).orElseThrow();
        assertThat(stake.staked().orElseThrow().east().metres()).isCloseTo(stake.position().plan().easting() - 150, within(1e-12));
        assertThat(journal.state().findDesign(new PointName("unknown"))).isEmpty();
    }

    @Test
    void aChangedScaleMovesWhatWasMeasuredAndNothingGiven() {
        UUID setup = add(setUp("T1", "T2", 0));
        add(shot(setup, "101", 90, 90, 50));
        double before = journal.state().find(new PointName("101")).orElseThrow().position().plan().easting() - 100;
        add(settings(0.99));
        double after = journal.state().find(new PointName("101")).orElseThrow().position().plan().easting() - 100;
        assertThat(after).isCloseTo(before * 0.99, within(1e-9));
        assertThat(journal.state().find(new PointName("T2")).orElseThrow().position()).isEqualTo(Position.of(200, 100, 12));
    }

    @Test
    void aSetupOnAnUnknownOrOnTheSameMarkIsNoLeaf() {
        UUID unknown = add(setUp("T9", "T2", 0));
        UUID same = add(setUp("T1", "T1", 0));
        add(shot(unknown, "101", 0, 90, 10));
        assertThat(journal.state().leaves()).isEmpty();
        assertThat(journal.state().leaf(same)).isEmpty();
        assertThat(journal.state().find(new PointName("101"))).isEmpty();
    }

    @Test
    void theFirstSettingsAndStrikesCannotBeStruck() {
        UUID settings = journal.entries().get(0).id();
        UUID control = journal.entries().get(1).id();
        UUID strike = add(new Payload.Struck(control));
        assertThat(journal.canStrike(settings)).isFalse();
        assertThat(journal.canStrike(strike)).isFalse();
        assertThat(journal.canStrike(control)).isTrue();
        assertThat(journal.canStrike(UUID.randomUUID())).isFalse();
        assertThat(journal.state().points()).isEmpty();
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
        add(new Payload.Struck(carried));
        assertThat(journal.state().find(new PointName("201"))).as("as foretold").isEmpty();
        assertThat(journal.pointsThatGoWith(carried)).isZero();
    }

    @Test
    void aGapInTheNumbersIsRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> journal.append(entry(7, settings(1))));
        assertThatIllegalArgumentException().isThrownBy(() -> Journal.replay(List.of(entry(2, settings(1)))));
        assertThatIllegalArgumentException().isThrownBy(() -> Journal.replay(List.of(entry(1, new Payload.TargetChosen(PRISM)))));
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
            JobState replayed = Journal.replay(journal.entries()).state();
            assertThat(journal.state().points().toList()).isEqualTo(replayed.points().toList());
            assertThat(List.copyOf(journal.state().leaves())).isEqualTo(List.copyOf(replayed.leaves()));
            assertThat(journal.state().target()).isEqualTo(replayed.target());
        }
    }

    private void step(List<UUID> setups, int i) {
        UUID any = journal.entries().get(random.nextInt(journal.entries().size())).id();
        switch (random.nextInt(8)) {
            case 0 -> setups.add(add(setUp("T2", random.nextBoolean() ? "T3" : "T1", random.nextDouble() * 360)));
            case 1 -> {
                if (journal.canStrike(any)) {
                    add(journal.state().isStruck(any) ? new Payload.Restored(any) : new Payload.Struck(any));
                }
            }
            case 2 -> add(settings(0.999 + random.nextDouble() * 0.002));
            case 3 -> add(new Payload.TargetChosen(new Target(new Length(random.nextDouble() * 2), Length.ZERO)));
            default -> add(shot(setups.get(random.nextInt(setups.size())), "p" + i, random.nextDouble() * 360, 60 + random.nextDouble() * 60,
                    5 + random.nextDouble() * 300));
        }
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
        return new Payload.SettingsChosen(JobSettings.flat(Figures.metric(), scale));
    }

    private static NamedPosition point(String name, double northing, double easting, double elevation) {
        return new NamedPosition(new PointName(name), Code.NONE, Position.of(northing, easting, elevation));
    }

    private static Payload setUp(String station, String backsight, double circleDegrees) {
        DistanceMeter meter = new DistanceMeter(0.658, 1.0002863, new Length(0.001), 1.5);
        return new Payload.StationSetUp(new PointName(station), new PointName(backsight), new Length(1.6), PRISM, reading(circleDegrees, 90, 100),
                new Atmosphere(12, 1013, 60), InstrumentPrecision.withUsualCare(Angle.ofArcSeconds(2), meter), 0.13, "test 1", 1, "");
    }

    private static Payload shot(UUID setup, String name, double hzDegrees, double zenithDegrees, double metres) {
        return new Payload.ShotTaken(setup, new PointName(name), new Code("GRD"), reading(hzDegrees, zenithDegrees, metres), PRISM);
    }

    private static TotalStationReading reading(double hzDegrees, double zenithDegrees, double metres) {
        return new TotalStationReading(Angle.ofDegrees(hzDegrees), Angle.ofDegrees(zenithDegrees), new Length(metres), "");
    }
}
