package verge.app.receiver;

import java.util.Locale;
import verge.core.satellite.AntennaModel;
import verge.core.satellite.AntennaOverMark;
import verge.core.units.Figures;

/**
 * An antenna over its mark, to scale, as what was typed makes it: where the tape ends, what of the pole and the antenna lies where. All
 * places are of a drawing of 200 by 240 with the mark at 100, 220.
 *
 * @param tape from the mark, or from the ground beside the pole, to where the height was measured
 * @param referenceWords how high the reference point lies
 */
public record AntennaDrawing(String dish, String pole, double[] tape, double referenceY, String referenceWords) {
    private static final double MARK_X = 100;
    private static final double MARK_Y = 220;
    private static final double ROOM = 180;
    private static final double LEAST_METRES = 0.3;
    /** The antenna itself is drawn larger than the pole under it: a few centimetres must be seen. */
    private static final double CLOSER = 3;
    private static final double USUAL_RADIUS = 0.085;
    private static final double USUAL_HEIGHT = 0.05;
    private static final double BESIDE = 26;

    static AntennaDrawing of(AntennaOverMark antenna, Figures f) {
        AntennaModel model = antenna.model();
        double reference = antenna.reference().metres();
        double scale = ROOM / Math.max(LEAST_METRES, reference + CLOSER * USUAL_HEIGHT);
        double referenceY = MARK_Y - reference * scale;
        double close = CLOSER * scale;
        double radius = model.rim().map(AntennaModel.Rim::radius).orElse(USUAL_RADIUS) * close;
        double rimY = referenceY - model.rim().map(AntennaModel.Rim::aboveReference).orElse(USUAL_HEIGHT / 2) * close;
        double top = referenceY - USUAL_HEIGHT * 1.6 * close;
        double mountY = referenceY + model.referenceAboveMount() * close;
        String dish = path("M%.1f %.1f L%.1f %.1f L%.1f %.1f Q%.1f %.1f %.1f %.1f L%.1f %.1f Z", MARK_X - radius * 0.62, referenceY,
                MARK_X + radius * 0.62, referenceY, MARK_X + radius, rimY, MARK_X, 2 * top - rimY, MARK_X - radius, rimY,
                MARK_X - radius * 0.62, referenceY);
        String pole = path("M%.1f %.1f L%.1f %.1f M%.1f %.1f L%.1f %.1f", MARK_X, MARK_Y, MARK_X, mountY, MARK_X, mountY, MARK_X,
                referenceY);
        double[] tape = switch (antenna.height().to()) {
            case MOUNT -> new double[] {MARK_X - BESIDE, MARK_Y, MARK_X - BESIDE, mountY};
            case REFERENCE_POINT -> new double[] {MARK_X - BESIDE, MARK_Y, MARK_X - BESIDE, referenceY};
            case RIM -> new double[] {MARK_X, MARK_Y, MARK_X - radius, rimY};
        };
        return new AntennaDrawing(dish, pole, tape, referenceY, f.length(antenna.reference()));
    }

    private static String path(String form, Object... numbers) {
        return String.format(Locale.ROOT, form, numbers);
    }
}
