package verge.core.geodesy;

import java.util.Optional;
import java.util.function.IntConsumer;
import org.apache.sis.geometry.DirectPosition2D;
import org.apache.sis.measure.Units;
import org.apache.sis.referencing.datum.DatumOrEnsemble;
import org.apache.sis.referencing.operation.matrix.Matrices;
import org.apache.sis.referencing.operation.transform.MathTransforms;
import org.opengis.parameter.ParameterValue;
import org.opengis.referencing.crs.ProjectedCRS;
import org.opengis.referencing.cs.CoordinateSystem;
import org.opengis.referencing.cs.CoordinateSystemAxis;
import org.opengis.referencing.datum.Ellipsoid;
import org.opengis.referencing.operation.MathTransform;
import org.opengis.referencing.operation.Matrix;
import org.opengis.referencing.operation.NoninvertibleTransformException;
import org.opengis.referencing.operation.TransformException;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;
import verge.core.units.PlanAxes;

/**
 * A projected coordinate system at work: latitude and longitude of its own datum to northing and easting and back.
 *
 * <p>Grid points are metres with north and east positive, whatever unit, order and sense the system's own axes have; {@link #axes} tells
 * these. Longitudes count from Greenwich whatever the system's prime meridian. Within 0.05 mm of PROJ inside the area of use. The
 * formulas are those of {@code geodesy.method} for the usual methods and of Apache SIS for all others. Immutable; safe from many threads.
 */
public final class MapProjection {
    /** A micrometre: far below what is promised, and above the rounding of coordinates of ten thousand kilometres. */
    private static final double SETTLED_METRES = 1e-6;
    private static final int MOST_SETTLING_STEPS = 4;
    private static final double STEP_DEGREES = 0.01;
    private static final double STEP_RADIANS = 2e-4;
    private static final double TURN_DEGREES = 360;
    private static final double NEAREST_POLE_DEGREES = 89.999;
    /** The library's derivative of this series stops earlier than the series: 1 part in 10⁹ at four degrees from the meridian. */
    private static final String SERIES_METHOD = "Cassini-Soldner";

    private final String name;
    private final ReferenceEllipsoid ellipsoid;
    private final AreaOfUse area;
    private final PlanAxes axes;
    private final double metresPerUnit;
    /** Longitude and latitude in degrees from Greenwich to easting and northing in metres. */
    private final MathTransform forward;
    private final MathTransform inverse;
    private final boolean derivativeIsShort;
    /** Degrees from Greenwich; the library takes the long way round to a longitude more than half a turn from it. */
    private final double originLongitude;
    /** The same formulas without the library's general machinery, where they are at hand. */
    private final Optional<Kernel> kernel;
    /** What moves the system's plane onto a site's own control, and back. */
    private final Optional<OnSite> onSite;

    private record OnSite(Similarity there, Similarity back) {
    }

    private MapProjection(ProjectedCRS system, AreaOfUse area, Optional<Kernel> kernel) {
        this.kernel = kernel;
        this.onSite = Optional.empty();
        this.name = system.getName().getCode();
        this.area = area;
        Ellipsoid e = DatumOrEnsemble.getEllipsoid(system).orElseThrow();
        this.ellipsoid = new ReferenceEllipsoid(e.getName().getCode(),
                e.getAxisUnit().getConverterTo(Units.METRE).convert(e.getSemiMajorAxis()),
                e.getInverseFlattening());
        this.derivativeIsShort = system.getConversionFromBase().getMethod().getName().getCode().equals(SERIES_METHOD);
        this.originLongitude = originLongitude(system);
        CoordinateSystem plan = system.getCoordinateSystem();
        AxisPair pair = AxisPair.of(plan);
        this.axes = pair.axes();
        this.metresPerUnit = pair.metresPerUnit();
        try {
            this.forward = MathTransforms.concatenate(baseFromDegrees(system.getBaseCRS().getCoordinateSystem(), greenwich(system)),
                    system.getConversionFromBase().getMathTransform(), MathTransforms.linear(pair.toEastNorthMetres()));
            this.inverse = forward.inverse();
        } catch (NoninvertibleTransformException cannot) {
            throw new SurveyException(Problem.SYSTEM_UNREADABLE, cannot.getMessage());
        }
    }

    private MapProjection(MapProjection base, String name, Similarity move) {
        this.kernel = base.kernel;
        this.onSite = Optional.of(new OnSite(move, move.reversed()));
        this.name = name;
        this.area = base.area;
        this.ellipsoid = base.ellipsoid;
        this.derivativeIsShort = base.derivativeIsShort;
        this.originLongitude = base.originLongitude;
        this.axes = PlanAxes.NORTH_THEN_EAST;
        this.metresPerUnit = 1;
        this.forward = base.forward;
        this.inverse = base.inverse;
    }

    /**
     * The same projection with its plane moved onto a site's own control, whose axes count north and east in metres.
     *
     * @param move from this system's grid to the site's; not mirrored
     */
    public MapProjection onSite(String siteName, Similarity move) {
        if (move.mirrored() || onSite.isPresent()) {
            throw new IllegalArgumentException("a plane that is mirrored or moved twice");
        }
        return new MapProjection(this, siteName, move);
    }

    /** @throws SurveyException SYSTEM_UNREADABLE if the projection has no inverse */
    public static MapProjection of(ProjectedCRS system, AreaOfUse area) {
        return new MapProjection(system, area, Optional.empty());
    }

    /** @param kernel the system's own formulas, conformal, with Greenwich longitudes */
    public static MapProjection of(ProjectedCRS system, AreaOfUse area, Kernel kernel) {
        return new MapProjection(system, area, Optional.of(kernel));
    }

    private static double originLongitude(ProjectedCRS system) {
        return greenwich(system) + system.getConversionFromBase().getParameterValues().values().stream()
                .filter(p -> p instanceof ParameterValue<?> && p.getDescriptor().getName().getCode().startsWith("Longitude"))
                .map(p -> ((ParameterValue<?>) p).doubleValue(Units.DEGREE)).findFirst().orElse(0.0);
    }

    /** Degrees east of Greenwich that the system's own longitudes count from. */
    private static double greenwich(ProjectedCRS system) {
        return DatumOrEnsemble.getPrimeMeridian(system.getBaseCRS())
                .map(m -> m.getAngularUnit().getConverterTo(Units.DEGREE).convert(m.getGreenwichLongitude())).orElse(0.0);
    }

    private double nearOrigin(double longitude) {
        return originLongitude + Math.IEEEremainder(longitude - originLongitude, TURN_DEGREES);
    }

    /** From Greenwich degrees, longitude first, to whatever order and unit the base system has. */
    private static MathTransform baseFromDegrees(CoordinateSystem base, double greenwich) {
        Matrix m = Matrices.createZero(3, 3);
        for (int i = 0; i < 2; i++) {
            CoordinateSystemAxis axis = base.getAxis(i);
            double unitsPerDegree = Units.DEGREE.getConverterTo(axis.getUnit().asType(javax.measure.quantity.Angle.class)).convert(1);
            String direction = axis.getDirection().name();
            boolean isLongitude = direction.equals("EAST") || direction.equals("WEST");
            double sign = direction.equals("WEST") || direction.equals("SOUTH") ? -1 : 1;
            m.setElement(i, isLongitude ? 0 : 1, sign * unitsPerDegree);
            m.setElement(i, 2, isLongitude ? -sign * greenwich * unitsPerDegree : 0);
        }
        m.setElement(2, 2, 1);
        return MathTransforms.linear(m);
    }

    public String name() {
        return name;
    }

    public ReferenceEllipsoid ellipsoid() {
        return ellipsoid;
    }

    public AreaOfUse area() {
        return area;
    }

    /** Order and sense of the system's own axes. */
    public PlanAxes axes() {
        return axes;
    }

    /** Metres in one unit of the system's own axes. */
    public double metresPerUnit() {
        return metresPerUnit;
    }

    /** @throws SurveyException OUTSIDE_PROJECTION where the projection has no picture of the place */
    public GridPoint grid(Geographic place) {
        GridPoint own = ownGrid(place);
        return onSite.isPresent() ? onSite.get().there().place(own) : own;
    }

    private GridPoint ownGrid(Geographic place) {
        if (kernel.isPresent()) {
            double[] pair = kernel.get().grid(place.longitude().radians(), place.latitude().radians());
            requireReached(pair, place);
            return new GridPoint(pair[1], pair[0]);
        }
        double[] pair = {nearOrigin(place.longitude().degrees()), place.latitude().degrees()};
        transform(forward, pair, place);
        return new GridPoint(pair[1], pair[0]);
    }

    /**
     * The place with such coordinates. Where the kernel's inverse is a series that leaves millimetres, the forward formulas settle it.
     *
     * @throws SurveyException OUTSIDE_PROJECTION where no place has such coordinates
     */
    public Geographic geographic(GridPoint point) {
        return ofOwnGrid(onSite.isPresent() ? onSite.get().back().place(point) : point);
    }

    private Geographic ofOwnGrid(GridPoint point) {
        if (kernel.isPresent()) {
            double[] place = kernel.get().geographic(point.easting(), point.northing());
            requireReached(place, point);
            return new Geographic(new Angle(place[1]), new Angle(place[0]));
        }
        double[] pair = {point.easting(), point.northing()};
        transform(inverse, pair, point);
        for (int i = 0; i < MOST_SETTLING_STEPS; i++) {
            double[] reached = pair.clone();
            transform(forward, reached, point);
            double east = point.easting() - reached[0];
            double north = point.northing() - reached[1];
            if (Math.abs(east) + Math.abs(north) < SETTLED_METRES) {
                break;
            }
            Matrix d = derivative(pair[0], pair[1]);
            double det = d.getElement(0, 0) * d.getElement(1, 1) - d.getElement(0, 1) * d.getElement(1, 0);
            pair[0] += (d.getElement(1, 1) * east - d.getElement(0, 1) * north) / det;
            pair[1] += (d.getElement(0, 0) * north - d.getElement(1, 0) * east) / det;
        }
        if (!(Math.abs(pair[1]) <= 90)) {
            throw outside(point);
        }
        return Geographic.ofDegrees(pair[1], pair[0]);
    }

    /**
     * Many places at once, side by side on all cores: longitude and latitude in radians, pair after pair, are replaced by
     * easting and northing in metres; NaN where the projection has no picture of a place.
     */
    public void gridAll(double[] pairs) {
        all(pairs, at -> {
            GridPoint point = grid(new Geographic(new Angle(pairs[at + 1]), new Angle(pairs[at])));
            pairs[at] = point.easting();
            pairs[at + 1] = point.northing();
        });
    }

    /** The way back of {@link #gridAll}; NaN where no place has such coordinates. */
    public void geographicAll(double[] pairs) {
        all(pairs, at -> {
            Geographic place = geographic(new GridPoint(pairs[at + 1], pairs[at]));
            pairs[at] = place.longitude().radians();
            pairs[at + 1] = place.latitude().radians();
        });
    }

    private static void all(double[] pairs, IntConsumer each) {
        Parts.each(pairs.length / 2, i -> {
            try {
                each.accept(2 * i);
            } catch (SurveyException | IllegalArgumentException nowhere) {
                pairs[2 * i] = Double.NaN;
                pairs[2 * i + 1] = Double.NaN;
            }
        });
    }

    private void transform(MathTransform transform, double[] pair, Record what) {
        try {
            transform.transform(pair, 0, pair, 0, 1);
        } catch (TransformException nowhere) {
            throw outside(what);
        }
        requireReached(pair, what);
    }

    /** The words are made only when they are needed: making them takes longer than the projection. */
    private void requireReached(double[] pair, Record what) {
        if (!Double.isFinite(pair[0]) || !Double.isFinite(pair[1])) {
            throw outside(what);
        }
    }

    private SurveyException outside(Record what) {
        return new SurveyException(Problem.OUTSIDE_PROJECTION, name, what instanceof Geographic g
                ? g.latitude().degrees() + "°, " + g.longitude().degrees() + "°" : what instanceof GridPoint p ? p.northing() + " m, "
                + p.easting() + " m" : "");
    }

    /** A conformal map's scale and turn show along the parallel alone. */
    private LocalScale conformalScale(Kernel formulas, Geographic place) {
        double h = STEP_RADIANS;
        double longitude = place.longitude().radians();
        double latitude = place.latitude().radians();
        double[] far = formulas.grid(longitude + 2 * h, latitude);
        double[] near = formulas.grid(longitude + h, latitude);
        double[] nearBack = formulas.grid(longitude - h, latitude);
        double[] farBack = formulas.grid(longitude - 2 * h, latitude);
        double perMetre = 1 / (12 * h * ellipsoid.primeVerticalRadius(place.latitude()) * Math.cos(latitude));
        double east = (8 * (near[0] - nearBack[0]) - (far[0] - farBack[0])) * perMetre;
        double north = (8 * (near[1] - nearBack[1]) - (far[1] - farBack[1])) * perMetre;
        double k = Math.hypot(east, north);
        return new LocalScale(k, k, new Angle(Math.atan2(north, east)), 0);
    }

    /**
     * Scale and convergence. At a pole itself there is no east to measure along: there they are those of a place a hundred metres off.
     *
     * @throws SurveyException OUTSIDE_PROJECTION
     */
    public LocalScale scale(Geographic at) {
        Geographic place = Math.abs(at.latitude().degrees()) <= NEAREST_POLE_DEGREES ? at
                : Geographic.ofDegrees(Math.copySign(NEAREST_POLE_DEGREES, at.latitude().degrees()), at.longitude().degrees());
        LocalScale own = kernel.isPresent() ? conformalScale(kernel.get(), place) : derivedScale(place);
        return onSite.map(s -> own.moved(s.there())).orElse(own);
    }

    private LocalScale derivedScale(Geographic place) {
        Matrix d = derivative(nearOrigin(place.longitude().degrees()), place.latitude().degrees());
        double perMetreNorth = Math.toDegrees(1 / ellipsoid.meridianRadius(place.latitude()));
        double perMetreEast = Math.toDegrees(1 / (ellipsoid.primeVerticalRadius(place.latitude()) * place.latitude().cos()));
        double eastByNorth = d.getElement(0, 1) * perMetreNorth;
        double northByNorth = d.getElement(1, 1) * perMetreNorth;
        double eastByEast = d.getElement(0, 0) * perMetreEast;
        double northByEast = d.getElement(1, 0) * perMetreEast;
        double meridian = Math.atan2(eastByNorth, northByNorth);
        double parallel = Math.atan2(eastByEast, northByEast);
        return new LocalScale(Math.hypot(eastByNorth, northByNorth), Math.hypot(eastByEast, northByEast), new Angle(-meridian),
                new Angle(parallel - meridian - Math.PI / 2).halfCircle().radians());
    }

    private Matrix derivative(double longitude, double latitude) {
        if (derivativeIsShort) {
            return FivePoint.jacobian(d -> eastNorth(longitude + d, latitude), d -> eastNorth(longitude, latitude + d), STEP_DEGREES);
        }
        try {
            return forward.derivative(new DirectPosition2D(longitude, latitude));
        } catch (TransformException nowhere) {
            throw outside(Geographic.ofDegrees(latitude, longitude));
        }
    }

    private double[] eastNorth(double longitude, double latitude) {
        double[] pair = {longitude, latitude};
        transform(forward, pair, Geographic.ofDegrees(latitude, longitude));
        return pair;
    }

    /** As {@link #scale(Geographic)}, at a place of the grid. */
    public LocalScale scale(GridPoint point) {
        return scale(geographic(point));
    }

    /** Scale and convergence where one figure holds in all directions; empty where the projection is not conformal. */
    public Optional<LocalScale> singleScale(Geographic place) {
        return Optional.of(scale(place)).filter(LocalScale::conformal);
    }
}
