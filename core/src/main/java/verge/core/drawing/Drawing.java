package verge.core.drawing;

import java.util.List;
import java.util.stream.Stream;
import verge.core.alignment.Alignment;
import verge.core.plan.Extent;
import verge.core.plan.Placement;
import verge.core.plan.Vertices;
import verge.core.surface.Surface;

/**
 * What was read from one file: layers, and on them points, lines, words, alignments, surfaces.
 *
 * <p>A drawing as read has the file's own coordinates, in the file's own unit, order and sense; {@link #placed} brings it to the job's
 * grid.
 */
public record Drawing(List<Layer> layers, List<Feature> features) {
    public Drawing {
        layers = List.copyOf(layers);
        features = List.copyOf(features);
    }

    public static final Drawing EMPTY = new Drawing(List.of(), List.of());

    public Stream<Feature.Spot> spots() {
        return features.stream().filter(Feature.Spot.class::isInstance).map(Feature.Spot.class::cast);
    }

    public Stream<Feature.Run> runs() {
        return features.stream().filter(Feature.Run.class::isInstance).map(Feature.Run.class::cast);
    }

    public Extent extent() {
        return extent(features.stream());
    }

    /** The box round some features. */
    public static Extent extent(Stream<? extends Feature> some) {
        Extent.Builder box = new Extent.Builder();
        some.map(Feature::vertices).forEach(v -> {
            for (int i = 0; i < v.size(); i++) {
                box.add(v.north(i), v.east(i));
            }
        });
        return box.build();
    }

    public Stream<Surface> surfaces() {
        return features.stream().filter(Feature.Facets.class::isInstance).map(f -> ((Feature.Facets) f).surface());
    }

    public Stream<Alignment> alignments() {
        return features.stream().filter(Feature.Axis.class::isInstance).map(f -> ((Feature.Axis) f).alignment());
    }

    /** How many vertices it has in all. */
    public long vertexCount() {
        return features.stream().mapToLong(f -> f.vertices().size()).sum();
    }

    /**
     * Everything where it lies in the job's grid. What has nowhere to lie there is left out.
     *
     * @param placement from the file's coordinates to the grid
     * @param perUnit metres in one unit of the file's lengths, for what is kept as lengths
     */
    public Drawing placed(Placement placement, double perUnit) {
        return new Drawing(layers, features.parallelStream().map(f -> f.placed(placement, perUnit)).filter(Drawing::somewhere).toList());
    }

    private static boolean somewhere(Feature feature) {
        Vertices v = feature.vertices();
        for (int i = 0; i < v.size(); i++) {
            if (!Double.isFinite(v.north(i)) || !Double.isFinite(v.east(i))) {
                return false;
            }
        }
        return true;
    }
}
