package verge.core.geodesy;

import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
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
    private static final Pattern SEPARATOR = Pattern.compile("\\s*[,;]\\s*|\\s+");
    private static final Pattern LATITUDE = Pattern.compile("[NS]", Pattern.CASE_INSENSITIVE);
    private static final Pattern LONGITUDE = Pattern.compile("[EW]", Pattern.CASE_INSENSITIVE);

    public Geographic {
        if (Math.abs(latitude.degrees()) > 90 + 1e-9) {
            throw new IllegalArgumentException("latitude: " + latitude.degrees() + "°");
        }
    }

    /**
     * Reads a latitude and a longitude from one text: {@code 56.95, 11.45}, {@code 56 57 N 11 27 E}, {@code N56 57.2 E11 27.1}, {@code
     * -33,9; 18,4}; the longitude in front
     * where the letters say so. Where the first ends is found by trying; of several ways the one is meant in which both have as many parts.
     *
     * @throws SurveyException POSITION_UNFIT
     */
    public static Geographic parse(String typed) {
        String text = typed.strip();
        List<String[]> ways = SEPARATOR.matcher(text).results()
                .map(m -> new String[] {text.substring(0, m.start()), text.substring(m.end())})
                .filter(way -> read(way[0], way[1]).isPresent()).toList();
        return ways.stream().filter(way -> ways.size() == 1 || parts(way[0]) == parts(way[1])).findFirst()
                .flatMap(way -> read(way[0], way[1]))
                .orElseThrow(() -> new SurveyException(Problem.POSITION_UNFIT, typed));
    }

    private static int parts(String figure) {
        return figure.split("[^\\d.,]+").length;
    }

    private static Optional<Geographic> read(String first, String second) {
        boolean longitudeFirst = LONGITUDE.matcher(first).find() || LATITUDE.matcher(second).find();
        try {
            return Optional.of(new Geographic(LatLonText.latitude(longitudeFirst ? second : first),
                    LatLonText.longitude(longitudeFirst ? first : second)));
        } catch (SurveyException notThere) {
            return Optional.empty();   // the next way of parting may fit
        }
    }

    public static Geographic ofDegrees(double latitude, double longitude) {
        return new Geographic(Angle.ofDegrees(latitude), Angle.ofDegrees(longitude));
    }
}
