package verge.formats.photo;

import java.util.Optional;
import verge.core.enclosure.Looking;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Geographic;

/**
 * What is written into a photo that leaves.
 *
 * @param place of what it shows by WGS 84, if a way there is known
 * @param elevation above the sea
 * @param looking from true or magnetic north
 * @param words what it shows
 */
public record PhotoPlace(Optional<Geographic> place, Optional<Elevation> elevation, Optional<Looking> looking, String words) {
}
