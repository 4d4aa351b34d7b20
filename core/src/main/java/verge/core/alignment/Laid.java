package verge.core.alignment;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import verge.core.plan.Path;
import verge.core.plan.Vertices;

/** An alignment laid out as straight pieces and arcs, each so short that nowhere along it the line is left by more than is promised. */
final class Laid {
    private static final double PLAN_METRES = 1e-5;
    private static final double AZIMUTH_RADIANS = 1e-6;
    private static final double HEIGHT_METRES = 1e-4;
    /** What bounds leave out: they hold for the first order of a turn. */
    private static final double MARGIN = 0.9;
    /** Of a stretch: a clothoid of 40 m down to a radius of 1 m takes 1,800. */
    private static final int MOST_PIECES = 20_000;

    private final Alignment alignment;
    private final TreeSet<Double> breaks = new TreeSet<>();
    private final Vertices.Builder vertices = new Vertices.Builder();
    private final List<Double> bulges = new ArrayList<>();
    private final List<Double> upTo = new ArrayList<>();

    Laid(Alignment alignment) {
        this.alignment = alignment;
        alignment.profile().ifPresent(p -> breaks.addAll(p.breaks()));
        double before = 0;
        for (PlanElement element : alignment.elements()) {
            add(element, before);
            before += element.length();
        }
        if (!alignment.elements().isEmpty()) {
            PlanElement last = alignment.elements().get(alignment.elements().size() - 1);
            vertex(last.at(last.length()), before, 0);
        }
    }

    Path path() {
        return Path.of(vertices.build(), bulges.stream().mapToDouble(b -> b).toArray(), false);
    }

    /** How far along the line each vertex lies. */
    double[] upTo() {
        return upTo.stream().mapToDouble(d -> d).toArray();
    }

    private void vertex(PlanElement.Place place, double distance, double bulge) {
        vertices.add(place.north(), place.east(), alignment.height(distance).orElse(Double.NaN));
        bulges.add(bulge);
        upTo.add(distance);
    }

    /** An element, parted where a curve of the profile begins or ends. */
    private void add(PlanElement element, double before) {
        TreeSet<Double> parts = new TreeSet<>(List.of(0.0, element.length()));
        breaks.subSet(before, false, before + element.length(), false).forEach(d -> parts.add(Math.min(element.length(), d - before)));
        double from = 0;
        for (double to : parts.tailSet(0.0, false)) {
            double middle = before + (from + to) / 2;
            double bend = alignment.profile().map(p -> p.sharpest(middle)).orElse(0.0);
            int pieces = (int) Math.max(1,
                    Math.min(MOST_PIECES, Math.ceil((to - from) / Math.min(longestInPlan(element), Math.sqrt(8 * HEIGHT_METRES / bend)))));
            for (int i = 0; i < pieces; i++) {
                PlanElement.Place begin = element.at(from + (to - from) * i / pieces);
                PlanElement.Place end = element.at(from + (to - from) * (i + 1) / pieces);
                vertex(begin, before + from + (to - from) * i / pieces, -Math.tan((end.azimuth() - begin.azimuth()) / 4));
            }
            from = to;
        }
    }

    /**
     * An arc between two places of a clothoid, turning as much, leaves it most at a third of the way from its middle to its ends: the
     * curvature differs by c t, t from −l/2 to l/2, so the azimuth by c (t²/2 − l²/24), the place by c (t³/6 − l² t/24). So c l²/12 of
     * azimuth at the ends, and c l³/(72 √3) aside at t = l/√12; in the middle nothing.
     */
    private static double longestInPlan(PlanElement element) {
        double changes = Math.abs(element.curvatureOut() - element.curvatureIn()) / element.length();
        double turn = Math.max(Math.abs(element.curvatureIn()), Math.abs(element.curvatureOut()));
        double halfTurn = turn == 0 ? Double.POSITIVE_INFINITY : Math.PI / turn;   // a bulge is of less than a whole turn
        return Math.min(halfTurn, MARGIN * Math.min(Math.cbrt(72 * Math.sqrt(3) * PLAN_METRES / changes),
        Math.sqrt(12 * AZIMUTH_RADIANS / changes)));
    }
}
