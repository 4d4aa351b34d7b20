package verge.core.rework;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import verge.core.chapters.Chapters;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.cogo.InverseNoted;
import verge.core.geodesy.Position;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Restored;
import verge.core.journal.Reworked;
import verge.core.journal.Struck;
import verge.core.leaf.CheckTaken;
import verge.core.leaf.StationSetUp;
import verge.core.measure.ShotTaken;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointSeen;
import verge.core.points.PointsImported;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.Angle;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Corrections of one line and of several, and what they do. Each line is written a minute after the one before, the first at 8:01. */
class CorrectionTest {
    private static final Instant EIGHT = Instant.parse("2026-06-01T08:00:00Z");
    private static final Length POLE_PRISM = new Length(-0.012);
    private static final Length TRIPOD_PRISM = new Length(-0.030);
    private static final Set<Class<? extends Payload>> READ = Set.of(ShotTaken.class, CheckTaken.class, StationSetUp.class);
    private Journal journal;
    private UUID leaf;

    /** Lines: 1 settings, 2 control, 3 setup on T1 to T2, 4 to 6 shots 101 to 103, 7 a check to T3. */
    @BeforeEach
    void aMorning() {
        journal = Chapters.replay(List.of(entry(1, new SettingsChosen(JobSettings.flat(Figures.metric(), 1)))));
        write(new PointsImported(Origin.CONTROL, "control.csv", "00",
                List.of(point("T1", 100, 100), point("T2", 200, 100), point("T3", 100, 200))));
        leaf = write(setUp("T1", "T2"));
        write(shot("101", "TREE", 30));
        write(shot("102", "KERB", 60));
        write(shot("103", "TREE", 120));
        write(new CheckTaken(leaf, name("T3"), reading(90, 100.012), new Target(new Length(1.6), POLE_PRISM)));
    }

    private static Entry entry(long sequence, Payload payload) {
        return new Entry(UUID.randomUUID(), sequence, EIGHT.plusSeconds(60 * sequence), "tester", "test", payload);
    }

    private UUID write(Payload payload) {
        Entry entry = entry(journal.entries().size() + 1L, payload);
        journal = journal.append(entry);
        return entry.id();
    }

    private static PointName name(String text) {
        return new PointName(text);
    }

    private static NamedPosition point(String name, double northing, double easting) {
        return new NamedPosition(name(name), Code.NONE, Position.of(northing, easting, 10));
    }

    private static TotalStationReading reading(double hzDegrees, double metres) {
        return new TotalStationReading(Angle.ofDegrees(hzDegrees), Angle.ofDegrees(90), new Length(metres), "");
    }

    private static StationSetUp setUp(String station, String backsight) {
        return StationSetUp.onKnownPoint(name(station), name(backsight), new Length(1.6), new Target(new Length(1.6), TRIPOD_PRISM),
                reading(0, 100.03), new Atmosphere(12, 1013, 60),
                InstrumentPrecision.withUsualCare(Angle.ofArcSeconds(2), new DistanceMeter(0.658, 1.0002863, new Length(0.001), 1.5)), 0.13,
                "test 1", 1, "");
    }

    private ShotTaken shot(String name, String code, double hzDegrees) {
        return new ShotTaken(leaf, name(name), new Code(code), reading(hzDegrees, 50), new Target(new Length(1.6), POLE_PRISM));
    }

    private static Choice all() {
        return new Choice(READ, Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Set.of());
    }

    private Journal with(List<? extends Payload> corrections) {
        return journal.tried(List.copyOf(corrections));
    }

    private double height(Journal of, String name) {
        return of.state().points().find(name(name)).orElseThrow().position().elevation().orElseThrow().metres();
    }

    static Stream<Arguments> choices() {
        return Stream.of(
                Arguments.of("all of the kinds",
                new Choice(READ, Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Set.of()),
                List.of(3L, 4L, 5L, 6L, 7L)),
                Arguments.of("from a moment on",
                new Choice(READ, Optional.of(EIGHT.plusSeconds(300)), Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.empty(), Set.of()), List.of(5L, 6L, 7L)),
                Arguments.of("up to a moment",
                new Choice(READ, Optional.empty(), Optional.of(EIGHT.plusSeconds(300)), Optional.empty(), Optional.empty(),
                Optional.empty(), Set.of()), List.of(3L, 4L, 5L)),
                Arguments.of("a code", new Choice(READ, Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(new Code("TREE")),
                Optional.empty(), Set.of()), List.of(4L, 6L)),
                Arguments.of("a prism", new Choice(READ, Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.of(new Length(-0.02999)), Set.of()), List.of(3L)),
                Arguments.of("names", new Choice(READ, Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.empty(), Set.of(name("103"), name("T2"))), List.of(3L, 6L)),
                Arguments.of("one kind", new Choice(Set.of(CheckTaken.class), Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.empty(), Optional.empty(), Set.of()), List.of(7L)));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("choices")
    void linesAreChosen(String how, Choice choice, List<Long> lines) {
        assertThat(choice.of(journal)).extracting(Entry::sequence).containsExactlyElementsOf(lines);
    }

    @Test
    void aLeafIsChosenWithAllThatWasReadFromIt() {
        UUID other = write(setUp("T1", "T3"));
        write(new ShotTaken(other, name("201"), Code.NONE, reading(10, 20), new Target(new Length(1.6), POLE_PRISM)));
        Choice ofOther = new Choice(READ, Optional.empty(), Optional.empty(), Optional.of(other), Optional.empty(), Optional.empty(),
                Set.of());
        assertThat(ofOther.of(journal)).extracting(Entry::sequence).containsExactly(8L, 9L);
    }

    @Test
    void aLongerPoleLowersWhatWasReadToItAndNothingElse() {
        UUID struck = journal.entries().get(4).id();
        write(new Struck(struck));
        Choice shots = new Choice(Set.of(ShotTaken.class), Optional.empty(), Optional.of(EIGHT.plusSeconds(300)), Optional.empty(),
                Optional.empty(), Optional.empty(), Set.of());
        List<Reworked> corrections = Correction.of(journal, shots, new Change.PoleBy(new Length(0.1)), "pole");
        assertThat(corrections).extracting(Reworked::entry).containsExactly(journal.entries().get(3).id());
        Consequences done = Consequences.between(journal, with(corrections));
        assertThat(done.moves().moved()).singleElement()
                .satisfies(m -> assertThat(m.up().orElseThrow().metres()).isCloseTo(-0.1, within(1e-9)));
        assertThat(height(with(corrections), "103")).isEqualTo(height(journal, "103"));
        assertThatThrownBy(() -> Correction.of(journal, shots, new Change.PoleBy(new Length(-1.61)), "pole"))
                .hasMessageContaining(Problem.POLE_BELOW_GROUND.name());
    }

    /** What was corrected once is corrected from there on, and back again without a trace of rounding. */
    @Test
    void correctionsOfCorrectionsAddUpAndComeOff() {
        List<Reworked> once = Correction.of(journal, all(), new Change.PoleWas(new Length(2)), "pole");
        Journal corrected = with(once);
        List<Reworked> again = Correction.of(corrected, all(), new Change.PoleBy(new Length(0.25)), "pole");
        Journal twice = corrected.tried(List.copyOf(again));
        assertThat(height(twice, "101")).isCloseTo(height(corrected, "101") - 0.25, within(1e-9));
        assertThat(((ShotTaken) twice.counting(journal.entries().get(3))).target().height().metres()).isEqualTo(2.25);
        Journal back = twice.tried(twice.after(journal.entries().size()).stream().<Payload>map(e -> new Struck(e.id())).toList());
        assertThat(back.state().points().all().toList()).isEqualTo(journal.state().points().all().toList());
        assertThat(back.tried(List.of(new Restored(twice.after(journal.entries().size()).get(0).id()))).state().leaves().find(leaf))
                .isPresent();
    }

    @Test
    void aPrismIsExchangedOnlyWhereItWasWritten() {
        Choice pole = new Choice(READ, Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(POLE_PRISM),
                Set.of());
        List<Reworked> corrections = Correction.of(journal, pole, new Change.PrismWas(TRIPOD_PRISM), "prism");
        assertThat(corrections).extracting(r -> r.corrected().getClass().getSimpleName())
                .containsExactly("ShotTaken", "ShotTaken", "ShotTaken", "CheckTaken");
        assertThat(Consequences.between(journal, with(corrections)).moves().moved()).hasSize(3)
                .allSatisfy(m -> assertThat(m.distance().metres()).isCloseTo(0.018, within(1e-6)));
    }

    @Test
    void exchangedNamesTurnTheLeafAndSayWhichChecksHoldNoMore() {
        List<Reworked> corrections = Correction.of(journal, all(), new Change.Exchanged(name("T2"), name("T3")), "the marks were confused");
        Consequences done = Consequences.between(journal, with(corrections));
        assertThat(corrections).hasSize(2);
        assertThat(done.leaves()).singleElement()
                .satisfies(l -> assertThat(l.turned().orElseThrow().degrees()).isCloseTo(90, within(1e-9)));
        assertThat(done.moves().moved()).hasSize(3);
        assertThat(done.checks()).singleElement().satisfies(c -> assertThat(c.before().orElseThrow().within()).isTrue());
        assertThat(done.checks().get(0).after().orElseThrow().within()).isFalse();
    }

    @Test
    void airAndCodeAreCorrected() {
        List<Reworked> air = Correction.of(journal, all(), new Change.AirWas(32, 1013), "the thermometer lay in the sun");
        // about 1 ppm a degree over 50 m
        assertThat(Consequences.between(journal, with(air)).moves().moved()).isNotEmpty()
                .allSatisfy(m -> assertThat(m.distance().metres()).isBetween(5e-4, 2e-3));
        List<Reworked> code = Correction.of(journal,
                new Choice(READ, Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(new Code("TREE")), Optional.empty(),
                Set.of()), new Change.CodeWas(new Code("SHRUB")), "x");
        assertThat(with(code).state().points().all().map(p -> p.code().text()).filter(c -> !c.isEmpty()))
                .containsExactly("SHRUB", "KERB", "SHRUB");
    }

    @Test
    void aSetupDoesNotComeToRestOnItself() {
        write(new ShotTaken(write(setUp("T1", "T3")), name("201"), Code.NONE, reading(10, 20), new Target(new Length(1.6), POLE_PRISM)));
        assertRefused("101", Problem.REWORK_IN_A_CIRCLE);
        assertRefused("201", Problem.MARK_KNOWN_LATER);
        assertRefused("nobody", Problem.POINT_UNKNOWN);
        assertThatThrownBy(() -> Correction.of(journal, all(), new Change.Exchanged(name("T2"), name("101")), ""))
                .hasMessageContaining(Problem.REWORK_IN_A_CIRCLE.name());
    }

    private void assertRefused(String mark, Problem problem) {
        Entry setup = journal.entry(leaf).orElseThrow();
        StationSetUp said = (StationSetUp) setup.payload();
        assertThatThrownBy(() -> Correction.requireSound(journal.state(), setup, setup.payload(),
                said.renamed(n -> n.equals(name("T2")) ? name(mark) : n)))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(problem));
    }

    /** A leaf whose mark was struck since keeps nobody from correcting what else it says. */
    @Test
    void whatWasNamedBeforeStays() {
        write(new Struck(journal.entries().get(1).id()));
        assertThat(journal.state().leaves().find(leaf)).isEmpty();
        assertThat(Correction.of(journal, all(), new Change.AirWas(20, 1000), "air")).hasSize(1);
        assertThat(Correction.of(journal, all(), new Change.PrismWas(TRIPOD_PRISM), "prism")).hasSize(4);
    }

    @Test
    void checksAndInversesToNobodyAreRefused() {
        Entry check = journal.entries().get(6);
        assertThatThrownBy(() -> Correction.requireSound(journal.state(), check, check.payload(),
                ((CheckTaken) check.payload()).renamed(n -> name("nobody")))).hasMessageContaining(Problem.POINT_UNKNOWN.name());
        UUID written = write(new InverseNoted(PointSeen.named(name("T1")), PointSeen.named(name("T2"))));
        Entry inverse = journal.entry(written).orElseThrow();
        write(shot("104", "TREE", 200));
        assertThatThrownBy(() -> Correction.requireSound(journal.state(), inverse, inverse.payload(),
                new InverseNoted(PointSeen.named(name("T1")), PointSeen.named(name("104")))))
                .hasMessageContaining(Problem.MARK_KNOWN_LATER.name());
    }

    /** A mark that the job came to know only later can be what a setup should have said; what it knew then does not move by it. */
    @Test
    void aMarkGivenLaterServesACorrection() {
        List<Position> before = journal.state().points().all().map(p -> p.position()).toList();
        UUID file = write(new PointsImported(Origin.CONTROL, "register.csv", "01", List.of(point("T9", 200, 110), point("T2", 200, 105))));
        assertThat(journal.state().points().all().map(p -> p.position()).limit(before.size())).as("a later import moves nothing")
                .isEqualTo(before);
        Entry setup = journal.entry(leaf).orElseThrow();
        StationSetUp corrected = ((StationSetUp) setup.payload()).renamed(n -> n.equals(name("T2")) ? name("T9") : n);
        Correction.requireSound(journal.state(), setup, setup.payload(), corrected);
        Journal after = with(List.of(new Reworked(leaf, corrected, "T9, not T2")));
        assertThat(Consequences.between(journal, after).leaves()).singleElement()
                .satisfies(l -> assertThat(l.turned().orElseThrow().degrees())
                .isCloseTo(Math.toDegrees(Math.atan2(10, 100)), within(1e-9)));
        assertThat(after.trace(leaf).orElseThrow().restsOn()).extracting(Entry::id).contains(file);
        Consequences without = Consequences.between(after, after.tried(List.of(new Struck(file))));
        assertThat(without.leaves()).singleElement().satisfies(l -> assertThat(l.after()).isEmpty());
        assertThat(without.moves().gone()).extracting(PointName::text).contains("101", "102", "103");
    }

    @Test
    void whatCannotBeCorrectedIsSaid() {
        Entry shot = journal.entries().get(3);
        UUID correction = write(new Reworked(shot.id(), shot("101", "KERB", 30), "x"));
        write(new Struck(shot.id()));
        assertThatThrownBy(() -> Correction.requireOpenTo(journal, shot)).hasMessageContaining(Problem.REWORK_OF_STRUCK.name());
        assertThatThrownBy(() -> Correction.requireOpenTo(journal, journal.entry(correction).orElseThrow()))
                .hasMessageContaining(Problem.REWORK_OF_REWORK.name());
        assertThatThrownBy(() -> Correction.requireOpenTo(journal, journal.entries().get(8)))
                .hasMessageContaining(Problem.NOTHING_TO_REWORK.name());
        Correction.requireOpenTo(journal, journal.entries().get(4));
    }
}
