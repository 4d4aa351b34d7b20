package verge.core.plan;

/** Takes a place as a file has it to where it lies in the job's grid. */
@FunctionalInterface
public interface Placement {
    /** Northing, easting, height. */
    int FIGURES = 3;

    /**
     * Replaces northing, easting and height at {@code values[at]} to {@code values[at + 2]}. A height that is NaN, that is absent, stays
     * so; a place that has nowhere to go becomes NaN throughout.
     */
    void place(double[] values, int at);

    /** The same for all places of an array, three figures each. */
    default void placeAll(double[] values) {
        for (int at = 0; at < values.length; at += FIGURES) {
            place(values, at);
        }
    }

    /** First the other, then this. */
    default Placement after(Placement first) {
        Placement then = this;
        return new Placement() {
            @Override
            public void place(double[] values, int at) {
                first.place(values, at);
                then.place(values, at);
            }

            @Override
            public void placeAll(double[] values) {
                first.placeAll(values);
                then.placeAll(values);
            }

            @Override
            public boolean mirrors() {
                return first.mirrors() ^ then.mirrors();
            }
        };
    }

    /** Whether it mirrors the plan, so that what turned left turns right. */
    default boolean mirrors() {
        return false;
    }
}
