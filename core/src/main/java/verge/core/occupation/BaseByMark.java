package verge.core.occupation;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import verge.core.base.Base;
import verge.core.coding.PointName;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.Position;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.job.Journal;
import verge.core.points.Origin;
import verge.core.units.Length;

/**
 * Where a base's mark must be for a known mark to be where it is known to be, as it was measured from the base.
 *
 * @param mark the known one @param entry by which it was measured @param base the mark below the base, in the job's grid
 */
public record BaseByMark(PointName mark, UUID entry, Position base) {
    /** By each known mark that was measured from bases over one mark, in the order of their entries. */
    public static List<BaseByMark> of(Journal journal, PointName over) {
        return journal.entries().stream().filter(e -> e.payload() instanceof PointOccupied && !journal.state().isStruck(e.id()))
                .flatMap(e -> journal.state().bases().under(e.id()).filter(b -> b.mark().equals(over)).stream().flatMap(b -> {
            PointOccupied said = (PointOccupied) journal.counting(e);
            return journal.state().points().find(said.name(), Origin.CONTROL).filter(k -> !said.name().equals(over))
                    .flatMap(k -> below(journal, said, b, k.position())).map(p -> new BaseByMark(said.name(), e.id(), p)).stream();
        })).toList();
    }

    private static Optional<Position> below(Journal journal, PointOccupied said, Base base, Position known) {
        var job = journal.state().geodesy();
        return said.antenna().known().flatMap(height -> job.earth(known).map(p -> {
            EarthCentred foot = EarthCentred.of(p, ReferenceEllipsoid.WGS84);
            EarthCentred rover = foot.plus(up(said, height, p.position()));
            return Base.below(rover.minus(said.vector()), base.height()).place(ReferenceEllipsoid.WGS84);
        }).flatMap(job::position));
    }

    private static EarthCentred up(PointOccupied said, Length height, Geographic at) {
        return said.tilt().map(t -> t.upwards(height, at)).orElseGet(() -> EarthCentred.ofNorthEastUp(0, 0, height.metres(), at));
    }
}
