package verge.core.satellite;

import java.util.Map;
import java.util.Optional;

/**
 * A kind of antenna.
 *
 * @param name with its dome, as RINEX writes it in twenty columns
 * @param rim where a tape meets it; absent where nobody measured that, as in open antenna files
 * @param referenceAboveMount how high its reference point is above the end of whatever it is screwed onto, in metres
 * @param centres of each frequency (G01, R02 …): where its signals truly arrive, from the reference point to north, east and up, in metres
 */
public record AntennaModel(String name, Optional<Rim> rim, double referenceAboveMount, Map<String, Centre> centres) {
    public AntennaModel {
        centres = Map.copyOf(centres);
    }

    /** Without what only its signals' own places need. */
    public AntennaModel withoutCentres() {
        return new AntennaModel(name, rim, referenceAboveMount, Map.of());
    }

    /** @param radius from the axis @param aboveReference both in metres */
    public record Rim(double radius, double aboveReference) {
        public Rim {
            if (!(radius > 0 && radius < 1) || !(Math.abs(aboveReference) < 1)) {
                throw new IllegalArgumentException("rim " + radius + ", " + aboveReference);
            }
        }
    }

    /** From the reference point, in metres. */
    public record Centre(double north, double east, double up) {
    }
}
