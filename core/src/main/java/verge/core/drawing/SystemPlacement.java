package verge.core.drawing;

import java.util.Optional;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.MapProjection;
import verge.core.geodesy.Parts;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.DatumShift;
import verge.core.geodesy.system.SystemText;
import verge.core.plan.Placement;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;

/**
 * From another coordinate system into the job's grid: back to latitude and longitude, over WGS 84 to the job's datum, into its
 * projection. Heights are kept: elevations do not change with the plan system.
 *
 * @param source of the file
 * @param target of the job
 */
public record SystemPlacement(Source source, MapProjection target, DatumShift targetToWgs84) implements Placement {

    /** What the file's figures are. */
    public sealed interface Source {
        /** Degrees on WGS 84; the value read as northing is the latitude. */
        record LatLon() implements Source {
        }

        /** @param metresPerUnit what its figures are multiplied by to be metres; the value read as northing counts north */
        record Plane(MapProjection projection, DatumShift toWgs84, double metresPerUnit) implements Source {
        }
    }

    /** From degrees on WGS 84; empty if the system does not say how it gets there. */
    public static Optional<SystemPlacement> ofDegrees(CoordinateSystem.OnEarth target) {
        return target.toWgs84().map(shift -> new SystemPlacement(new Source.LatLon(), SystemText.projection(target), shift));
    }

    private static final double LARGEST_LATITUDE = 90;
    private static final double LARGEST_LONGITUDE = 360;

    @Override
    public void place(double[] values, int at) {
        try {
            GridPoint there = target.grid(targetToWgs84.fromWgs84(onWgs84(own(values[at], values[at + 1])), target.ellipsoid()).position());
            values[at] = there.northing();
            values[at + 1] = there.easting();
            values[at + 2] *= source instanceof Source.Plane plane ? plane.metresPerUnit() : 1;
        } catch (SurveyException | IllegalArgumentException nowhere) {
            values[at] = Double.NaN;
            values[at + 1] = Double.NaN;
            values[at + 2] = Double.NaN;
        }
    }

    @Override
    public void placeAll(double[] values) {
        int places = values.length / FIGURES;
        double toMetres = source instanceof Source.Plane plane ? plane.metresPerUnit() : 1;
        double[] pairs = new double[2 * places];
        for (int i = 0; i < places; i++) {
            pairs[2 * i] = values[FIGURES * i + 1] * toMetres;
            pairs[2 * i + 1] = values[FIGURES * i] * toMetres;
        }
        if (source instanceof Source.Plane plane) {
            plane.projection().geographicAll(pairs);
        }
        Parts.each(places, i -> shift(pairs, 2 * i));
        target.gridAll(pairs);
        for (int i = 0; i < places; i++) {
            values[FIGURES * i] = pairs[2 * i + 1];
            values[FIGURES * i + 1] = pairs[2 * i];
            values[FIGURES * i + 2] = Double.isNaN(pairs[2 * i]) ? Double.NaN : values[FIGURES * i + 2] * toMetres;
        }
    }

    /** Longitude and latitude of the file to those of the job's datum, in radians; NaN if there is no such place. */
    private void shift(double[] pairs, int at) {
        try {
            Geographic own = source instanceof Source.Plane ? new Geographic(new Angle(pairs[at + 1]), new Angle(pairs[at]))
                    : degrees(pairs[at + 1], pairs[at]);
            Geographic there = targetToWgs84.fromWgs84(onWgs84(own), target.ellipsoid()).position();
            pairs[at] = there.longitude().radians();
            pairs[at + 1] = there.latitude().radians();
        } catch (SurveyException | IllegalArgumentException nowhere) {
            pairs[at] = Double.NaN;
            pairs[at + 1] = Double.NaN;
        }
    }

    private Geographic own(double north, double east) {
        return source instanceof Source.Plane plane
                ? plane.projection().geographic(new GridPoint(north * plane.metresPerUnit(), east * plane.metresPerUnit()))
                : degrees(north, east);
    }

    private static Geographic degrees(double north, double east) {
        if (!(Math.abs(north) <= LARGEST_LATITUDE && Math.abs(east) <= LARGEST_LONGITUDE)) {
            throw new IllegalArgumentException(north + ", " + east);
        }
        return Geographic.ofDegrees(north, east);
    }

    private EarthPlace onWgs84(Geographic own) {
        EarthPlace place = new EarthPlace(own, new EllipsoidHeight(0));
        return source instanceof Source.Plane plane ? plane.toWgs84().toWgs84(place, plane.projection().ellipsoid()) : place;
    }
}
