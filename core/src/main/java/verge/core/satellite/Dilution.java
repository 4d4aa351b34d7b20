package verge.core.satellite;

import java.util.Collection;
import java.util.Optional;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/**
 * What the standing of satellites makes of an error of one metre in each range: the square roots of sums of the cofactors of north, east,
 * up and clock.
 *
 * @param horizontal HDOP @param vertical VDOP @param position PDOP
 */
public record Dilution(double horizontal, double vertical, double position) {
    private static final int UNKNOWNS = 4;

    /** @return empty with fewer than four satellites, or such as stand in one plane or cone */
    public static Optional<Dilution> of(Collection<Sight> satellites) {
        if (satellites.size() < UNKNOWNS) {
            return Optional.empty();
        }
        DMatrixRMaj normal = new DMatrixRMaj(UNKNOWNS, UNKNOWNS);
        for (Sight sight : satellites) {
            double[] d = sight.direction();
            double[] row = {-d[0], -d[1], -d[2], 1};
            for (int i = 0; i < UNKNOWNS; i++) {
                for (int j = 0; j < UNKNOWNS; j++) {
                    normal.add(i, j, row[i] * row[j]);
                }
            }
        }
        DMatrixRMaj cofactors = new DMatrixRMaj(UNKNOWNS, UNKNOWNS);
        if (!CommonOps_DDRM.invert(normal, cofactors)) {
            return Optional.empty();
        }
        double plan = cofactors.get(0, 0) + cofactors.get(1, 1);
        double up = cofactors.get(2, 2);
        return plan > 0 && up > 0 && Double.isFinite(plan + up)
                ? Optional.of(new Dilution(Math.sqrt(plan), Math.sqrt(up), Math.sqrt(plan + up))) : Optional.empty();
    }
}
