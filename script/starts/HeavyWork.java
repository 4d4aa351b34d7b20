import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.triangulate.DelaunayTriangulationBuilder;
import verge.core.chapters.Chapters;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointsImported;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.Figures;

/** Prints the seconds that heavy work takes in this very process, once each: compiling is part of it. */
public final class HeavyWork {
    private static final Random RANDOM = new Random(7);

    private HeavyWork() {
    }

    public static void main(String[] arguments) {
        tell("triangulation of 1,000,000 places", () -> triangulate(1_000_000));
        tell("a job of 200,000 points replayed", () -> replay(200_000));
    }

    private static void tell(String what, Runnable work) {
        long began = System.nanoTime();
        work.run();
        System.out.printf("%s %.1f s%n", what, (System.nanoTime() - began) / 1e9);
    }

    private static void triangulate(int places) {
        List<Coordinate> all = new ArrayList<>();
        for (int i = 0; i < places; i++) {
            all.add(new Coordinate(2_000 * RANDOM.nextDouble(), 2_000 * RANDOM.nextDouble()));
        }
        DelaunayTriangulationBuilder builder = new DelaunayTriangulationBuilder();
        builder.setSites(all);
        builder.getTriangles(new GeometryFactory());
    }

    private static void replay(int points) {
        List<Entry> entries = new ArrayList<>(List.of(entry(1, new SettingsChosen(JobSettings.flat(Figures.metric(), 1)))));
        while (entries.size() * 100 < points) {
            List<NamedPosition> some = new ArrayList<>();
            for (int i = 0; i < 100; i++) {
                some.add(new NamedPosition(new PointName("P" + entries.size() + "-" + i), Code.NONE,
                        Position.of(2_000 * RANDOM.nextDouble(), 2_000 * RANDOM.nextDouble(), 7)));
            }
            entries.add(entry(entries.size() + 1, new PointsImported(Origin.CONTROL, "c.csv", "00", some)));
        }
        Chapters.replay(entries);
    }

    private static Entry entry(long number, Payload payload) {
        return new Entry(UUID.randomUUID(), number, Instant.EPOCH, "surveyor", "bench", payload);
    }
}
