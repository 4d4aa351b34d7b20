package verge.core.check;

import java.util.Arrays;
import java.util.Set;
import java.util.TreeSet;
import verge.core.drawing.Drawing;
import verge.core.drawing.Feature;
import verge.core.plan.Extent;
import verge.core.plan.Vertices;

/**
 * Where most of a drawing lies, and what its heights are like. One stray line at the origin of the grid must not make a drawing seem to
 * reach from there to the site.
 *
 * @param most the box round all but the outermost fortieth on each side
 * @param strays how many vertices lie far outside that box
 * @param strayLayers the layers they are on
 * @param strayDistance from the box to the farthest of them, in metres; 0 if there is none
 * @param heights how many vertices have a height
 * @param zeros how many of those are exactly 0
 * @param middleHeight median of the heights that are not 0; NaN if there is none
 */
public record Spread(Extent most, int strays, Set<String> strayLayers, double strayDistance, int vertices, int heights, int zeros,
        double middleHeight) {
    private static final int MOST_SAMPLED = 20_000;
    private static final double TRIMMED = 1.0 / 40;
    private static final int TOO_FEW_TO_TRIM = 20;
    /** A place this many times the box's size away belongs to something else. */
    private static final double STRAY_FACTOR = 20;
    private static final double STRAY_LEAST_METRES = 2000;

    public Spread {
        strayLayers = Set.copyOf(strayLayers);
    }

    public static Spread of(Drawing drawing) {
        int total = drawing.features().stream().filter(f -> !(f instanceof Feature.Words)).mapToInt(f -> f.vertices().size()).sum();
        int step = Math.max(1, total / MOST_SAMPLED);
        double[] north = new double[total / step + 1];
        double[] east = new double[total / step + 1];
        double[] height = new double[total];
        int[] layer = new int[total / step + 1];
        int sampled = 0;
        int seen = 0;
        int heights = 0;
        int zeros = 0;
        for (Feature feature : drawing.features()) {
            Vertices v = feature.vertices();
            for (int i = 0; !(feature instanceof Feature.Words) && i < v.size(); i++) {
                if (seen++ % step == 0) {
                    north[sampled] = v.north(i);
                    layer[sampled] = feature.layer();
                    east[sampled++] = v.east(i);
                }
                double h = v.height(i).orElse(Double.NaN);
                if (h == 0) {
                    zeros++;
                } else if (!Double.isNaN(h)) {
                    height[heights++] = h;
                }
            }
        }
        Extent most = box(Arrays.copyOf(north, sampled), Arrays.copyOf(east, sampled));
        double limit = Math.max(STRAY_LEAST_METRES, STRAY_FACTOR * most.diagonal());
        int strays = 0;
        double farthest = 0;
        Set<String> strayLayers = new TreeSet<>();
        for (int i = 0; i < sampled; i++) {
            double away = most.distance(new Extent(north[i], east[i], north[i], east[i]));
            strays += away > limit ? 1 : 0;
            if (away > limit) {
                farthest = Math.max(farthest, away);
                strayLayers.add(drawing.layers().get(layer[i]).name());
            }
        }
        Arrays.sort(height, 0, heights);
        return new Spread(most, strays * step, strayLayers, farthest, total, heights + zeros, zeros,
                heights == 0 ? Double.NaN : height[heights / 2]);
    }

    private static Extent box(double[] north, double[] east) {
        if (north.length == 0) {
            return Extent.EMPTY;
        }
        Arrays.sort(north);
        Arrays.sort(east);
        int cut = north.length < TOO_FEW_TO_TRIM ? 0 : (int) Math.ceil(north.length * TRIMMED);
        int last = north.length - 1 - cut;
        return new Extent(north[cut], east[cut], north[last], east[last]);
    }

    public boolean isEmpty() {
        return vertices == 0;
    }
}
