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
    /** A millimetre, and in feet a third of one: a tape can be read no finer. */
    private static final int LENGTH_DECIMALS = 3;

    public JobForm {
        name = name == null ? "" : name;
        scale = scale == null ? "" : scale;
    }

    static JobForm blank() {
        return new JobForm("", LengthUnit.METRE, AngleUnit.DEGREES, DirectionStyle.AZIMUTH, "1.000000");
    }

    /** @throws SurveyException MISSING for a unit, NOT_A_NUMBER or OUT_OF_RANGE for the scale */
    JobSettings settings() {
        chosen("unit of lengths", lengthUnit);
        chosen("unit of angles", angleUnit);
        chosen("kind of directions", directionStyle);
        double factor = Decimals.parse(scale).orElseThrow(() -> new SurveyException(Problem.NOT_A_NUMBER, scale));
        if (factor < FlatSite.LOWEST_SCALE || factor > FlatSite.HIGHEST_SCALE) {
            throw new SurveyException(Problem.OUT_OF_RANGE, "scale factor", scale, FlatSite.LOWEST_SCALE, FlatSite.HIGHEST_SCALE);
        }
        return new JobSettings(Figures.of(lengthUnit, angleUnit, directionStyle, LENGTH_DECIMALS), new FlatSite(factor));
    }

    private static void chosen(String field, Object choice) {
        if (choice == null) {
            throw new SurveyException(Problem.MISSING, field);
        }
    }
}
