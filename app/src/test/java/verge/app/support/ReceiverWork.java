package verge.app.support;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.UUID;
import verge.core.base.BaseSetUp;
import verge.core.base.Sending;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthCovariance;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Position;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.SystemText;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.occupation.PointOccupied;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointsImported;
import verge.core.satellite.AntennaHeight;
import verge.core.satellite.AntennaModel;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.Epochs;
import verge.core.satellite.SkyMean;
import verge.core.satellite.SolvedPosition;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.strings.Bend;
import verge.core.strings.End;
import verge.core.strings.Joining;
import verge.core.strings.StringName;
import verge.core.units.Figures;
import verge.core.units.Length;

/** A job of a base that only the sky placed and of points measured from it, every second on a string; the same each time. */
public final class ReceiverWork {
    public static final PointName BASE = new PointName("BASE1");
    private static final List<String> CODES = List.of("KRB", "GRD", "FNC", "LMP");
    private static final EarthPlace MARK = new EarthPlace(Geographic.ofDegrees(56.95, 11.45), new EllipsoidHeight(45));
    private static final EarthCentred AT = EarthCentred.of(MARK, ReferenceEllipsoid.WGS84);
    private static final BaseHeard SENT = new BaseHeard("YARD", 7, AT);
    private static final AntennaOverMark ANTENNA = new AntennaOverMark(new AntennaModel("DISH NONE", Optional.empty(), 0.02, Map.of()),
            new AntennaHeight(new Length(1.6), AntennaHeight.To.MOUNT));
    private static final Epochs EPOCHS = new Epochs(5, Instant.EPOCH, Instant.EPOCH.plusSeconds(4), SolvedPosition.Kind.FIXED, 21,
            OptionalDouble.of(1.4), OptionalDouble.of(1));
    private static final double HALF_METRES = 2_000;
    private static final double STEP_METRES = 5;
    private static final int SHOTS_A_STRING = 10;

    private final Random random = new Random(7);

    private ReceiverWork() {
    }

    public static List<Entry> entries(int points) {
        ReceiverWork work = new ReceiverWork();
        List<Entry> entries = new ArrayList<>(List.of(
                entry(1, new SettingsChosen(new JobSettings(Figures.metric(),
                SystemText.read("+proj=utm +zone=32 +ellps=GRS80 +towgs84=0,0,0"), new GeoidChoice.Constant(37.6), Optional.empty(),
                GroundUse.GRID, JobSettings.Work.ALONE))),
                entry(2, new BaseSetUp(BASE, BaseSetUp.Held.SKY, ANTENNA, SENT,
                Optional.of(new SkyMean(AT, new EarthCovariance(1, 0, 0, 1, 0, 1), EPOCHS)), Sending.OTHERWISE, "tripod", "")),
                entry(3, new PointsImported(Origin.CONTROL, "control.csv", "00", List.of(new NamedPosition(new PointName("T2"), Code.NONE,
                Position.of(6_314_500, 649_000, 7)))))));
        work.strings(points).forEach(p -> entries.add(entry(entries.size() + 1L, p)));
        return entries;
    }

    /** Another point with a string of its own code, where no other runs. */
    public static PointOccupied another(String name, UUID string) {
        return occupied(name, "KRB", new EarthCentred(HALF_METRES, HALF_METRES, -HALF_METRES / 2), List.of(joining(string, "KRB", 1)));
    }

    /** Strings of ten shots, each shot between two on the ground that join nothing. */
    private List<PointOccupied> strings(int points) {
        List<PointOccupied> all = new ArrayList<>();
        int number = 0;
        while (all.size() < points) {
            UUID string = new UUID(random.nextLong(), random.nextLong());
            String code = CODES.get(random.nextInt(CODES.size()));
            EarthCentred from = new EarthCentred(between(), between(), between());
            number++;
            for (int i = 0; i < SHOTS_A_STRING && all.size() < points; i++) {
                EarthCentred vector = from.plus(new EarthCentred(STEP_METRES * i, random.nextDouble(), 0));
                all.add(occupied("R" + all.size(), code, vector, List.of(joining(string, code, number))));
                if (all.size() < points) {
                    all.add(occupied("R" + all.size(), "GRD", vector.plus(new EarthCentred(0, 3, 0)), List.of()));
                }
            }
        }
        return all;
    }

    private double between() {
        return HALF_METRES * (2 * random.nextDouble() - 1);
    }

    private static Joining joining(UUID string, String code, int number) {
        return new Joining(string, new StringName(new Code(code), number), End.LAST, Bend.CORNER, false);
    }

    private static PointOccupied occupied(String name, String code, EarthCentred vector, List<Joining> joins) {
        return new PointOccupied(new PointName(name), new Code(code), Optional.of(SENT), vector,
                new EarthCovariance(1e-4, 0, 0, 1e-4, 0, 1e-4), EPOCHS, ANTENNA, Optional.empty(), "rover", "", Map.of(), joins);
    }

    private static Entry entry(long number, Payload payload) {
        return new Entry(UUID.randomUUID(), number, Instant.EPOCH, "surveyor", "bench", payload);
    }
}
