package verge.core.geodesy.method;

import org.apache.sis.parameter.ParameterBuilder;
import org.apache.sis.parameter.Parameters;
import org.opengis.parameter.ParameterDescriptor;
import org.opengis.parameter.ParameterDescriptorGroup;
import org.opengis.referencing.operation.MathTransform;

/**
 * The Swiss oblique Mercator: Gauss' sphere, turned so that the projection centre lies on its equator, and a cylinder round that.
 *
 * <p>The same mathematics as Hotine's oblique Mercator at azimuth 90°, where Hotine's own formulas divide next to nothing by next to
 * nothing and lose up to a decimetre. Source: M. Rosenmund 1903 as given by the Swiss federal formulary, with rigorous inverse.
 */
public final class SwissOblique extends PluggedMethod {
    /** As the EPSG dataset names method 9814. */
    public static final String NAME = "Swiss Oblique Cylindrical";
    private static final long serialVersionUID = 1L;
    private static final ParameterBuilder BUILDER = builder();
    private static final ParameterDescriptor<Double> LATITUDE = latitude(BUILDER, "8811", "Latitude of projection centre", 0);
    private static final ParameterDescriptor<Double> LONGITUDE = longitude(BUILDER, "8812", "Longitude of projection centre", 0);
    private static final ParameterDescriptor<Double> SCALE = scale(BUILDER, "8815", "Scale factor at projection centre", 1);
    private static final ParameterDescriptor<Double> EAST = length(BUILDER, "8816", "Easting at projection centre");
    private static final ParameterDescriptor<Double> NORTH = length(BUILDER, "8817", "Northing at projection centre");
    private static final ParameterDescriptorGroup GROUP = BUILDER.addIdentifier("9814").addName(NAME)
            .createGroupForMapProjection(LATITUDE, LONGITUDE, SCALE, EAST, NORTH);

    public SwissOblique() {
        super(GROUP);
    }

    @Override
    MathTransform transform(Parameters values, double semiMajor, double eccentricitySquared) {
        double centre = Math.toRadians(values.doubleValue(LATITUDE));
        double longitude = Math.toRadians(values.doubleValue(LONGITUDE));
        GaussSphere sphere = new GaussSphere(semiMajor, eccentricitySquared, centre);
        return new Transform(sphere, longitude, sphere.radius() * values.doubleValue(SCALE), values.doubleValue(EAST), values.doubleValue(NORTH));
    }

    private static final class Transform extends ObliqueTransform {
        private final GaussSphere sphere;
        private final double centreLongitude;
        private final double radius;
        private final double falseEast;
        private final double falseNorth;
        private final double sin;
        private final double cos;

        Transform(GaussSphere sphere, double centreLongitude, double radius, double falseEast, double falseNorth) {
            super(join(sphere.constants(), centreLongitude, radius, falseEast, falseNorth));
            this.sphere = sphere;
            this.centreLongitude = centreLongitude;
            this.radius = radius;
            this.falseEast = falseEast;
            this.falseNorth = falseNorth;
            this.sin = Math.sin(sphere.originLatitude());
            this.cos = Math.cos(sphere.originLatitude());
        }

        @Override
        double[] grid(double longitude, double latitude) {
            double u = sphere.latitude(latitude);
            double v = sphere.longitude(longitude - centreLongitude);
            double turnedLatitude = Math.asin(cos * Math.sin(u) - sin * Math.cos(u) * Math.cos(v));
            double turnedLongitude = Math.atan2(Math.cos(u) * Math.sin(v), sin * Math.sin(u) + cos * Math.cos(u) * Math.cos(v));
            return new double[] {falseEast + radius * turnedLongitude, falseNorth + radius * GaussSphere.isometric(turnedLatitude, 0)};
        }

        @Override
        double[] geographic(double east, double north) {
            double turnedLongitude = (east - falseEast) / radius;
            double turnedLatitude = GaussSphere.fromIsometric((north - falseNorth) / radius);
            double u = Math.asin(cos * Math.sin(turnedLatitude) + sin * Math.cos(turnedLatitude) * Math.cos(turnedLongitude));
            double v = Math.atan2(Math.cos(turnedLatitude) * Math.sin(turnedLongitude),
                    cos * Math.cos(turnedLatitude) * Math.cos(turnedLongitude) - sin * Math.sin(turnedLatitude));
            return new double[] {centreLongitude + sphere.ellipsoidLongitude(v), sphere.ellipsoidLatitude(u)};
        }
    }
}
