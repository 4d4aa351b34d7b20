package verge.formats.reading;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import verge.core.drawing.Feature;
import verge.core.plan.Vertices;

/**
 * Heights of points that stand for none: rows of nines, and noughts among others that are far from nought. Programs write them where a cell
 * must not be empty; taken as heights they would set somebody up ten kilometres below the sea. A file that leaves heights out says with
 * that what has none: its noughts are heights.
 */
final class HeightsMeant {
    /** No land is so high or so low in metres, feet or centimetres but stands as \u2212999, 9999.99, 99999. */
    private static final double[] NINES = {999, 9999, 99999, 999999, 999.9, 999.99, 999.999, 9999.9, 9999.99, 9999.999, 99999.9, 99999.99,
            99999.999};
    /**
     * A nought counts as a height if any other height is as near to it, in the file's own unit; nearer still where the others lie close
     * together.
     */
    private static final double NEAR_NOUGHT = 5;
    private static final double LEAST_GAP = 1;
    private static final double GAP_TO_SPREAD = 2;
    /** So many others must speak against it. */
    private static final int LEAST_OTHERS = 3;

    private final List<Feature> features;
    private final boolean noughtsAreHeights;

    /** @param noughtsAreHeights as the file says of itself */
    HeightsMeant(List<Feature> features, boolean noughtsAreHeights) {
        this.features = features;
        this.noughtsAreHeights = noughtsAreHeights;
    }

    /** Told of each point that loses its height. */
    @FunctionalInterface
    interface Told {
        void of(String kind, Report.Why why, String where);
    }

    List<Feature> features(Told told) {
        double[] heights = features.stream().filter(Feature.Spot.class::isInstance).map(f -> f.vertices().height(0))
                .filter(OptionalDouble::isPresent).mapToDouble(OptionalDouble::getAsDouble).toArray();
        double[] real = Arrays.stream(heights).filter(h -> h != 0 && !nines(h)).toArray();
        boolean saysNoneOtherwise = features.stream().filter(Feature.Spot.class::isInstance)
                .anyMatch(f -> f.vertices().height(0).isEmpty());
        boolean noughtIsNone = !noughtsAreHeights && !saysNoneOtherwise && real.length >= LEAST_OTHERS && isFarFromNought(real);
        boolean any = Arrays.stream(heights).anyMatch(h -> nines(h) || h == 0 && noughtIsNone);
        return any ? features.stream().map(f -> without(f, noughtIsNone, told)).toList() : new ArrayList<>(features);
    }

    private static boolean isFarFromNought(double[] others) {
        double nearest = Arrays.stream(others).map(Math::abs).min().orElse(0);
        double spread = Arrays.stream(others).max().orElse(0) - Arrays.stream(others).min().orElse(0);
        return nearest > Math.min(NEAR_NOUGHT, Math.max(LEAST_GAP, GAP_TO_SPREAD * spread));
    }

    private static Feature without(Feature feature, boolean noughtIsNone, Told told) {
        if (!(feature instanceof Feature.Spot spot) || spot.vertices().height(0).isEmpty()) {
            return feature;
        }
        double height = spot.vertices().height(0).getAsDouble();
        if (!nines(height) && !(height == 0 && noughtIsNone)) {
            return feature;
        }
        told.of("point", Report.Why.HEIGHT_NONE, (spot.name().isEmpty() ? "without a name" : "\u2018" + spot.name() + "\u2019") + ", "
                + height);
        return new Feature.Spot(spot.layer(), spot.name(), spot.code(), spot.description(), spot.sigma(),
                new Vertices.Builder().add(spot.vertices().north(0), spot.vertices().east(0)).build());
    }

    private static boolean nines(double height) {
        return Arrays.stream(NINES).anyMatch(n -> Math.abs(height) == n);
    }
}
