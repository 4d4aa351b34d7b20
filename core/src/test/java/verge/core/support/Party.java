package verge.core.support;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import verge.core.chapters.Chapters;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.leaf.StationSetUp;
import verge.core.measure.Aside;
import verge.core.measure.ShotTaken;
import verge.core.measure.SightTaken;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointsImported;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Pointing;
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

/** An instrument over T1 at N 1000 E 2000, height 10, and a pole of its height that is shot at places about it. */
public final class Party {
    public static final Target POLE = new Target(new Length(1.5), Length.ZERO);

    private Journal journal = Chapters.replay(List.of(entry(1, new SettingsChosen(JobSettings.flat(Figures.metric(), 1)))));
    private final UUID setup;
    private int names = 100;

    public Party() {
        this(Position.of(1000, 2000, 10));
    }

    /** @param station where the instrument stands, with a height or without */
    public Party(Position station) {
        add(new PointsImported(Origin.CONTROL, "c.csv", "00",
                List.of(new NamedPosition(new PointName("T1"), Code.NONE, station),
                new NamedPosition(new PointName("T2"), Code.NONE, Position.of(1100, 2000, 10)))));
        setup = add(StationSetUp.onKnownPoint(new PointName("T1"), new PointName("T2"), new Length(1.5), POLE, reading(100, 0, 0),
                new Atmosphere(12, 1013, 60),
                InstrumentPrecision.withUsualCare(Angle.ofArcSeconds(2), new DistanceMeter(0.658, 1.0002863, new Length(0.001), 1.5)), 0.13,
                "TS 1", 1, "")).id();
    }

    public Journal journal() {
        return journal;
    }

    private static Entry entry(long sequence, Payload payload) {
        return new Entry(UUID.randomUUID(), sequence, Instant.EPOCH, "p", "d", payload);
    }

    public Entry add(Payload payload) {
        return add(UUID.randomUUID(), payload);
    }

    public Entry add(UUID id, Payload payload) {
        Entry entry = new Entry(id, journal.entries().size() + 1L, Instant.EPOCH, "p", "d", payload);
        journal = journal.append(entry);
        return entry;
    }

    private static TotalStationReading reading(double north, double east, double up) {
        double slope = Math.sqrt(north * north + east * east + up * up);
        return new TotalStationReading(new Angle(Math.atan2(east, north)).wholeCircle(), new Angle(Math.acos(up / slope)),
                new Length(slope), "");
    }

    /** One sight for a point that several find. @param up of the target's foot @param distance whether one was read */
    public Entry sight(UUID point, Target target, boolean distance, double north, double east, double up) {
        TotalStationReading read = reading(north, east, up + target.height().metres() - POLE.height().metres());
        return add(new SightTaken(setup, point, distance ? Pointing.of(read)
                : new Pointing(read.horizontalDirection(), read.zenith(), Optional.empty(), ""), target));
    }

    /** One shot. @param string that it goes on with or begins; null for a point of its own */
    public Entry shoot(String name, String code, UUID string, double north, double east, double up) {
        List<Joining> joins = string == null ? List.of()
                : List.of(new Joining(string, new StringName(new Code(code), 1), End.LAST, Bend.CORNER, false));
        return add(new ShotTaken(setup, new PointName(name), new Code(code), reading(north, east, up), POLE, Map.of(), Aside.NONE, joins));
    }

    /** One shot of a point that lies beside the prism. */
    public Entry shoot(String name, double north, double east, Aside aside) {
        return add(new ShotTaken(setup, new PointName(name), Code.NONE, reading(north, east, 0), POLE, Map.of(), aside, List.of()));
    }

    public Entry shoot(String code, UUID string, double north, double east, double up) {
        return shoot(Integer.toString(++names), code, string, north, east, up);
    }
}
