package verge.core.base;

import java.util.UUID;
import verge.core.coding.PointName;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.satellite.BaseHeard;
import verge.core.units.Length;

/**
 * A base as it is known now.
 *
 * @param entry that set it up
 * @param sent as its corrections tell of it
 * @param reference where its antenna's reference point truly was
 * @param height of that over the mark
 * @param sending by what its corrections reach rovers
 * @param provisional whether its place is only what a sky said, its own or that of the base that its mark was measured from
 */
public record Base(UUID entry, PointName mark, BaseHeard sent, EarthCentred reference, Length height, Sending sending,
        boolean provisional) {
    /** Corrections tell places to a tenth of a millimetre. */
    private static final double SAME_METRES = 0.001;

    /** Whether it is this one that was heard. */
    public boolean isHeard(BaseHeard other) {
        return sent.station() == other.station() && sent.place().minus(other.place()).length() < SAME_METRES;
    }

    /** Where its mark is. */
    public EarthCentred ground() {
        return below(reference, height);
    }

    /** What is so far below an antenna. */
    public static EarthCentred below(EarthCentred antenna, Length height) {
        return antenna.minus(EarthCentred.ofNorthEastUp(0, 0, height.metres(), at(antenna)));
    }

    /** An antenna so far above a mark. */
    public static EarthCentred above(EarthCentred mark, Length height) {
        return mark.plus(EarthCentred.ofNorthEastUp(0, 0, height.metres(), at(mark)));
    }

    private static Geographic at(EarthCentred place) {
        return place.place(ReferenceEllipsoid.WGS84).position();
    }
}
