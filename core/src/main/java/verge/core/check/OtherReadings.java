package verge.core.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.FileSystem;
import verge.core.drawing.FileUnit;
import verge.core.plan.Extent;
import verge.core.settings.JobGeodesy;
import verge.core.units.PlanAxes;

/**
 * Other ways to mean a file's figures: every unit, order and sense, degrees, the zone's number; tried for where the file would then lie.
 */
final class OtherReadings {
    /** Control and design of one site are never farther apart than some times their size, nor than this. */
    private static final double FAR_METRES = 1000;
    private static final double FAR_FACTOR = 3;
    private static final int MOST_OFFERED = 2;

    private OtherReadings() {
    }

    /** How far apart two parts of one site may lie at the most. */
    static double far(Extent a, Extent b) {
        return Math.max(FAR_METRES, FAR_FACTOR * Math.min(a.diagonal(), b.diagonal()));
    }

    /** Every other way to mean the file's figures that brings it to where it should be, the least changed first. */
    static List<Remedy> of(SiteContent file, Extent target, JobGeodesy job) {
        double near = Math.max(FAR_METRES / 5, target.diagonal());
        return offered(file, all(file, job, List.of(FileUnit.values())).filter(c -> target.distance(file.placedAs(c, job)) <= near),
                c -> target.distance(file.placedAs(c, job)));
    }

    /**
     * The same where nothing else is known yet: ways that bring it into the area of the job's system. Its unit is not doubted: in feet most
     * things lie somewhere else in it.
     */
    static List<Remedy> intoArea(SiteContent file, JobGeodesy job) {
        return offered(file, all(file, job, List.of(file.coordinates().unit()))
                .filter(c -> Whereabouts.isWithin(job, file.placedAs(c, job))), c -> 0.0);
    }

    private static List<Remedy> offered(SiteContent file, Stream<FileCoordinates> ways, ToDoubleFunction<FileCoordinates> distance) {
        return ways.sorted(Comparator.<FileCoordinates>comparingInt(c -> changes(file.coordinates(), c)).thenComparingDouble(distance))
                .limit(MOST_OFFERED).<Remedy>map(c -> new Remedy.ReadAs(file.id(), file.name(), file.coordinates(), c)).toList();
    }

    /** All that differ from how it is read. A file of another system is only asked whether it is not in the job's own after all. */
    private static Stream<FileCoordinates> all(SiteContent file, JobGeodesy job, List<FileUnit> units) {
        FileCoordinates own = file.coordinates();
        FileSystem grid = job.isOwn(own.system()) && !(own.system() instanceof FileSystem.JobGridZoned) ? own.system()
                : FileSystem.JOB_GRID;
        List<FileCoordinates> found = new ArrayList<>();
        for (PlanAxes axes : allAxes()) {
            for (FileUnit unit : units) {
                found.add(own.with(grid).with(unit).with(axes));
            }
            found.add(own.with(FileSystem.JOB_GRID_ZONED).with(axes));
            if (!axes.southwards() && !axes.westwards()) {
                found.add(own.with(FileSystem.LAT_LON).with(FileUnit.METRE).with(axes));
            }
        }
        return found.stream().filter(c -> !c.equals(own));
    }

    private static List<PlanAxes> allAxes() {
        return Stream.of(PlanAxes.Order.values())
                .flatMap(order -> IntStream.range(0, 4).mapToObj(sense -> new PlanAxes(order, (sense & 1) != 0, (sense & 2) != 0)))
                .toList();
    }

    private static int changes(FileCoordinates a, FileCoordinates b) {
        return (a.system().equals(b.system()) ? 0 : 2) + (a.unit() == b.unit() || b.system() instanceof FileSystem.LatLon ? 0 : 1)
                + (a.axes().order() == b.axes().order() ? 0 : 1) + (a.axes().southwards() == b.axes().southwards() ? 0 : 1)
                + (a.axes().westwards() == b.axes().westwards() ? 0 : 1);
    }

    /** 'easting first, then southing'; 'as longitude first, then latitude'. */
    static String words(FileCoordinates way) {
        PlanAxes axes = way.axes();
        if (way.system() instanceof FileSystem.LatLon) {
            return axes.northFirst() ? "as latitude first, then longitude" : "as longitude first, then latitude";
        }
        return (way.system() instanceof FileSystem.JobGridZoned ? "without the zone\u2019s number before the easting, " : "") + words(axes);
    }

    private static String words(PlanAxes axes) {
        String north = axes.southwards() ? "southing" : "northing";
        String east = axes.westwards() ? "westing" : "easting";
        return axes.northFirst() ? north + " first, then " + east : east + " first, then " + north;
    }
}
