package verge.core.geodesy;

import java.util.List;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;
import verge.core.units.LatLonText;

/**
 * A place on an ellipsoid, of whichever datum the context names.
 *
 * @param latitude positive northwards, within ±90°
 * @param longitude positive eastwards of Greenwich
 */
public record Geographic(Angle latitude, Angle longitude) {
    public Geographic {
        if (Math.abs(latitude.degrees()) > 90 + 1e-9) {
            throw new IllegalArgumentException("latitude: " + latitude.degrees() + "°");
        }
    }

    /**
     * Reads a latitude and a longitude from one text: {@code 56.95, 11.45}, {@code 56 57 N 11 27 E}, {@code -33,9; 18,4}. Where a comma or
     * a blank parts them is found by trying: only one place gives a latitude before it and a longitude behind.
     *
     * @throws SurveyException POSITION_UNFIT
     */
    public static Geographic parse(String typed) {
        for (String between : List.of(";", ", ", "N ", "S ", "n ", "s ", ",", " ")) {
            int at = typed.indexOf(between);
            if (at > 0 && typed.indexOf(between, at + 1) < 0) {
                int behind = Character.isLetter(between.charAt(0)) ? 1 : 0;
                try {
                    return new Geographic(LatLonText.latitude(typed.substring(0, at + behind)),
                            LatLonText.longitude(typed.substring(at + between.length())));
                } catch (SurveyException notThere) {
                    // the next way of parting may fit
                }
            }
        }
        throw new SurveyException(Problem.POSITION_UNFIT, typed);
    }

    public static Geographic ofDegrees(double latitude, double longitude) {
        return new Geographic(Angle.ofDegrees(latitude), Angle.ofDegrees(longitude));
    }
}
