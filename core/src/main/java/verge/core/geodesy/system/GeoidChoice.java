package verge.core.geodesy.system;

/** What a geoid model is taken from. */
public sealed interface GeoidChoice {
    /** Elevations and ellipsoid heights cannot be told from each other. */
    record None() implements GeoidChoice {
    }

    /** @param metres N = h − H for the whole site */
    record Constant(double metres) implements GeoidChoice {
    }

    /**
     * A grid: of a file of the site, or one that comes with the application.
     *
     * @param source digest of the file's bytes, or the name under which it comes
     */
    record Grid(String name, String source) implements GeoidChoice {
    }
}
