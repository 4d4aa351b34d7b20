package verge.app.receiver;

import java.util.Arrays;
import java.util.Locale;
import verge.core.geodesy.EarthCentred;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.AntennaHeight;
import verge.core.satellite.AntennaOverMark;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Places from the earth's centre and antennas, as the book tells and takes them. */
public final class SatelliteWords {
    private static final int METRE_DIGITS = 4;

    private SatelliteWords() {
    }

    public static String centred(EarthCentred p) {
        return "x " + Decimals.show(p.x(), METRE_DIGITS) + "  y " + Decimals.show(p.y(), METRE_DIGITS) + "  z "
                + Decimals.show(p.z(), METRE_DIGITS) + " m";
    }

    /** In lower case, with blanks. */
    public static String word(Enum<?> of) {
        return of.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    /** Its height as it was measured, to what, and of which antenna. */
    public static String antenna(AntennaOverMark antenna, Figures f) {
        return f.length(antenna.height().measured()) + " to the " + word(antenna.height().to()) + " of "
                + (antenna.model().name().isBlank() ? "an antenna without a name" : antenna.model().name().replaceAll(" +", " "));
    }

    public static AntennaOverMark measured(AntennaOverMark was, Length height) {
        return was.with(new AntennaHeight(height, was.height().to()));
    }

    /** @throws SurveyException CHOICE_UNFIT */
    public static AntennaOverMark measuredTo(AntennaOverMark was, String typed) {
        AntennaHeight.To to = Arrays.stream(AntennaHeight.To.values()).filter(t -> word(t).equalsIgnoreCase(typed.strip())).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.CHOICE_UNFIT, "what the antenna\u2019s height was measured to", typed,
                "mount, reference point, rim"));
        return was.with(new AntennaHeight(was.height().measured(), to));
    }
}
