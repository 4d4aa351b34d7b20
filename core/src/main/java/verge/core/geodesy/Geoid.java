package verge.core.geodesy;

import java.util.OptionalDouble;

/** Where the geoid lies above or below an ellipsoid. */
public interface Geoid {
    /**
     * N = h − H at a place: ellipsoid height less elevation, in metres; empty where the model does not reach.
     *
     * @param place on WGS 84 or a datum within metres of it: a hundred metres off change N by a millimetre or two
     */
    OptionalDouble undulation(Geographic place);

    /** One separation for the whole site. */
    static Geoid constant(double metres) {
        return place -> OptionalDouble.of(metres);
    }
}
