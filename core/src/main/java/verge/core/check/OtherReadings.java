package verge.core.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.FileSystem;
import verge.core.drawing.FileUnit;
import verge.core.plan.Extent;
import verge.core.units.PlanAxes;

/** Other ways to mean a file's figures: every unit, order and sense, tried for where the file would then lie. */
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
    static List<Remedy> of(SiteContent file, Extent target) {
        if (!(file.coordinates().system() instanceof FileSystem.JobGrid)) {
            return List.of();
        }
        List<FileCoordinates> all = new ArrayList<>();
        for (FileUnit unit : FileUnit.values()) {
            for (PlanAxes.Order order : PlanAxes.Order.values()) {
                for (int sense = 0; sense < 4; sense++) {
                    all.add(file.coordinates().with(unit).with(new PlanAxes(order, (sense & 1) != 0, (sense & 2) != 0)));
                }
            }
        }
        double near = Math.max(FAR_METRES / 5, target.diagonal());
        return all.stream().filter(c -> !c.equals(file.coordinates())).filter(c -> target.distance(file.placedAs(c)) <= near)
                .sorted(Comparator.<FileCoordinates>comparingInt(c -> changes(file.coordinates(), c)).thenComparingDouble(c -> target.distance(file.placedAs(c))))
                .limit(MOST_OFFERED).<Remedy>map(c -> new Remedy.ReadAs(file.id(), file.name(), file.coordinates(), c)).toList();
    }

    private static int changes(FileCoordinates a, FileCoordinates b) {
        return (a.unit() == b.unit() ? 0 : 1) + (a.axes().order() == b.axes().order() ? 0 : 1) + (a.axes().southwards() == b.axes().southwards() ? 0 : 1)
                + (a.axes().westwards() == b.axes().westwards() ? 0 : 1);
    }

    /** 'easting first, then southing'. */
    static String words(PlanAxes axes) {
        String north = axes.southwards() ? "southing" : "northing";
        String east = axes.westwards() ? "westing" : "easting";
        return axes.northFirst() ? north + " first, then " + east : east + " first, then " + north;
    }
}
