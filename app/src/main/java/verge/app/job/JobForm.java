package verge.app.job;

import verge.core.geodesy.FlatSite;
import verge.core.journal.JobSettings;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.AngleUnit;
import verge.core.units.Decimals;
import verge.core.units.DirectionStyle;
import verge.core.units.Figures;
import verge.core.units.LengthUnit;

/**
 * A new job as typed.
 *
 * @param scale grid over ground
 */
public record JobForm(String name, LengthUnit lengthUnit, AngleUnit angleUnit, DirectionStyle directionStyle, String scale) {
    private static final int DECIMALS_OF_METRES = 3;
    private static final int DECIMALS_OF_FEET = 2;

    static JobForm blank() {
        return new JobForm("", LengthUnit.METRE, AngleUnit.DEGREES, DirectionStyle.AZIMUTH, "1.000000");
    }

    /** @throws SurveyException NOT_A_NUMBER or OUT_OF_RANGE for the scale */
    JobSettings settings() {
        double factor = Decimals.parse(scale).orElseThrow(() -> new SurveyException(Problem.NOT_A_NUMBER, scale));
        if (factor < FlatSite.LOWEST_SCALE || factor > FlatSite.HIGHEST_SCALE) {
            throw new SurveyException(Problem.OUT_OF_RANGE, "scale factor", scale, FlatSite.LOWEST_SCALE, FlatSite.HIGHEST_SCALE);
        }
        int decimals = lengthUnit == LengthUnit.METRE ? DECIMALS_OF_METRES : DECIMALS_OF_FEET;
        return new JobSettings(new Figures(lengthUnit, angleUnit, directionStyle, decimals), new FlatSite(factor));
    }
}
