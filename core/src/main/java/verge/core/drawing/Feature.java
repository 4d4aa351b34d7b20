package verge.core.drawing;

import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import verge.core.alignment.Alignment;
import verge.core.geodesy.Uncertainty;
import verge.core.plan.Path;
import verge.core.plan.Placement;
import verge.core.plan.Vertices;
import verge.core.surface.Surface;
import verge.core.units.Length;

/** One thing of a drawing. */
public sealed interface Feature {
    /** Index into the drawing's layers. */
    int layer();

    /** Its name in the file; empty if it has none. */
    String name();

    Vertices vertices();

    /**
     * The same thing elsewhere.
     *
     * @param perUnit metres in one unit of the file's lengths, for what is kept as a length
     */
    Feature placed(Placement placement, double perUnit);

    /**
     * A point. Its vertices are one.
     *
     * @param code as the file has it: often no code, but words
     * @param description further words
     * @param sigma standard deviations in plan and height in the unit of the coordinates; NaN where the file says none
     */
    record Spot(int layer, String name, String code, String description, Sigma sigma, Vertices vertices) implements Feature {
        public Spot(int layer, String name, String code, Vertices vertices) {
            this(layer, name, code, "", Sigma.NONE, vertices);
        }

        /** @param plan root of both variances in plan. @param height NaN where it is not known */
        public record Sigma(double plan, double height) {
            public static final Sigma NONE = new Sigma(Double.NaN, Double.NaN);

            private Sigma times(double perUnit) {
                return new Sigma(plan * perUnit, height * perUnit);
            }

            /** The same in both directions of the plan; absent without a figure, 0 where one of both is missing. */
            public Optional<Uncertainty> uncertainty() {
                if (Double.isNaN(plan) && Double.isNaN(height)) {
                    return Optional.empty();
                }
                Length each = new Length(Double.isNaN(plan) ? 0 : plan / Math.sqrt(2));
                return Optional.of(new Uncertainty(each, each, new Length(Double.isNaN(height) ? 0 : height)));
            }
        }

        public Spot {
            Objects.requireNonNull(name, "name");
            Objects.requireNonNull(code, "code");
            Objects.requireNonNull(description, "description");
            Objects.requireNonNull(sigma, "sigma");
            if (vertices.size() != 1) {
                throw new IllegalArgumentException("a point has one place");
            }
        }

        @Override
        public Spot placed(Placement placement, double perUnit) {
            return new Spot(layer, name, code, description, sigma.times(perUnit), vertices.placed(placement));
        }
    }

    /**
     * A line of straight pieces and arcs, open or closed.
     *
     * @param colour its own, as the file has it; empty where it takes its layer's
     */
    record Run(int layer, OptionalInt colour, String name, Path path) implements Feature {
        public Run {
            Objects.requireNonNull(name, "name");
        }

        @Override
        public Vertices vertices() {
            return path.vertices();
        }

        @Override
        public Run placed(Placement placement, double perUnit) {
            return new Run(layer, colour, name, path.placed(placement));
        }
    }

    /**
     * Words on the drawing.
     *
     * @param name the words
     * @param height of a capital letter, in the unit of the coordinates; 0 if the file does not say
     */
    record Words(int layer, String name, double height, Vertices vertices) implements Feature {
        public Words {
            Objects.requireNonNull(name, "name");
            if (vertices.size() != 1) {
                throw new IllegalArgumentException("words have one place");
            }
        }

        @Override
        public Words placed(Placement placement, double perUnit) {
            return new Words(layer, name, height * perUnit, vertices.placed(placement));
        }
    }

    /** An alignment. Its vertices are chords that leave it by a millimetre at most. */
    record Axis(int layer, Alignment alignment, Vertices vertices) implements Feature {
        @Override
        public String name() {
            return alignment.name();
        }

        @Override
        public Axis placed(Placement placement, double perUnit) {
            return new Axis(layer, alignment.placed(placement, perUnit), vertices.placed(placement));
        }
    }

    /** A surface of triangles. */
    record Facets(int layer, Surface surface) implements Feature {
        @Override
        public String name() {
            return surface.name();
        }

        @Override
        public Vertices vertices() {
            return surface.vertices();
        }

        @Override
        public Facets placed(Placement placement, double perUnit) {
            return new Facets(layer, surface.placed(placement));
        }
    }
}
