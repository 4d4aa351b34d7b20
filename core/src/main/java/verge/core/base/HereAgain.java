package verge.core.base;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import verge.core.coding.PointName;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.units.Length;

/**
 * An earlier base that stood about where an antenna is now.
 *
 * @param north
 * @param east
 * @param up by what a new start from the sky alone would shift all that is measured from now on, against what was measured from the earlier
 *     one
 */
public record HereAgain(Base earlier, Length north, Length east, Length up) {
    private static final double NEAR_METRES = 5;

    /**
     * @param bases in their order: of those over one mark the first is told
     * @param ground of the antenna now, as the sky says
     */
    public static Optional<HereAgain> of(List<Base> bases, EarthCentred ground) {
        return bases.stream().map(b -> of(b, ground)).filter(h -> Math.hypot(h.north().metres(), h.east().metres()) < NEAR_METRES)
                .min(Comparator.comparingDouble(h -> Math.hypot(h.north().metres(), h.east().metres())));
    }

    private static HereAgain of(Base base, EarthCentred ground) {
        double[] shift = ground.minus(base.ground()).northEastUp(base.ground().place(ReferenceEllipsoid.WGS84).position());
        return new HereAgain(base, new Length(shift[0]), new Length(shift[1]), new Length(shift[2]));
    }

    public PointName mark() {
        return earlier.mark();
    }
}
