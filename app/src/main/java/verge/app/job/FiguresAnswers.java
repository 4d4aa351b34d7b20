package verge.app.job;

import java.util.LinkedHashMap;
import java.util.Map;
import verge.app.form.Answers;
import verge.app.system.SystemAnswers;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Air;
import verge.core.units.AngleStyle;
import verge.core.units.AngleUnit;
import verge.core.units.DirectionStyle;
import verge.core.units.Figures;
import verge.core.units.GradeStyle;
import verge.core.units.LatLonStyle;
import verge.core.units.LengthStyle;
import verge.core.units.LengthUnit;
import verge.core.units.PressureUnit;
import verge.core.units.Sizes;
import verge.core.units.StationingStyle;
import verge.core.units.TemperatureUnit;

/** The question 'which figures': answers into figures and back. */
public final class FiguresAnswers {
    /** A millimetre, and in feet a third of one: a tape can be read no finer. */
    private static final int LENGTH_DECIMALS = 3;
    private static final int GRADE_DECIMALS = 2;
    private static final int SIZE_DECIMALS = 1;

    private FiguresAnswers() {
    }

    /** @throws SurveyException in words, for whatever cannot be */
    public static Figures read(Answers a) {
        LengthUnit unit = a.choice("lengthUnit", LengthUnit.class, LengthUnit.METRE);
        int parts = unit == LengthUnit.METRE ? 0 : a.count("inchParts", "parts of an inch", 0, LengthStyle.FINEST_INCH_PARTS);
        if (Integer.bitCount(parts) > 1) {
            throw new SurveyException(Problem.CHOICE_UNFIT, "inchParts", parts, "0, 1, 2, 4, 8, 16, 32, 64");
        }
        AngleUnit angle = a.choice("angleUnit", AngleUnit.class, AngleUnit.DEGREES);
        LatLonStyle.Form form = a.choice("latLonForm", LatLonStyle.Form.class, LatLonStyle.Form.SEXAGESIMAL);
        return new Figures(
                new LengthStyle(unit, a.count("lengthDecimals", "decimals of lengths", LENGTH_DECIMALS, LengthStyle.MOST_DECIMALS), parts),
                new AngleStyle(angle, a.choice("directionStyle", DirectionStyle.class, DirectionStyle.AZIMUTH),
                        a.count("angleDecimals", "decimals of angles", angle.usualDecimals(), AngleStyle.MOST_DECIMALS)),
                SystemAnswers.axes(a), a.choice("gradeStyle", GradeStyle.class, GradeStyle.PERCENT),
                a.count("gradeDecimals", "decimals of grades", GRADE_DECIMALS, Figures.MOST_GRADE_DECIMALS),
                new Sizes(a.choice("areaUnit", Sizes.Area.class, Sizes.Area.SQUARE),
                        a.count("areaDecimals", "decimals of areas", SIZE_DECIMALS, Sizes.MOST_DECIMALS),
                        a.choice("volumeUnit", Sizes.Volume.class, Sizes.Volume.CUBIC),
                        a.count("volumeDecimals", "decimals of volumes", SIZE_DECIMALS, Sizes.MOST_DECIMALS)),
                new Air(a.choice("temperatureUnit", TemperatureUnit.class, TemperatureUnit.CELSIUS),
                        a.choice("pressureUnit", PressureUnit.class, PressureUnit.HECTOPASCAL)),
                a.choice("stationing", StationingStyle.class, StationingStyle.usual(unit)),
                new LatLonStyle(form, a.count("latLonDecimals", "decimals of latitudes", form == LatLonStyle.Form.SEXAGESIMAL ? 5 : 9,
                LatLonStyle.MOST_DECIMALS)));
    }

    /** The answers that give these figures. */
    static Map<String, String> write(Figures f) {
        Map<String, String> a = new LinkedHashMap<>();
        a.put("lengthUnit", f.lengthUnit().name());
        a.put("lengthDecimals", Integer.toString(f.lengthDecimals()));
        a.put("inchParts", Integer.toString(f.lengths().inchParts()));
        a.put("angleUnit", f.angles().unit().name());
        a.put("angleDecimals", Integer.toString(f.angles().decimals()));
        a.put("directionStyle", f.angles().directions().name());
        a.put("axisOrder", f.axes().order().name());
        a.put("southwards", f.axes().southwards() ? "on" : "");
        a.put("westwards", f.axes().westwards() ? "on" : "");
        a.put("gradeStyle", f.grades().name());
        a.put("gradeDecimals", Integer.toString(f.gradeDecimals()));
        a.put("areaUnit", f.sizes().area().name());
        a.put("areaDecimals", Integer.toString(f.sizes().areaDecimals()));
        a.put("volumeUnit", f.sizes().volume().name());
        a.put("volumeDecimals", Integer.toString(f.sizes().volumeDecimals()));
        a.put("temperatureUnit", f.air().temperature().name());
        a.put("pressureUnit", f.air().pressure().name());
        a.put("stationing", f.stationing().name());
        a.put("latLonForm", f.latLon().form().name());
        a.put("latLonDecimals", Integer.toString(f.latLon().decimals()));
        return a;
    }
}
