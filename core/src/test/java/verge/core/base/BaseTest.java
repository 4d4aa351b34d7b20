package verge.core.base;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.chapters.Chapters;
import verge.core.check.Finding;
import verge.core.check.WalkRound;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.cogo.Computed;
import verge.core.cogo.Given;
import verge.core.cogo.Tool;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthCovariance;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Position;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.SystemText;
import verge.core.job.Journal;
import verge.core.job.OnProvisional;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Reworked;
import verge.core.occupation.BaseByMark;
import verge.core.occupation.ControlSeen;
import verge.core.occupation.Frames;
import verge.core.occupation.PointOccupied;
import verge.core.occupation.Stood;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointSeen;
import verge.core.points.PointsImported;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.rework.Change;
import verge.core.rework.Choice;
import verge.core.rework.Consequences;
import verge.core.rework.Correction;
import verge.core.satellite.AntennaHeight;
import verge.core.satellite.AntennaModel;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.Epochs;
import verge.core.satellite.SkyMean;
import verge.core.satellite.SolvedPosition;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Bases that are set up, come back to and corrected, and what becomes of the points that were measured from them. */
class BaseTest {
    private static final Instant EIGHT = Instant.parse("2026-06-01T08:00:00Z");
    private static final EarthPlace MARK = new EarthPlace(Geographic.ofDegrees(56.95, 11.45), new EllipsoidHeight(45));
    private static final Length HEIGHT = new Length(1.6);
    private static final AntennaOverMark TRIPOD = antenna(1.6);
    /** From the antenna of the base to the rover's. */
    private static final EarthCentred VECTOR = new EarthCentred(310, -220, 95);
    private Journal journal;

    @BeforeEach
    void aMorning() {
        JobSettings utm = new JobSettings(Figures.metric(),
                SystemText.read("+proj=utm +zone=32 +ellps=GRS80 +towgs84=0,0,0 +units=m +no_defs"), new GeoidChoice.Constant(37.6),
                Optional.empty(), GroundUse.GRID, JobSettings.Work.ALONE);
        journal = Chapters.replay(List.of(entry(1, new SettingsChosen(utm))));
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

    private static AntennaOverMark antenna(double height) {
        return new AntennaOverMark(new AntennaModel("DISH NONE", Optional.empty(), 0.02, Map.of()),
                new AntennaHeight(new Length(height), AntennaHeight.To.REFERENCE_POINT));
    }

    private static EarthCentred centred(EarthPlace place) {
        return EarthCentred.of(place, ReferenceEllipsoid.WGS84);
    }

    /** The sky's antenna over the mark, so many metres off. */
    private static SkyMean sky(double north, double east, double up) {
        return new SkyMean(Base.above(centred(MARK), HEIGHT).plus(EarthCentred.ofNorthEastUp(north, east, up, MARK.position())),
                EarthCovariance.ofNorthEastUp(1.2, 1, 2.5, MARK.position()), epochs());
    }

    private static Epochs epochs() {
        return new Epochs(5, EIGHT, EIGHT.plusSeconds(4), SolvedPosition.Kind.FIXED, 21, OptionalDouble.of(1.4), OptionalDouble.of(1));
    }

    private static BaseSetUp bySky(String mark, SkyMean sky) {
        return new BaseSetUp(name(mark), BaseSetUp.Held.SKY, TRIPOD, new BaseHeard("OWN", 7, sky.antenna()), Optional.of(sky),
                Sending.OTHERWISE, "tripod", "");
    }

    private static BaseSetUp over(String mark, EarthCentred says) {
        return new BaseSetUp(name(mark), BaseSetUp.Held.KNOWN, TRIPOD, new BaseHeard("OWN", 7, says), Optional.empty(), Sending.OTHERWISE,
                "tripod", "");
    }

    private static PointOccupied shot(String name, BaseHeard from) {
        return new PointOccupied(name(name), Code.NONE, Optional.of(from), VECTOR,
                EarthCovariance.ofNorthEastUp(0.008, 0.006, 0.015, MARK.position()), epochs(), antenna(2), Optional.empty(), "rover", "",
                Map.of(), List.of());
    }

    private static PointsImported known(String name, Position at) {
        return new PointsImported(Origin.CONTROL, "typed", "", List.of(new NamedPosition(name(name), Code.NONE, at)));
    }

    private Position inGrid(EarthCentred place) {
        return journal.state().geodesy().position(place.place(ReferenceEllipsoid.WGS84)).orElseThrow();
    }

    private static StoredPoint point(Journal of, String name) {
        return of.state().points().find(name(name)).orElseThrow();
    }

    /**
     * The whole of it: a morning on what the sky said, a second on the same mark, the truth in the evening. What was sent stays what it
     * was; every point lies where it would from the true mark.
     */
    @Test
    void anEveningsCorrectionMovesAllThatWasMeasured() {
        SkyMean first = sky(1.3, -0.9, 2.2);
        UUID base = write(bySky("BASE-1", first));
        write(shot("101", new BaseHeard("OWN", 7, first.antenna())));
        Base morning = journal.state().bases().all().get(0);
        UUID again = write(over("BASE-1", Base.above(morning.ground(), HEIGHT)));
        write(shot("102", new BaseHeard("OWN", 7, Base.above(morning.ground(), HEIGHT).plus(new EarthCentred(0.00005, 0, 0)))));
        write(shot("103", new BaseHeard("GALLERY", 417, first.antenna())));
        write(shot("104", new BaseHeard("OWN", 7, first.antenna().plus(new EarthCentred(0.5, 0, 0)))));

        write(new Computed(Tool.MEAN, Map.of("points",
                new Given.Points(List.of(new Given.Point(PointSeen.named(name("101"))), new Given.Point(PointSeen.named(name("103")))))),
                false, List.of(new Computed.Kept(0, name("105"), Code.NONE)), List.of(), false));
        OnProvisional resting = OnProvisional.of(journal);
        assertThat(resting.bases()).extracting(Base::entry).containsExactly(base, again);
        assertThat(List.of("BASE-1", "101", "102", "103", "104", "105")).filteredOn(n -> resting.has(point(journal, n)))
                .containsExactly("BASE-1", "101", "102", "105");
        assertThat(point(journal, "BASE-1").sigma().orElseThrow().up().metres()).isCloseTo(2.5, within(1e-9));
        // another's number, and ours from another place, are not ours
        assertThat(List.of("103", "104")).allSatisfy(n -> assertThat(journal.state().bases().under(point(journal, n).entry())).isEmpty());

        Journal given = journal.tried(List.of(known("BASE-1", inGrid(centred(MARK)))));
        Choice bases = new Choice(Set.of(BaseSetUp.class), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.empty(), Set.of());
        Journal after = given.tried(List.copyOf(Correction.of(given, bases, new Change.BaseOver(name("BASE-1"), name("BASE-1")),
                "levelled in")));
        EarthCentred truly = Base.above(centred(MARK), HEIGHT).plus(VECTOR)
                .minus(EarthCentred.ofNorthEastUp(0, 0, 2, Base.above(centred(MARK), HEIGHT).plus(VECTOR).place(ReferenceEllipsoid.WGS84)
                .position()));
        for (String name : List.of("101", "102")) {
            assertThat(point(after, name).position().plan().distanceMetres(inGrid(truly).plan())).isLessThan(1e-6);
            assertThat(point(after, name).position().elevation().orElseThrow().metres())
                    .isCloseTo(inGrid(truly).elevation().orElseThrow().metres(), within(1e-6));
        }
        assertThat(OnProvisional.of(after).bases()).isEmpty();
        assertThat(after.state().points().all()).noneMatch(OnProvisional.of(after)::has);
        assertThat(Consequences.between(given, after).moves().moved()).extracting(m -> m.before().name().text())
                .containsExactlyInAnyOrder("101", "102", "105");
        assertThat(after.state().bases().all()).extracting(Base::entry).containsExactly(base, again);
        assertThat(after.state().bases().all()).extracting(b -> b.sent().place()).contains(first.antenna());
    }

    /**
     * A slant taken for an upright height at the base lifts or sinks what was measured from it, on a known mark; under the sky alone the
     * antenna is where it was.
     */
    @Test
    void theBasesAntennaCorrected() {
        write(known("T2", inGrid(centred(MARK))));
        UUID onMark = write(over("T2", Base.above(centred(MARK), HEIGHT)));
        write(shot("101", new BaseHeard("OWN", 7, Base.above(centred(MARK), HEIGHT))));
        SkyMean sky = sky(1, 1, 1);
        UUID bySky = write(bySky("BASE-2", sky));
        write(shot("102", new BaseHeard("OWN", 7, sky.antenna())));
        double[] before = {height(journal, "101"), height(journal, "102"), height(journal, "BASE-2")};
        Journal after = journal.tried(List.of(onMark, bySky).stream()
                .<Payload>map(id -> new Reworked(id, ((BaseSetUp) journal.entry(id).orElseThrow().payload()).with(antenna(1.5)), "slant"))
                .toList());
        assertThat(height(after, "101") - before[0]).isCloseTo(-0.1, within(1e-6));
        assertThat(height(after, "102") - before[1]).isCloseTo(0, within(1e-9));
        assertThat(height(after, "BASE-2") - before[2]).isCloseTo(0.1, within(1e-6));
    }

    private static double height(Journal of, String name) {
        return point(of, name).position().elevation().orElseThrow().metres();
    }

    /**
     * A base cannot stand on a point that was measured from it, nor on one that nobody knows; a known one without a height keeps what was
     * sent, and says that it is provisional.
     */
    @Test
    void whatABaseCannotStandOn() {
        SkyMean sky = sky(0, 0, 0);
        write(bySky("BASE-1", sky));
        write(shot("101", new BaseHeard("OWN", 7, sky.antenna())));
        Choice bases = new Choice(Set.of(BaseSetUp.class), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.empty(), Set.of());
        assertThatThrownBy(() -> Correction.of(journal, bases, new Change.BaseOver(name("BASE-1"), name("101")), ""))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.MARK_KNOWN_LATER));
        assertThatThrownBy(() -> Correction.of(journal, bases, new Change.BaseOver(name("BASE-1"), name("T9")), ""))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.POINT_UNKNOWN));
        write(known("FLAT", Position.ofPlan(6_312_000, 648_000)));
        UUID flat = write(over("FLAT", sky.antenna()));
        Base held = journal.state().bases().under(flat).orElseThrow();
        assertThat(held.provisional()).isTrue();
        assertThat(held.reference()).isEqualTo(sky.antenna());
    }

    /** A known mark that was stood on from a base some metres off says where that base is. */
    @Test
    void theBaseByAKnownMark() {
        EarthCentred foot = Base.below(Base.above(centred(MARK), HEIGHT).plus(VECTOR), new Length(2));
        write(known("T5", inGrid(foot)));
        SkyMean off = sky(1.3, -0.9, 2.2);
        write(bySky("BASE-1", off));
        UUID seen = write(shot("T5", new BaseHeard("OWN", 7, off.antenna())));
        write(shot("101", new BaseHeard("OWN", 7, off.antenna())));
        List<BaseByMark> found = BaseByMark.of(journal, name("BASE-1"));
        assertThat(found).singleElement().satisfies(b -> assertThat(b.entry()).isEqualTo(seen));
        assertThat(found.get(0).base().plan().distanceMetres(inGrid(centred(MARK)).plan())).isLessThan(1e-4);
        assertThat(found.get(0).base().elevation().orElseThrow().metres()).isCloseTo(MARK.height().metres() - 37.6, within(2e-4));
    }

    /**
     * The walk-round: a provisional base, points on it beside another's, no known mark stood on; then one that is 9 cm off, and once more
     * the same an hour later.
     */
    @Test
    void whatTheWalkRoundKnows() {
        SkyMean sky = sky(0, 0, 0);
        write(bySky("BASE-1", sky));
        write(shot("101", new BaseHeard("OWN", 7, sky.antenna())));
        assertThat(kinds()).contains(Finding.Kind.BASE_PROVISIONAL, Finding.Kind.CONTROL_NEVER_SEEN, Finding.Kind.ONE_BASE_ONLY)
                .doesNotContain(Finding.Kind.BASES_MIXED, Finding.Kind.CONTROL_OFF);
        write(shot("102", new BaseHeard("GALLERY", 417, sky.antenna().plus(new EarthCentred(0.05, 0, 0)))));
        assertThat(kinds()).contains(Finding.Kind.BASES_MIXED).doesNotContain(Finding.Kind.ONE_BASE_ONLY);
        Position there = point(journal, "101").position();
        write(known("T5", new Position(there.plan().plus(0.09, 0), there.elevation())));
        UUID first = write(shot("T5", new BaseHeard("OWN", 7, sky.antenna())));
        assertThat(kinds()).contains(Finding.Kind.CONTROL_OFF).doesNotContain(Finding.Kind.CONTROL_NEVER_SEEN);
        write(shot("T5", new BaseHeard("OWN", 7, sky.antenna())));
        List<ControlSeen> seen = ControlSeen.of(journal.state());
        assertThat(seen).extracting(ControlSeen::within).containsExactly(false, false, true);
        assertThat(seen.get(0).plan().metres()).isCloseTo(0.09, within(1e-6));
        assertThat(seen.get(2).against()).get().extracting(Stood::entry).isEqualTo(first);
    }

    /** A known mark counts as met up to three standard deviations, and no farther. */
    @ParameterizedTest
    @CsvSource({"0.97, true", "1.03, false"})
    void threeStandardDeviationsAreTheLimit(double times, boolean within) {
        SkyMean sky = sky(0, 0, 0);
        write(bySky("BASE-1", sky));
        write(shot("101", new BaseHeard("OWN", 7, sky.antenna())));
        StoredPoint there = point(journal, "101");
        double limit = 3 * there.sigma().orElseThrow().plan().metres();
        assertThat(limit).isGreaterThan(0.021);
        write(known("T5", new Position(there.position().plan().plus(times * limit, 0), there.position().elevation())));
        UUID seen = write(shot("T5", new BaseHeard("OWN", 7, sky.antenna())));
        assertThat(ControlSeen.of(journal.state(), seen).orElseThrow().within()).isEqualTo(within);
    }

    /**
     * Bases that say their places in two realisations of the international frame do not belong together; one that says nothing is not
     * doubted.
     */
    @Test
    void framesOfBases() {
        EarthCentred at = sky(0, 0, 0).antenna();
        write(shot("101", new BaseHeard("A", 1, at, 14)));
        write(shot("102", new BaseHeard("B", 2, at)));
        assertThat(kinds()).doesNotContain(Finding.Kind.FRAMES_MIXED);
        assertThat(Frames.isOtherThanBefore(new BaseHeard("C", 3, at, 14), journal.state())).isFalse();
        assertThat(Frames.isOtherThanBefore(new BaseHeard("C", 3, at, 20), journal.state())).isTrue();
        write(shot("103", new BaseHeard("C", 3, at, 20)));
        assertThat(kinds()).contains(Finding.Kind.FRAMES_MIXED).doesNotContain(Finding.Kind.FRAME_NOT_JOBS);
    }

    /** A base's frame against the job's own, by its name and its definition; nobody can say of a system that was typed. */
    @ParameterizedTest
    @CsvSource({"ETRS89 / UTM zone 32N, EPSG:25832, '', true, true", "ITRF2014 / UTM zone 32N, EPSG:1, '', false, true",
            "Plan 1, EPSG:2, International Terrestrial Reference Frame 2020, true, false",
            "WGS 84 / UTM zone 32N, EPSG:32632, '', false, false", "ETRS89 / UTM zone 32N, '', '', false, false"})
    void aFrameThatIsNotTheJobs(String name, String code, String wkt, boolean other14, boolean other20) {
        CoordinateSystem system = new CoordinateSystem.Projected(name, code, wkt, Optional.empty());
        assertThat(Frames.isOtherThan(14, system)).isEqualTo(other14);
        assertThat(Frames.isOtherThan(20, system)).isEqualTo(other20);
        assertThat(Frames.isOtherThan(0, system)).isFalse();
    }

    private List<Finding.Kind> kinds() {
        return WalkRound.of(journal.state()).stream().map(Finding::kind).toList();
    }

    /** Two metres off is here again, and a new start would shift by that; eight is another place. */
    @Test
    void hereAgain() {
        write(bySky("BASE-1", sky(1.3, -0.9, 2.2)));
        HereAgain again = HereAgain.of(journal.state().bases().all(), centred(MARK)
                .plus(EarthCentred.ofNorthEastUp(2.3, -0.9, 2, MARK.position()))).orElseThrow();
        assertThat(again.mark()).isEqualTo(name("BASE-1"));
        assertThat(again.north().metres()).isCloseTo(1, within(1e-3));
        assertThat(again.up().metres()).isCloseTo(-0.2, within(1e-3));
        assertThat(HereAgain.of(journal.state().bases().all(), centred(MARK)
                .plus(EarthCentred.ofNorthEastUp(9.3, -0.9, 0, MARK.position()))))
                .isEmpty();
    }
}
