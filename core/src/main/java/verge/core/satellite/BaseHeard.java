package verge.core.satellite;

import verge.core.geodesy.EarthCentred;

/**
 * A base as its corrections tell of it.
 *
 * @param name of the stream it came by, or the base's number where that has none
 * @param station its number
 * @param place where it says that its antenna's reference point is, on WGS 84 or the frame it has instead
 * @param frameYear of the realisation of the international frame in which that is said, less 2000; 0 if it is not said
 */
public record BaseHeard(String name, int station, EarthCentred place, int frameYear) {
    /** One that does not say its frame. */
    public BaseHeard(String name, int station, EarthCentred place) {
        this(name, station, place, 0);
    }
}
