package verge.core.division;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import verge.core.geodesy.GridPoint;
import verge.core.plan.Region;
import verge.core.units.Angle;

/** A line that is turned about a point. What it has to its left, and what to its right when one looks back, are together the whole: half a turn tells all. */
final class Turning {
    private static final int STEPS = 180;
    private static final double STEP = Math.PI / STEPS;
    private final Region region;
    private final GridPoint pivot;
    private final double whole;
    private final double small;
    /** To the left at each step, once round. */
    private final double[] around;

    Turning(Region region, GridPoint pivot, double small) {
        this.region = region;
        this.pivot = pivot;
        this.small = small;
        whole = region.area();
        double[] half = IntStream.range(0, STEPS).mapToDouble(step -> left(step * STEP)).toArray();
        around = IntStream.range(0, 2 * STEPS).mapToDouble(step -> step < STEPS ? half[step] : whole - half[step - STEPS]).toArray();
    }

    private double left(double azimuth) {
        return Sweep.of(region, pivot, new Angle(azimuth)).left(0);
    }

    private double at(int step) {
        return around[Math.floorMod(step, around.length)];
    }

    List<Division.Sample> curve() {
        return IntStream.rangeClosed(0, around.length).mapToObj(step -> new Division.Sample(step * STEP, at(step))).toList();
    }

    /** All lines that have as much to their left; empty if there are none. */
    List<DividingLine> lines(double wanted) {
        List<Double> azimuths = new ArrayList<>();
        for (int step = 0; step < around.length; step++) {
            double from = step * STEP;
            if (at(step) == wanted) {
                azimuths.add(from);
            } else if ((at(step) - wanted) * (at(step + 1) - wanted) < 0) {
                azimuths.add(crossing(wanted, from, from + STEP));
            }
            if (turnsBack(step, wanted)) {
                double turn = turn(step, at(step) < wanted);
                double most = left(turn);
                if ((most - wanted) * (at(step) - wanted) < 0) {
                    azimuths.add(crossing(wanted, from - STEP, turn));
                    azimuths.add(crossing(wanted, turn, from + STEP));
                } else if (Math.abs(most - wanted) <= small) {
                    azimuths.add(turn);
                }
            }
        }
        return azimuths.stream().map(this::line).toList();
    }

    /** Whether it comes nearer to what is wanted there than a step before and after, on the same side of it. */
    private boolean turnsBack(int step, double wanted) {
        double sign = Math.signum(wanted - at(step));
        double here = sign * at(step);
        double before = sign * at(step - 1);
        double after = sign * at(step + 1);
        return here >= before && here >= after && here > Math.min(before, after);
    }

    private double turn(int step, boolean highest) {
        return Search.highest(azimuth -> highest ? left(azimuth) : -left(azimuth), (step - 1) * STEP, (step + 1) * STEP);
    }

    private double crossing(double wanted, double from, double to) {
        return Search.root(azimuth -> left(azimuth) - wanted, from, to, left(from) - wanted, small);
    }

    private DividingLine line(double azimuth) {
        return new DividingLine(pivot, new Angle(azimuth).wholeCircle(), left(azimuth));
    }

    /** The line with most to its left; looked back along, that with least. */
    DividingLine most() {
        int best = IntStream.range(0, around.length).boxed().max(Comparator.comparingDouble(this::at)).orElseThrow();
        boolean flat = at(best - 1) == at(best) && at(best + 1) == at(best);
        return line(flat ? best * STEP : turn(best, true));
    }
}
