package verge.core.shelf;

import java.util.List;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.plan.Extent;

/**
 * Jobs of one site beside one another, whatever their systems: a plain map with the meridian up, true to length in its middle. For looking,
 * not for measuring: over a site of 20 km lengths are true to a hundredth part.
 *
 * @param areas one for each that was given, in that order; northings and eastings in metres from the south-west of them all
 * @param extent round all of them
 */
public record SiteMap(List<List<GridPoint>> areas, Extent extent) {
    public static SiteMap of(List<WorkArea> areas) {
        if (areas.isEmpty()) {
            return new SiteMap(List.of(), Extent.EMPTY);
        }
        Geographic first = areas.get(0).corners().get(0);
        Extent.Builder degrees = new Extent.Builder();
        areas.forEach(area -> area.corners().forEach(c -> degrees.add(c.latitude().degrees(), beside(first, c))));
        Extent box = degrees.build();
        Geographic middle = Geographic.ofDegrees((box.south() + box.north()) / 2, first.longitude().degrees());
        ReferenceEllipsoid earth = ReferenceEllipsoid.WGS84;
        double north = Math.toRadians(earth.meridianRadius(middle.latitude()));
        double east = Math.toRadians(earth.primeVerticalRadius(middle.latitude())) * middle.latitude().cos();
        List<List<GridPoint>> placed = areas.stream().map(area -> area.corners().stream()
                .map(c -> new GridPoint(north * (c.latitude().degrees() - box.south()), east * (beside(first, c) - box.west()))).toList())
                .toList();
        return new SiteMap(placed, new Extent(0, 0, north * (box.north() - box.south()), east * (box.east() - box.west())));
    }

    /** Degrees of longitude east of a place, −180 to 180: a site may lie across the date line. */
    private static double beside(Geographic first, Geographic place) {
        return place.longitude().minus(first.longitude()).halfCircle().degrees();
    }
}
