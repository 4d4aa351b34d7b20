package verge.core.geodesy.method;

import org.apache.sis.parameter.ParameterBuilder;
import org.apache.sis.parameter.Parameters;
import org.opengis.parameter.ParameterDescriptor;
import org.opengis.referencing.operation.MathTransform;

/**
 * Krovak's oblique conformal conic: Gauss' sphere, turned to the cone's axis, and a cone that touches along a pseudo-parallel. Eastings
 * and northings come out negative; the classical form with southings and westings differs only in its axes.
 *
 * <p>Source: IOGP guidance note 7-2, 'Krovak'.
 */
public class Krovak extends PluggedMethod {
    private static final long serialVersionUID = 1L;
    private static final ParameterBuilder BUILDER = builder();
    private static final ParameterDescriptor<Double> LATITUDE = latitude(BUILDER, "8811", "Latitude of projection centre", 49.5);
    private static final ParameterDescriptor<Double> LONGITUDE = longitude(BUILDER, "8833", "Longitude of origin", 24 + 50.0 / 60);
    private static final ParameterDescriptor<Double> AXIS = latitude(BUILDER, "1036", "Co-latitude of cone axis",
            30 + 17.0 / 60 + 17.30311 / 3600);
    private static final ParameterDescriptor<Double> PARALLEL = latitude(BUILDER, "8818", "Latitude of pseudo standard parallel", 78.5);
    private static final ParameterDescriptor<Double> SCALE = scale(BUILDER, "8819", "Scale factor on pseudo standard parallel", 0.9999);
    private static final ParameterDescriptor<Double> EAST = length(BUILDER, "8806", "False easting");
    private static final ParameterDescriptor<Double> NORTH = length(BUILDER, "8807", "False northing");

    public Krovak() {
        this("9819", "Krovak");
    }

    Krovak(String code, String name) {
        super(builder().addIdentifier(code).addName(name)
                .createGroupForMapProjection(LATITUDE, LONGITUDE, AXIS, PARALLEL, SCALE, EAST, NORTH));
    }

    /** The same under the name of the form whose axes count north and east. */
    public static final class NorthOrientated extends Krovak {
        private static final long serialVersionUID = 1L;

        public NorthOrientated() {
            super("1041", "Krovak (North Orientated)");
        }
    }

    /** The false origin counts as the axes do: a false southing moves the southing. */
    private double sense() {
        return this instanceof NorthOrientated ? 1 : -1;
    }

    @Override
    MathTransform transform(Parameters values, double semiMajor, double eccentricitySquared) {
        GaussSphere sphere = new GaussSphere(semiMajor, eccentricitySquared, Math.toRadians(values.doubleValue(LATITUDE)));
        return new Transform(sphere, Math.toRadians(values.doubleValue(LONGITUDE)), Math.toRadians(values.doubleValue(AXIS)),
                Math.toRadians(values.doubleValue(PARALLEL)), values.doubleValue(SCALE),
                sense() * values.doubleValue(EAST), sense() * values.doubleValue(NORTH));
    }

    private static final class Transform extends ObliqueTransform {
        private final GaussSphere sphere;
        private final double originLongitude;
        private final double sinAxis;
        private final double cosAxis;
        private final double coneConstant;
        /** Radius at the pseudo-equator: metres. */
        private final double unitRadius;
        private final double falseEast;
        private final double falseNorth;

        Transform(GaussSphere sphere, double originLongitude, double axis, double parallel, double scale, double falseEast,
                double falseNorth) {
            super(join(sphere.constants(), originLongitude, axis, parallel, scale, falseEast, falseNorth));
            this.sphere = sphere;
            this.originLongitude = originLongitude;
            this.sinAxis = Math.sin(axis);
            this.cosAxis = Math.cos(axis);
            this.coneConstant = Math.sin(parallel);
            this.unitRadius = scale * sphere.radius() / Math.tan(parallel) * Math.exp(coneConstant * GaussSphere.isometric(parallel));
            this.falseEast = falseEast;
            this.falseNorth = falseNorth;
        }

        @Override
        public double[] grid(double longitude, double latitude) {
            double u = sphere.latitude(latitude);
            double v = sphere.longitude(Turns.difference(originLongitude, longitude));
            double t = Math.asin(cosAxis * Math.sin(u) + sinAxis * Math.cos(u) * Math.cos(v));
            double d = Math.atan2(Math.cos(u) * Math.sin(v), cosAxis * Math.cos(u) * Math.cos(v) - sinAxis * Math.sin(u));
            double theta = coneConstant * d;
            double r = unitRadius * Math.exp(-coneConstant * GaussSphere.isometric(t));
            return new double[] {falseEast - r * Math.sin(theta), falseNorth - r * Math.cos(theta)};
        }

        @Override
        public double[] geographic(double east, double north) {
            double y = falseEast - east;
            double x = falseNorth - north;
            double d = Math.atan2(y, x) / coneConstant;
            double t = GaussSphere.fromIsometric(-Math.log(Math.hypot(x, y) / unitRadius) / coneConstant);
            double u = Math.asin(cosAxis * Math.sin(t) - sinAxis * Math.cos(t) * Math.cos(d));
            double v = Math.atan2(Math.cos(t) * Math.sin(d), cosAxis * Math.cos(t) * Math.cos(d) + sinAxis * Math.sin(t));
            return new double[] {originLongitude - sphere.ellipsoidLongitude(v), sphere.ellipsoidLatitude(u)};
        }
    }
}
