package verge.core.geodesy.system;

import java.util.Map;
import java.util.Optional;
import verge.core.geodesy.Kernel;
import verge.core.geodesy.method.LambertKernel;
import verge.core.geodesy.method.ObliqueStereographicKernel;
import verge.core.geodesy.method.SwissOblique;
import verge.core.geodesy.method.TransverseMercatorKernel;
import verge.core.geodesy.system.FormulaMethod.Parameter;

/** The formulas of those methods that most of the world's surveying is done in, without the library's general machinery round them. */
final class Kernels {
    private final Formula formula;
    private final double a;
    private final double e2;

    private Kernels(Formula formula) {
        this.formula = formula;
        this.a = formula.ellipsoid().semiMajor();
        this.e2 = Double.isInfinite(formula.ellipsoid().inverseFlattening()) ? 0 : formula.ellipsoid().eccentricitySquared();
    }

    /** Empty for a method whose formulas are left to the library. */
    static Optional<Kernel> of(Formula formula) {
        return Optional.ofNullable(new Kernels(formula).kernel());
    }

    private Kernel kernel() {
        return switch (formula.method()) {
            case TRANSVERSE_MERCATOR -> new TransverseMercatorKernel(a, e2, at(Parameter.LATITUDE_OF_ORIGIN),
                    at(Parameter.LONGITUDE_OF_ORIGIN),
                    at(Parameter.SCALE_AT_ORIGIN), at(Parameter.FALSE_EASTING), at(Parameter.FALSE_NORTHING));
            case LAMBERT_ONE_PARALLEL -> LambertKernel.onOne(a, e2, at(Parameter.LATITUDE_OF_ORIGIN), at(Parameter.LONGITUDE_OF_ORIGIN),
                    at(Parameter.SCALE_AT_ORIGIN), at(Parameter.FALSE_EASTING), at(Parameter.FALSE_NORTHING));
            case LAMBERT_TWO_PARALLELS -> LambertKernel.onTwo(a, e2, at(Parameter.FIRST_PARALLEL), at(Parameter.SECOND_PARALLEL),
                    at(Parameter.LATITUDE_OF_FALSE_ORIGIN), at(Parameter.LONGITUDE_OF_FALSE_ORIGIN), at(Parameter.EASTING_AT_FALSE_ORIGIN),
                    at(Parameter.NORTHING_AT_FALSE_ORIGIN));
            case STEREOGRAPHIC_OBLIQUE -> new ObliqueStereographicKernel(a, e2, at(Parameter.LATITUDE_OF_ORIGIN),
                    at(Parameter.LONGITUDE_OF_ORIGIN),
                    at(Parameter.SCALE_AT_ORIGIN), at(Parameter.FALSE_EASTING), at(Parameter.FALSE_NORTHING));
            case OBLIQUE_MERCATOR_SWISS -> SwissOblique.kernel(a, e2, at(Parameter.LATITUDE_OF_CENTRE), at(Parameter.LONGITUDE_OF_CENTRE),
                    at(Parameter.SCALE_AT_CENTRE), at(Parameter.EASTING_AT_CENTRE), at(Parameter.NORTHING_AT_CENTRE));
            default -> null;
        };
    }

    /** Radians from Greenwich; metres east and north. */
    private double at(Parameter parameter) {
        Map<Parameter, Double> values = formula.values();
        double value = values.get(parameter);
        return switch (parameter.kind()) {
            case LATITUDE, AZIMUTH -> Math.toRadians(value);
            case LONGITUDE -> Math.toRadians(value + formula.primeMeridian());
            case SCALE -> value;
            case EAST -> value * formula.axes().eastSign();
            case NORTH -> value * formula.axes().northSign();
        };
    }
}
