package verge.core.geodesy.method;

import org.apache.sis.parameter.ParameterBuilder;
import org.apache.sis.parameter.Parameters;
import org.opengis.parameter.ParameterDescriptor;
import org.opengis.parameter.ParameterDescriptorGroup;
import org.opengis.referencing.operation.MathTransform;
import verge.core.geodesy.Kernel;

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
        return (MathTransform) kernel(semiMajor, eccentricitySquared, Math.toRadians(values.doubleValue(LATITUDE)),
                Math.toRadians(values.doubleValue(LONGITUDE)),
                values.doubleValue(SCALE), values.doubleValue(EAST), values.doubleValue(NORTH));
    }

    /** The formulas alone. Radians and metres. */
    public static Kernel kernel(double semiMajor, double e2, double latitude, double longitude, double scale, double falseEast,
            double falseNorth) {
        GaussSphere sphere = new GaussSphere(semiMajor, e2, latitude);
        return new Transform(sphere, longitude, sphere.radius() * scale, falseEast, falseNorth);
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
        public double[] grid(double longitude, double latitude) {
            double u = sphere.latitude(latitude);
            double v = sphere.longitude(Turns.difference(longitude, centreLongitude));
            double sinU = Math.sin(u);
            double cosU = Math.cos(u);
            double cosV = Math.cos(v);
            double sinTurned = cos * sinU - sin * cosU * cosV;
            double turnedLongitude = Math.atan2(cosU * Math.sin(v), sin * sinU + cos * cosU * cosV);
            return new double[] {falseEast + radius * turnedLongitude, falseNorth + radius * GaussSphere.isometricOfSine(sinTurned)};
        }

        @Override
        public double[] geographic(double east, double north) {
            double turnedLongitude = (east - falseEast) / radius;
            double e = Math.exp((north - falseNorth) / radius);
            double sinTurned = (e * e - 1) / (e * e + 1);
            double cosTurned = 2 * e / (e * e + 1);
            double level = cosTurned * Math.cos(turnedLongitude);
            double sinU = cos * sinTurned + sin * level;
            double v = Math.atan2(cosTurned * Math.sin(turnedLongitude), cos * level - sin * sinTurned);
            return new double[] {centreLongitude + sphere.ellipsoidLongitude(v), sphere.ellipsoidLatitudeOfSine(sinU)};
        }
    }
}
