package verge.core.satellite;

import java.util.Comparator;

/** A satellite. @param number its own within its system, from 1 */
public record SatelliteId(SatelliteSystem system, int number) implements Comparable<SatelliteId> {
    private static final Comparator<SatelliteId> ORDER = Comparator.comparing(SatelliteId::system).thenComparingInt(SatelliteId::number);
    private static final int MOST = 99;

    public SatelliteId {
        if (number < 1 || number > MOST) {
            throw new IllegalArgumentException("satellite " + number);
        }
    }

    @Override
    public int compareTo(SatelliteId other) {
        return ORDER.compare(this, other);
    }

    /** As RINEX writes it: G07. */
    @Override
    public String toString() {
        return system.letter() + (number < 10 ? "0" : "") + number;
    }
}
