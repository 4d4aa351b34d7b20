package verge.core.shelf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.chapters.Chapters;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Position;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.PublishedSystems;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Struck;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointKeyed;
import verge.core.points.PointsImported;
import verge.core.settings.JobGeodesy;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.support.Party;
import verge.core.units.Figures;

/** What the shelf tells of jobs: the last day, where the work lies, and jobs beside one another. */
class ShelfTest {
    private static final Instant MORNING = Instant.parse("2026-06-01T08:00:00Z");

    private final List<Entry> entries = new ArrayList<>();

    private Entry add(Instant at, Payload payload) {
        entries.add(new Entry(UUID.randomUUID(), entries.size() + 1L, at, "surveyor", "tablet", payload));
        return entries.get(entries.size() - 1);
    }

    private Journal journal() {
        return Chapters.replay(entries);
    }

    private static PointKeyed keyed(String name, Position at) {
        return new PointKeyed(new PointName(name), Code.NONE, at);
    }

    private static JobSettings in(String code) {
        return new JobSettings(Figures.metric(), PublishedSystems.find(code), new GeoidChoice.None(), Optional.empty(), GroundUse.GRID,
                JobSettings.Work.ALONE);
    }

    /** A job with control round a place. */
    private static WorkArea area(String code, double latitude, double longitude) {
        JobSettings settings = in(code);
        JobGeodesy geodesy = JobGeodesy.of(settings, none -> {
            throw new AssertionError("no geoid is asked for");
        });
        List<NamedPosition> marks = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            GridPoint at = geodesy.projection().orElseThrow()
                    .grid(Geographic.ofDegrees(latitude + i / 2 * 0.01, longitude + i % 2 * 0.01));
            marks.add(new NamedPosition(new PointName("M" + i), Code.NONE, Position.of(at.northing(), at.easting(), 3)));
        }
        ShelfTest job = new ShelfTest();
        job.add(MORNING, new SettingsChosen(settings));
        job.add(MORNING, new PointsImported(Origin.CONTROL, "marks.csv", "00", marks));
        return WorkArea.of(job.journal().state()).orElseThrow();
    }

    @Test
    void theLastDayTellsWhatStands() {
        add(MORNING, new SettingsChosen(JobSettings.flat(Figures.metric(), 1)));
        entries.add(new Entry(UUID.randomUUID(), 2, MORNING, "whoever was there before", "tablet", keyed("before", Position.of(1, 2, 3))));
        Instant next = MORNING.plusSeconds(86_400);
        add(next, keyed("1", Position.of(1, 2, 3)));
        Entry wrong = add(next, keyed("2", Position.of(1, 2, 3)));
        add(next, new PointsImported(Origin.CONTROL, "c.csv", "00",
                List.of(new NamedPosition(new PointName("T1"), Code.NONE, Position.of(1, 1, 1)),
                new NamedPosition(new PointName("T2"), Code.NONE, Position.of(2, 2, 2)))));
        entries.add(new Entry(UUID.randomUUID(), entries.size() + 1L, next.plusSeconds(60), "ada", "tablet", new Struck(wrong.id())));
        LastDay day = LastDay.of(journal());
        assertThat(day.date()).isEqualTo(LocalDate.of(2026, 6, 2));
        Origin typed = journal().state().points().named(new PointName("1")).get(0).origin();
        assertThat(day.points()).isEqualTo(Map.of(typed, 1, Origin.CONTROL, 2));
        assertThat(day.lines()).isEqualTo(4);
        assertThat(day.people()).containsExactly("ada", "surveyor");
    }

    /** At 23:30 by UTC the next day has begun in the job. */
    @Test
    void daysBeginByTheClocksOfTheJob() {
        JobSettings settings = JobSettings.flat(Figures.metric(), 1);
        JobSettings.Work work = settings.work();
        add(Instant.parse("2026-06-01T21:30:00Z"), new SettingsChosen(settings.with(work.with(ZoneId.of("Europe/Copenhagen")))));
        add(Instant.parse("2026-06-01T22:30:00Z"), keyed("1", Position.of(1, 2, 3)));
        assertThat(LastDay.of(journal())).satisfies(day -> {
            assertThat(day.date()).isEqualTo(LocalDate.of(2026, 6, 2));
            assertThat(day.lines()).isEqualTo(1);
        });
    }

    @Test
    void setupsAndShotsOfTheDayAreCounted() {
        Party party = new Party();
        party.shoot("KRB", null, 10, 0, 0);
        party.shoot("KRB", null, 20, 0, 0);
        LastDay day = LastDay.of(party.journal());
        assertThat(day.setups()).isEqualTo(1);
        assertThat(day.points()).isEqualTo(Map.of(Origin.CONTROL, 2, Origin.MEASURED, 2));
    }

    /** A flat site lies nowhere on earth, and neither does a job without points. */
    @Test
    void someWorkIsNowhereOnEarth() {
        assertThat(WorkArea.of(new Party().journal().state())).isEmpty();
        add(MORNING, new SettingsChosen(in("EPSG:25832")));
        assertThat(WorkArea.of(journal().state())).isEmpty();
    }

    /** One and the same place comes to lie where it does, whatever the job's zone; also across the date line. */
    @ParameterizedTest
    @CsvSource({"EPSG:25832, EPSG:25833, 56.95, 11.99", "EPSG:32660, EPSG:32601, 52.0, 179.995", "EPSG:32760, EPSG:32701, -17, 179.995"})
    void jobsOfTwoSystemsLieBesideOneAnother(String first, String second, double latitude, double longitude) {
        SiteMap map = SiteMap.of(List.of(area(first, latitude, longitude), area(second, latitude, longitude)));
        assertThat(map.areas().get(0)).hasSameSizeAs(map.areas().get(1)).hasSizeGreaterThan(3);
        for (GridPoint corner : map.areas().get(0)) {
            assertThat(map.areas().get(1)).anyMatch(other -> Math.hypot(other.northing() - corner.northing(),
                    other.easting() - corner.easting()) < 0.01);
        }
        double turn = Math.PI / 180;   // arcs of the sphere that has the Earth's middle radius: true to half a hundredth
        assertThat(map.extent().north()).isCloseTo(0.01 * turn * 6_371_000, within(8.0));
        assertThat(map.extent().east()).isCloseTo(0.01 * turn * 6_371_000 * Math.cos(latitude * turn), within(8.0));
    }

    @Test
    void givenPointsAloneAreNoWork() {
        JobSettings settings = in("EPSG:25832");
        add(MORNING, new SettingsChosen(settings));
        add(MORNING, new PointsImported(Origin.CONTROL, "marks.csv", "00",
                List.of(new NamedPosition(new PointName("T1"), Code.NONE, Position.of(6_300_000, 600_000, 3)))));
        assertThat(WorkArea.of(journal().state()).orElseThrow()).satisfies(area -> {
            assertThat(area.worked()).isFalse();
            assertThat(area.corners()).hasSize(1);
        });
    }

    @Test
    void aSiteWithoutJobsHasAnEmptyMap() {
        assertThat(SiteMap.of(List.of()).extent().isEmpty()).isTrue();
    }
}
