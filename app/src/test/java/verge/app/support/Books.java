package verge.app.support;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import verge.core.chapters.Chapters;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.leaf.StationSetUp;
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
import verge.core.units.Figures;
import verge.core.units.Length;

/** A small field book in memory: T1 at 100/100, T2 100 m north of it, the instrument on T1 reading 0 to T2. */
public final class Books {
    public static final Target PRISM = new Target(new Length(1.6), Length.ZERO);
    private static final Instant MORNING = Instant.parse("2026-06-01T08:00:00Z");

    private Journal journal;

    public Books(Figures figures) {
        journal = Chapters.replay(List.of(entry(1, new SettingsChosen(JobSettings.flat(figures, 1)), "test 1")));
        add(new PointsImported(Origin.CONTROL, "control.csv", "00", List.of(
                new NamedPosition(new PointName("T1"), Code.NONE, Position.of(100, 100, 10)),
                new NamedPosition(new PointName("T2"), Code.NONE, Position.of(200, 100, 10)))));
    }

    public Journal journal() {
        return journal;
    }

    public Entry add(Payload payload) {
        return add(payload, "test 1");
    }

    public Entry add(Payload payload, String device) {
        Entry entry = entry(journal.entries().size() + 1, payload, device);
        journal = journal.append(entry);
        return entry;
    }

    public Entry setUp(String reason) {
        DistanceMeter meter = new DistanceMeter(0.658, 1.0002863, new Length(0.001), 1.5);
        return add(StationSetUp.onKnownPoint(new PointName("T1"), new PointName("T2"), new Length(1.6), PRISM, reading(0, 100),
                new Atmosphere(12, 1013.25, 60),
                InstrumentPrecision.withUsualCare(Angle.ofArcSeconds(2), meter), 0.13, "test 1", 1, reason));
    }

    /** A level sight. */
    public static TotalStationReading reading(double hzDegrees, double metres) {
        return new TotalStationReading(Angle.ofDegrees(hzDegrees), Angle.ofDegrees(90), new Length(metres), "hz=" + hzDegrees);
    }

    private static Entry entry(long sequence, Payload payload, String device) {
        return new Entry(UUID.randomUUID(), sequence, MORNING.plusSeconds(60 * sequence), "surveyor", device, payload);
    }
}
