package verge.core.satellite;

import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Length;

/** How high an antenna stands over its mark, as it was measured. @param to what */
public record AntennaHeight(Length measured, To to) {
    /** No mast is higher. */
    public static final Length HIGHEST = new Length(30);

    /** Where the tape or the pole's figure ends. */
    public enum To {
        /** Upright, to the end of the pole or the adapter on which it is screwed. */
        MOUNT,
        /** Upright, to the antenna's own reference point, usually its lowest plane. */
        REFERENCE_POINT,
        /** Along a tape from the mark to its rim. */
        RIM
    }

    /**
     * The reference point over the mark.
     *
     * @throws SurveyException OUT_OF_RANGE below nought or above {@link #HIGHEST}, ANTENNA_RIM_UNKNOWN if a slant was measured to an
     *     antenna whose rim nobody measured, ANTENNA_SLANT_SHORT if the antenna would lie below the mark
     */
    public Length reference(AntennaModel model) {
        if (measured.metres() < 0 || measured.compareTo(HIGHEST) > 0) {
            throw new SurveyException(Problem.OUT_OF_RANGE, "antenna height", measured, Length.ZERO, HIGHEST);
        }
        return switch (to) {
            case REFERENCE_POINT -> measured;
            case MOUNT -> measured.plus(new Length(model.referenceAboveMount()));
            case RIM -> {
                AntennaModel.Rim rim = model.rim().orElseThrow(() -> new SurveyException(Problem.ANTENNA_RIM_UNKNOWN, model.name()));
                double reference = Math.sqrt((measured.metres() - rim.radius()) * (measured.metres() + rim.radius()))
                        - rim.aboveReference();
                if (!(reference >= 0)) {
                    throw new SurveyException(Problem.ANTENNA_SLANT_SHORT, measured,
                            new Length(Math.hypot(rim.radius(), rim.aboveReference())));
                }
                yield new Length(reference);
            }
        };
    }
}
