package verge.app.job;

import java.util.Locale;
import org.springframework.stereotype.Component;
import verge.core.journal.JobSettings;
import verge.core.units.AngleUnit;
import verge.core.units.Decimals;
import verge.core.units.DirectionStyle;
import verge.core.units.LengthUnit;

/** A job's settings in words. */
@Component
public class SettingsWords {
    private static final int SCALE_DECIMALS = 6;

    /** For the top line: coordinate system, grid or ground, unit. */
    public String system(JobSettings settings) {
        return "Flat site × " + Decimals.show(settings.site().gridPerGround(), SCALE_DECIMALS);
    }

    public String unit(LengthUnit unit) {
        return switch (unit) {
            case METRE -> "metres";
            case INTERNATIONAL_FOOT -> "international feet";
            case US_SURVEY_FOOT -> "US survey feet";
        };
    }

    /** One line for the shelf. */
    public String brief(JobSettings settings) {
        return unit(settings.figures().lengthUnit()) + ", " + angles(settings) + ", " + system(settings).toLowerCase(Locale.ROOT);
    }

    /** A sentence or two for the job's own page. */
    public String full(JobSettings settings) {
        double k = settings.site().gridPerGround();
        String scale = k == 1 ? "Grid and ground distances are the same."
                : "A ground distance times " + Decimals.show(k, SCALE_DECIMALS) + " is the grid distance: the grid is "
                        + (k < 1 ? "shorter" : "longer") + " by " + Decimals.show(Math.abs(k - 1) * 1e6, 0) + " mm a kilometre.";
        return "Coordinates are on a flat site's grid, northing first. " + scale + " Distances in "
                + unit(settings.figures().lengthUnit()) + " with " + settings.figures().lengthDecimals() + " decimals, "
                + angles(settings) + ".";
    }

    private static String angles(JobSettings settings) {
        String unit = settings.figures().angleUnit() == AngleUnit.GON ? "gon" : "degrees";
        return unit + (settings.figures().directionStyle() == DirectionStyle.QUADRANT ? " as quadrant bearings" : " as azimuths");
    }
}
