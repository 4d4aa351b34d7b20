package verge.core.geodesy.system;

import java.util.Objects;
import java.util.Optional;

/**
 * What a job is told its plan coordinates are.
 *
 * <p>A projected system is kept whole, as WKT 2, not by its code alone: what a job meant cannot change when a register is revised.
 */
public sealed interface CoordinateSystem {

    /**
     * @param code such as EPSG:25832; empty if it was typed or pasted
     * @param wkt definition by ISO 19162:2019
     * @param toWgs84 how satellite positions get to its datum; absent if that is not known or needs a grid
     */
    record Projected(String name, String code, String wkt, Optional<DatumShift> toWgs84) implements CoordinateSystem {
        public Projected {
            Objects.requireNonNull(name, "name");
            Objects.requireNonNull(code, "code");
            Objects.requireNonNull(wkt, "wkt");
            Objects.requireNonNull(toWgs84, "toWgs84");
        }
    }

    /** Latitude and longitude without a plane: a total station has nowhere to put its points. */
    record LatLonOnly(String name, String code) implements CoordinateSystem {
    }

    /**
     * A plane grid with one scale for the whole of it.
     *
     * @param gridPerGround a ground distance times this is the coordinates' distance; 0.9 to 1.1
     */
    record Flat(double gridPerGround) implements CoordinateSystem {
    }

    /** Decide later: what is measured is kept raw, and on a plane at scale 1 until then. */
    record Undecided() implements CoordinateSystem {
    }

    static CoordinateSystem flat(double gridPerGround) {
        return new Flat(gridPerGround);
    }
}
