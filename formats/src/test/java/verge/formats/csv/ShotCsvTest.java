package verge.formats.csv;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import verge.core.chapters.Chapters;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Struck;
import verge.core.leaf.StationSetUp;
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
import verge.core.units.Angle;
import verge.core.units.AngleUnit;
import verge.core.units.DirectionStyle;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.core.units.LengthUnit;
import verge.core.units.PlanAxes;

/** A shot as a line: raw reading and result, in the job's unit and axes. */
class ShotCsvTest {
    private static final Target PRISM = new Target(new Length(1.6), Length.ZERO);
    private Journal journal;

    private Entry add(Payload payload) {
        long next = journal == null ? 1 : journal.entries().size() + 1L;
        Entry entry = new Entry(UUID.randomUUID(), next, Instant.parse("2026-06-01T08:00:00Z").plusSeconds(next), "p", "d", payload);
        journal = journal == null ? Chapters.replay(List.of(entry)) : journal.append(entry);
        return entry;
    }

    private static TotalStationReading reading(double hz, double metres) {
        return new TotalStationReading(Angle.ofDegrees(hz), Angle.ofDegrees(90), new Length(metres), "");
    }

    private Entry setUp(JobSettings settings) {
        add(new SettingsChosen(settings));
        add(new PointsImported(Origin.CONTROL, "f", "",
                List.of(new NamedPosition(new PointName("A"), Code.NONE, Position.of(-1000, -2000, 10)),
                new NamedPosition(new PointName("B"), Code.NONE, Position.of(-900, -2000, 10)))));
        return add(StationSetUp.onKnownPoint(new PointName("A"), new PointName("B"), new Length(1.6), PRISM, reading(0, 100),
                new Atmosphere(12, 1013.25, 60),
                InstrumentPrecision.withUsualCare(Angle.ofArcSeconds(2), new DistanceMeter(0.658, 1.0002863, new Length(0.001), 1.5)), 0.13,
                "test", 1, ""));
    }

    private Entry shot(Entry leaf, String name, Map<String, String> notes) {
        return add(new ShotTaken(leaf.id(), new PointName(name), new Code("KRB"), reading(90, 50), PRISM, notes));
    }

    @Test
    void cellsFollowTheHeading() {
        JobSettings settings = JobSettings.flat(Figures.of(LengthUnit.US_SURVEY_FOOT, AngleUnit.GON, DirectionStyle.AZIMUTH, 2)
                .with(new PlanAxes(PlanAxes.Order.EAST_NORTH, true, true)), 1)
                .with(new JobSettings.Work("", Set.of(), List.of("condition"), "x", ZoneOffset.UTC));
        Entry shot = shot(setUp(settings), "101", Map.of("condition", "wet \"through\""));
        String[] heading = ShotCsvWriter.heading(settings).strip().split(",");
        String[] cells = ShotCsvWriter.line(journal.state(), shot).strip().split(",");
        assertThat(heading).startsWith("Line", "Time", "Name", "Code", "Westing [ftUS]", "Southing [ftUS]", "Elevation [ftUS]")
                .endsWith("condition").hasSameSizeAs(cells);
        assertThat(cells[0]).isEqualTo("4");
        assertThat(cells[1]).isEqualTo("2026-06-01T08:00:04Z");
        assertThat(Double.parseDouble(cells[4]) * 1200 / 3937).isCloseTo(1950, within(0.002));
        assertThat(Double.parseDouble(cells[5]) * 1200 / 3937).isCloseTo(1000, within(0.002));
        assertThat(cells[7]).isEqualTo("90.000000");
        assertThat(cells[9]).isEqualTo("164.0417");
        assertThat(cells[11]).isEqualTo("\"wet \"\"through\"\"\"");
    }

    @Test
    void onlyShotsThatStandAreLines() {
        Entry leaf = setUp(JobSettings.flat(Figures.metric(), 1));
        Entry shot = shot(leaf, "101", Map.of());
        assertThat(ShotCsvWriter.line(journal.state(), leaf)).isEmpty();
        add(new Struck(shot.id()));
        assertThat(ShotCsvWriter.line(journal.state(), shot)).isEmpty();
    }

    /** Without its setup a shot has a reading and no place: the reading is written all the same. */
    @Test
    void aShotWithoutPlaceKeepsItsReading() {
        Entry leaf = setUp(JobSettings.flat(Figures.metric(), 1));
        Entry shot = shot(leaf, "101", Map.of());
        add(new Struck(leaf.id()));
        assertThat(ShotCsvWriter.line(journal.state(), shot)).contains(",101,KRB,,,,90.000000,90.000000,50.0000,1.6000\r\n");
    }

    /** What somebody typed under a field that somebody named: both may begin like a formula. */
    @Test
    void notesAreNoFormulas() {
        JobSettings settings = JobSettings.flat(Figures.metric(), 1)
                .with(new JobSettings.Work("", Set.of(), List.of("=field"), "x", ZoneOffset.UTC));
        Entry shot = shot(setUp(settings), "1", Map.of("=field", "+1+cmd"));
        assertThat(ShotCsvWriter.heading(journal.state().settings())).contains("'=field");
        assertThat(ShotCsvWriter.line(journal.state(), shot)).contains("'+1+cmd");
    }
}
