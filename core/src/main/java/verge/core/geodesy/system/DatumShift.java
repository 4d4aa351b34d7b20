package verge.core.geodesy.system;

import java.util.Objects;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.units.Angle;

/**
 * A similarity between two earth-centred frames by three or seven parameters, from a system's datum to WGS 84.
 *
 * <p>Translations in metres, rotations in seconds of arc, scale difference in millionths. The rotations are small-angle, as published
 * parameters assume. The inverse solves the linear system, so that there and back is exact. Source: IOGP guidance note 7-2, sections
 * 'Position Vector' and 'Coordinate Frame'.
 *
 * @param accuracyMetres as published; 0 if nothing is known
 */
public record DatumShift(Rotation rotation, double tx, double ty, double tz, double rx, double ry, double rz, double ppm,
        double accuracyMetres) {

    /** What a positive rotation turns. The two differ only in the sign of the rotations, and are often mistaken for each other. */
    public enum Rotation {
        /** The vector to the point turns, the axes stay. */
        POSITION_VECTOR,
        /** The axes turn, the point stays. */
        COORDINATE_FRAME;

        public Rotation other() {
            return this == POSITION_VECTOR ? COORDINATE_FRAME : POSITION_VECTOR;
        }
    }

    /** Beyond these no published transformation goes; a slip of the unit is likelier. */
    public static final double FARTHEST_METRES = 5000;
    public static final double LARGEST_SECONDS = 60;
    public static final double LARGEST_PPM = 100;

    public static final DatumShift NONE = translation(0, 0, 0);

    public DatumShift {
        Objects.requireNonNull(rotation, "rotation");
        requireWithin(FARTHEST_METRES, tx, ty, tz);
        requireWithin(LARGEST_SECONDS, rx, ry, rz);
        requireWithin(LARGEST_PPM, ppm);
    }

    private static void requireWithin(double most, double... values) {
        for (double value : values) {
            if (!(Math.abs(value) <= most)) {
                throw new IllegalArgumentException("datum shift: " + value);
            }
        }
    }

    public static DatumShift translation(double tx, double ty, double tz) {
        return new DatumShift(Rotation.POSITION_VECTOR, tx, ty, tz, 0, 0, 0, 0, 0);
    }

    public DatumShift with(Rotation other) {
        return new DatumShift(other, tx, ty, tz, rx, ry, rz, ppm, accuracyMetres);
    }

    public EarthPlace toWgs84(EarthPlace local, ReferenceEllipsoid on) {
        return moved(EarthCentred.of(local, on)).place(ReferenceEllipsoid.WGS84);
    }

    public EarthPlace fromWgs84(EarthPlace satellite, ReferenceEllipsoid on) {
        return movedBack(EarthCentred.of(satellite, ReferenceEllipsoid.WGS84)).place(on);
    }

    private EarthCentred moved(EarthCentred place) {
        double[][] m = matrix();
        double[] x = {place.x(), place.y(), place.z()};
        return new EarthCentred(tx + dot(m[0], x), ty + dot(m[1], x), tz + dot(m[2], x));
    }

    /** The 3 × 3 system by Cramer's rule: well-conditioned, since the matrix is next to the identity. */
    private EarthCentred movedBack(EarthCentred place) {
        double[][] m = matrix();
        double[] b = {place.x() - tx, place.y() - ty, place.z() - tz};
        double det = dot(m[0], cross(m[1], m[2]));
        double[][] adjugate = {cross(m[1], m[2]), cross(m[2], m[0]), cross(m[0], m[1])};
        double[] x = new double[3];
        for (int i = 0; i < 3; i++) {
            x[i] = (adjugate[0][i] * b[0] + adjugate[1][i] * b[1] + adjugate[2][i] * b[2]) / det;
        }
        return new EarthCentred(x[0], x[1], x[2]);
    }

    private double[][] matrix() {
        double sign = rotation == Rotation.POSITION_VECTOR ? 1 : -1;
        double x = sign * Angle.ofArcSeconds(rx).radians();
        double y = sign * Angle.ofArcSeconds(ry).radians();
        double z = sign * Angle.ofArcSeconds(rz).radians();
        double s = 1 + ppm * 1e-6;
        return new double[][] {{s, -s * z, s * y}, {s * z, s, -s * x}, {-s * y, s * x, s}};
    }

    private static double dot(double[] a, double[] b) {
        return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
    }

    private static double[] cross(double[] a, double[] b) {
        return new double[] {a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]};
    }
}
