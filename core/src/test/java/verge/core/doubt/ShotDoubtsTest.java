package verge.core.doubt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.chapters.Chapters;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.leaf.StationSetUp;
import verge.core.measure.Aside;
import verge.core.measure.ShotTaken;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointsImported;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.strings.Bend;
import verge.core.strings.End;
import verge.core.strings.Joining;
import verge.core.strings.StringName;
import verge.core.units.Angle;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Slips told, and ordinary shots left in peace. Shots are read from N 1000 E 2000, height 10, towards places about it. */
class ShotDoubtsTest {
    private static final Target POLE = new Target(new Length(1.5), Length.ZERO);
    private static final UUID KERB = new UUID(0, 1);
    private static final UUID STEP = new UUID(0, 2);

    private Journal journal = Chapters.replay(List.of(entry(1, new SettingsChosen(JobSettings.flat(Figures.metric(), 1)))));
    private final UUID setup;
    private int names = 100;

    ShotDoubtsTest() {
        add(new PointsImported(Origin.CONTROL, "c.csv", "00", List.of(new NamedPosition(new PointName("T1"), Code.NONE, Position.of(1000, 2000, 10)), new NamedPosition(new PointName("T2"), Code.NONE, Position.of(1100, 2000, 10)))));
        setup = add(StationSetUp.onKnownPoint(new PointName("T1"), new PointName("T2"), new Length(1.5), POLE, reading(100, 0, 0), new Atmosphere(12, 1013, 60),
                InstrumentPrecision.withUsualCare(Angle.ofArcSeconds(2), new DistanceMeter(0.658, 1.0002863, new Length(0.001), 1.5)), 0.13, "TS 1", 1, "")).id();
    }

    private static Entry entry(long sequence, Payload payload) {
        return new Entry(UUID.randomUUID(), sequence, Instant.EPOCH, "p", "d", payload);
    }

    private Entry add(Payload payload) {
        Entry entry = entry(journal.entries().size() + 1L, payload);
        journal = journal.append(entry);
        return entry;
    }

    private static TotalStationReading reading(double north, double east, double up) {
        double slope = Math.sqrt(north * north + east * east + up * up);
        return new TotalStationReading(new Angle(Math.atan2(east, north)).wholeCircle(), new Angle(Math.acos(up / slope)), new Length(slope), "");
    }

    private List<Doubt> shoot(String name, String code, UUID string, double north, double east, double up) {
        List<Joining> joins = string == null ? List.of() : List.of(new Joining(string, new StringName(new Code(code), 1), End.LAST, Bend.CORNER, false));
        Entry shot = add(new ShotTaken(setup, new PointName(name), new Code(code), reading(north, east, up), POLE, Map.of(), Aside.NONE, joins));
        return ShotDoubts.of(journal, shot, Codebook.general());
    }

    private List<Doubt> shoot(String code, UUID string, double north, double east, double up) {
        return shoot(Integer.toString(++names), code, string, north, east, up);
    }

    /** A kerb that climbs evenly, shot every ten metres; heights and the distance of the last are given. */
    @ParameterizedTest
    @CsvSource({"1.6, 10, ", "2.4, 10, HeightJump", "0.8, 10, HeightJump", "2.0, 10, ", "2.9, 30, ", "6.0, 55, LongPiece", "1.0, 3, ", "1.9, 3, HeightJump"})
    void jumpsAlongAStringAreDoubted(double height, double distance, String doubt) {
        List<Doubt> quiet = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            quiet.addAll(shoot("KRB", KERB, 20, 10 * i, 0.4 * i));
        }
        assertThat(quiet).isEmpty();
        assertThat(shoot("KRB", KERB, 20, 30 + distance, height)).extracting(d -> d.getClass().getSimpleName()).containsExactlyElementsOf(doubt == null ? List.of() : List.of(doubt));
    }

    @Test
    void aJumpSaysHowFarFromWhereTheStringWasHeading() {
        shoot("KRB", KERB, 20, 0, 0);
        shoot("KRB", KERB, 20, 10, 0.2);
        assertThat(shoot("KRB", KERB, 20, 20, 1.2)).singleElement().isInstanceOfSatisfying(Doubt.HeightJump.class, jump -> {
            assertThat(jump.off().metres()).isCloseTo(0.8, within(1e-3));
            assertThat(jump.pole()).isEqualTo(POLE.height());
            assertThat(jump.from().text() + jump.to().text()).isEqualTo("102103");
        });
    }

    /** A step that climbs eight metres by six decimetres and turns along the slope: its next corner is as high as its last. */
    @Test
    void roundACornerTheGroundMayGoLevel() {
        UUID step = new UUID(0, 9);
        assertThat(List.of(shoot("STP", step, 20, 20, 0), shoot("STP", step, 20, 34, 0.6), shoot("STP", step, 28, 34, 1.2), shoot("STP", step, 28, 20, 0.6))).allMatch(List::isEmpty);
        assertThat(shoot("STP", step, 27, 20, 2.6)).singleElement().isInstanceOf(Doubt.HeightJump.class);
    }

    @Test
    void breaklinesThatCrossAtTwoHeightsAreDoubtedAndThoseThatMeetAreNot() {
        shoot("KRB", KERB, 20, 0, 0);
        shoot("KRB", KERB, 20, 10, 0);
        shoot("STP", STEP, 15, 5, 0.2);
        assertThat(shoot("STP", STEP, 25, 5, 0.2)).singleElement().isInstanceOfSatisfying(Doubt.Crossing.class, c -> assertThat(c.above().metres()).isCloseTo(0.2, within(1e-3)));
        assertThat(shoot("STP", STEP, 25, 30, 0.2)).isEmpty();
        UUID railing = new UUID(0, 3);   // no breakline
        shoot("RLG", railing, 15, 7, 1);
        assertThat(shoot("RLG", railing, 25, 7, 1)).isEmpty();
        shoot("KRB", new UUID(0, 4), 15, 2, 0.01);
        assertThat(shoot("KRB", new UUID(0, 4), 25, 2, 0.01)).as("a centimetre is nothing").isEmpty();
    }

    @Test
    void whatIsLeftWithOnePointAndWhatStandsAloneIsTold() {
        for (int i = 0; i < 10; i++) {
            assertThat(shoot("KRB", KERB, 20, 3 * i, 0)).isEmpty();
        }
        assertThat(shoot("KRB", null, 21, 30, 0)).singleElement().isInstanceOf(Doubt.Alone.class);
        assertThat(shoot("STP", STEP, 30, 0, 0)).isEmpty();
        assertThat(shoot("LMP", null, 31, 0, 0)).singleElement().isEqualTo(new Doubt.OnePoint(new StringName(new Code("STP"), 1)));
    }

    @Test
    void aNameGivenAgainSaysHowFarApartBothLie() {
        shoot("7", "LMP", null, 20, 0, 1);
        assertThat(shoot("7", "LMP", null, 20.03, 0.04, 1.01)).singleElement().isInstanceOfSatisfying(Doubt.SameName.class, same -> {
            assertThat(same.plan().metres()).isCloseTo(0.05, within(1e-3));
            assertThat(same.up().orElseThrow().metres()).isCloseTo(0.01, within(1e-3));
        });
        assertThat(journal.state().allNamed(new PointName("7"))).hasSize(2);
        assertThat(Arrays.asList(ShotDoubts.of(journal, journal.entries().get(0), Codebook.general()))).containsOnly(List.of());
    }
}
