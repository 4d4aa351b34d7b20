package verge.app.journal;

import java.util.function.Function;
import verge.core.geodesy.GridPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobSettings;
import verge.core.units.Angle;
import verge.core.units.AngleText;
import verge.core.units.Decimals;
import verge.core.units.Length;
import verge.core.units.LengthText;
import verge.core.units.LengthUnit;

/**
 * How what is typed into a correction is read: as the job shows its figures.
 *
 * @param prism reads a prism's name or constant
 */
public record Typed(JobSettings settings, Function<String, Length> prism) {
    private static final Length HIGHEST_POLE = new Length(10);
    private static final Length HIGHEST_INSTRUMENT = new Length(4);
    private static final Length FARTHEST_ASIDE = new Length(100);
    private static final Length FARTHEST_SIGHT = new Length(20_000);

    /** @throws SurveyException NOT_A_LENGTH or OUT_OF_RANGE */
    /** How far something lies beside something else, either way. */
    public static Length aside(String typed, LengthUnit unit) {
        return within("distance beside the prism", typed, LengthText.parse(typed, unit), new Length(-FARTHEST_ASIDE.metres()),
                FARTHEST_ASIDE);
    }

    public Length poleHeight(String typed) {
        return poleHeight(typed, unit());
    }

    /** @throws SurveyException NOT_A_LENGTH or OUT_OF_RANGE */
    public static Length poleHeight(String typed, LengthUnit unit) {
        return within("pole height", typed, LengthText.parse(typed, unit), Length.ZERO, HIGHEST_POLE);
    }

    Length instrumentHeight(String typed) {
        return instrumentHeight(typed, unit());
    }

    /** @throws SurveyException NOT_A_LENGTH or OUT_OF_RANGE */
    public static Length instrumentHeight(String typed, LengthUnit unit) {
        return within("instrument height", typed, LengthText.parse(typed, unit), Length.ZERO, HIGHEST_INSTRUMENT);
    }

    Length distance(String typed) {
        return within("slope distance", typed, LengthText.parse(typed, unit()), Length.ZERO, FARTHEST_SIGHT);
    }

    /** A circle reading within a whole turn. */
    Angle circle(String typed) {
        Angle angle = AngleText.parse(typed, settings.figures().angles().unit());
        if (angle.radians() < 0 || angle.radians() >= 2 * Math.PI) {
            throw new SurveyException(Problem.OUT_OF_RANGE, "circle reading", typed, "0", "a whole turn");
        }
        return angle;
    }

    /** A coordinate or an elevation, in metres. */
    public double coordinate(String field, String typed) {
        return coordinate(field, typed, unit());
    }

    /** @throws SurveyException NOT_A_LENGTH or OUT_OF_RANGE */
    public static double coordinate(String field, String typed, LengthUnit unit) {
        double metres = LengthText.parse(typed, unit).metres();
        if (Math.abs(metres) > GridPoint.FARTHEST_METRES) {
            throw new SurveyException(Problem.OUT_OF_RANGE, field, typed, "\u2212100 000 km", "100 000 km");
        }
        return metres;
    }

    public double number(String field, String typed, double lowest, double highest) {
        double number = Decimals.parse(typed).orElseThrow(() -> new SurveyException(Problem.NOT_A_NUMBER, typed));
        if (number < lowest || number > highest) {
            throw new SurveyException(Problem.OUT_OF_RANGE, field, typed, Decimals.print(lowest, 0), Decimals.print(highest, 0));
        }
        return number;
    }

    private static Length within(String field, String typed, Length length, Length lowest, Length highest) {
        if (length.compareTo(lowest) < 0 || length.compareTo(highest) > 0) {
            throw new SurveyException(Problem.OUT_OF_RANGE, field, typed, "0 m", Decimals.print(highest.metres(), 0) + " m");
        }
        return length;
    }

    private LengthUnit unit() {
        return settings.figures().lengthUnit();
    }
}
