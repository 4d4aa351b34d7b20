package verge.core.strings;

import java.util.List;

/**
 * Flowing vertices of a string that make one curve.
 *
 * @param vertices the flowing ones, in the order of the string
 * @param curve what they make
 * @param chosen whether somebody chose that; else their places suggest it
 * @param largestResidual how far the vertex that fits worst lies from the curve, in metres
 * @param straight whether an arc was wanted and they lie in one line
 */
public record Run(List<VertexId> vertices, CurveKind curve, boolean chosen, double largestResidual, boolean straight) {
    public Run {
        vertices = List.copyOf(vertices);
    }
}
