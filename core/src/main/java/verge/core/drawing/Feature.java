package verge.core.drawing;

import java.util.Objects;
import java.util.OptionalInt;
import verge.core.alignment.Alignment;
import verge.core.plan.Path;
import verge.core.plan.Placement;
import verge.core.plan.Vertices;
import verge.core.surface.Surface;

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

    /** A point. Its vertices are one. */
    record Spot(int layer, String name, String code, Vertices vertices) implements Feature {
        public Spot {
            Objects.requireNonNull(name, "name");
            Objects.requireNonNull(code, "code");
            if (vertices.size() != 1) {
                throw new IllegalArgumentException("a point has one place");
            }
        }

        @Override
        public Spot placed(Placement placement, double perUnit) {
            return new Spot(layer, name, code, vertices.placed(placement));
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
