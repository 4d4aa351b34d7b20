package verge.core.geodesy.method;

import java.util.Map;
import org.apache.sis.measure.Units;
import org.apache.sis.metadata.iso.citation.Citations;
import org.apache.sis.parameter.ParameterBuilder;
import org.apache.sis.parameter.Parameters;
import org.apache.sis.referencing.operation.DefaultOperationMethod;
import org.apache.sis.referencing.operation.transform.MathTransformProvider;
import org.opengis.parameter.ParameterDescriptor;
import org.opengis.parameter.ParameterDescriptorGroup;
import org.opengis.referencing.operation.MathTransform;

/** A projection method of ours, found by the library as a service. */
abstract class PluggedMethod extends DefaultOperationMethod implements MathTransformProvider {
    private static final long serialVersionUID = 1L;

    PluggedMethod(ParameterDescriptorGroup parameters) {
        super(Map.of(NAME_KEY, parameters.getName(), IDENTIFIERS_KEY,
                parameters.getIdentifiers().toArray(org.opengis.referencing.ReferenceIdentifier[]::new)),
                parameters);
    }

    abstract MathTransform transform(Parameters values, double semiMajor, double eccentricitySquared);

    @Override
    public MathTransform createMathTransform(Context context) {
        Parameters values = Parameters.castOrWrap(context.getCompletedParameters());
        double a = values.parameter("semi_major").doubleValue(Units.METRE);
        double b = values.parameter("semi_minor").doubleValue(Units.METRE);
        return transform(values, a, (a - b) * (a + b) / (a * a));
    }

    static ParameterBuilder builder() {
        return new ParameterBuilder().setCodeSpace(Citations.EPSG, "EPSG").setRequired(true);
    }

    static ParameterDescriptor<Double> latitude(ParameterBuilder builder, String code, String name, double usual) {
        return bounded(builder, code, name, 90, usual);
    }

    static ParameterDescriptor<Double> longitude(ParameterBuilder builder, String code, String name, double usual) {
        return bounded(builder, code, name, 180, usual);
    }

    private static ParameterDescriptor<Double> bounded(ParameterBuilder builder, String code, String name, double most, double usual) {
        return builder.addIdentifier(code).addName(name).createBounded(-most, most, usual, Units.DEGREE);
    }

    static ParameterDescriptor<Double> scale(ParameterBuilder builder, String code, String name, double usual) {
        return builder.addIdentifier(code).addName(name).createStrictlyPositive(usual, Units.UNITY);
    }

    static ParameterDescriptor<Double> length(ParameterBuilder builder, String code, String name) {
        return builder.addIdentifier(code).addName(name).create(0.0, Units.METRE);
    }
}
