package verge.core.satellite;

import verge.core.geodesy.EarthCentred;

/**
 * A base as its corrections tell of it.
 *
 * @param name of the stream it came by, or the base's number where that has none
 * @param station its number
 * @param place where it says that its antenna's reference point is, on WGS 84 or the frame it has instead
 */
public record BaseHeard(String name, int station, EarthCentred place) {
}
