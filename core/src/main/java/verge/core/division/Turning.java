package verge.core.division;

import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import verge.core.geodesy.GridPoint;
import verge.core.numeric.Search;
import verge.core.plan.Region;
import verge.core.units.Angle;

/**
 * A line that is turned about a point. What it has to its left, and what to its right when one looks back, are together the whole: half a
 * turn tells all.
 */
final class Turning {
    private static final int STEPS = 180;
    private static final double STEP = Math.PI / STEPS;
    private final Sweep north;
    private final GridPoint pivot;
    private final double whole;
    private final double small;
    /** To the left at each step, once round. */
    private final double[] around;

    Turning(Region region, GridPoint pivot, double small) {
        north = Sweep.of(region, pivot, Angle.ZERO);
        this.pivot = pivot;
        this.small = small;
        whole = region.area();
        double[] half = IntStream.range(0, STEPS).mapToDouble(step -> left(step * STEP)).toArray();
        around = IntStream.range(0, 2 * STEPS).mapToDouble(step -> step < STEPS ? half[step] : whole - half[step - STEPS]).toArray();
    }

    private double left(double azimuth) {
        return north.turned(azimuth).left(0);
    }

    private double at(int step) {
        return around[Math.floorMod(step, around.length)];
    }

    List<Division.Sample> curve() {
        return IntStream.rangeClosed(0, around.length).mapToObj(step -> new Division.Sample(step * STEP, at(step))).toList();
    }

    /** All lines that have as much to their left; empty if there are none. */
    List<DividingLine> lines(double wanted) {
        double[] over = IntStream.range(-1, around.length + 2).mapToDouble(step -> at(step) - wanted).toArray();
        return Search.roots(azimuth -> left(azimuth) - wanted, -STEP, STEP, over, small).stream()
                .filter(azimuth -> azimuth >= 0 && azimuth < 2 * Math.PI).map(this::line).toList();
    }

    private DividingLine line(double azimuth) {
        return new DividingLine(pivot, new Angle(azimuth).wholeCircle(), left(azimuth));
    }

    /** The line with most to its left; looked back along, that with least. */
    DividingLine most() {
        int best = IntStream.range(0, around.length).boxed().max(Comparator.comparingDouble(this::at)).orElseThrow();
        boolean flat = at(best - 1) == at(best) && at(best + 1) == at(best);
        return line(flat ? best * STEP : Search.highest(this::left, (best - 1) * STEP, (best + 1) * STEP));
    }
}
