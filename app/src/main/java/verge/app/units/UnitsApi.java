package verge.app.units;

import io.swagger.v3.oas.annotations.Operation;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import verge.app.form.Answers;
import verge.app.job.FiguresAnswers;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;
import verge.core.units.AngleText;
import verge.core.units.Figures;
import verge.core.units.LatLonText;
import verge.core.units.Length;
import verge.core.units.LengthText;

/** Reading and showing figures for programs, exactly as the pages do. */
@RestController
@RequestMapping("/api/v1/units")
class UnitsApi {
    private static final int MOST = 10_000;

    /** What a figure is. */
    enum Quantity { LENGTH, DIFFERENCE, DIRECTION, GRADE, AREA, VOLUME, STATION, TEMPERATURE, PRESSURE, LATITUDE, LONGITUDE }

    /**
     * @param figures answers to the question 'which figures', as on the page of a new job
     * @param values SI: metres, radians, rise over run, square and cubic metres, degrees Celsius, hectopascals
     */
    record Show(Quantity quantity, Map<String, String> figures, List<Double> values) {
    }

    /** @param texts as somebody types them @param packed whether bare numbers of directions are packed degrees: 45.3015 is 45°30′15″ */
    record Read(Quantity quantity, Map<String, String> figures, List<String> texts, Boolean packed) {
    }

    @Operation(summary = "Show values in the figures of a job")
    @PostMapping("/show")
    List<String> show(@RequestBody Show asked) {
        Figures f = FiguresAnswers.read(new Answers(asked.figures() == null ? Map.of() : asked.figures()));
        return each(asked.values(), value -> show(asked.quantity(), f, value));
    }

    private static String show(Quantity quantity, Figures f, Double value) {
        if (value == null || !Double.isFinite(value)) {
            throw new SurveyException(Problem.NOT_A_NUMBER, String.valueOf(value));
        }
        return switch (required(quantity)) {
            case LENGTH -> f.length(new Length(value));
            case DIFFERENCE -> f.difference(new Length(value));
            case DIRECTION -> f.direction(new Angle(value));
            case GRADE -> f.grade(value);
            case AREA -> f.area(value);
            case VOLUME -> f.volume(value);
            case STATION -> f.station(new Length(value));
            case TEMPERATURE -> f.air().temperature(value);
            case PRESSURE -> f.air().pressure(value);
            case LATITUDE -> f.latLon().latitude(new Angle(value));
            case LONGITUDE -> f.latLon().longitude(new Angle(value));
        };
    }

    @Operation(summary = "Read lengths, directions, latitudes and longitudes as people type them", description = "Gives metres or radians.")
    @PostMapping("/read")
    List<Double> read(@RequestBody Read asked) {
        Figures f = FiguresAnswers.read(new Answers(asked.figures() == null ? Map.of() : asked.figures()));
        return each(asked.texts(), text -> switch (required(asked.quantity())) {
            case LENGTH, DIFFERENCE, STATION -> LengthText.parse(text, f.lengthUnit()).metres();
            case DIRECTION -> (Boolean.TRUE.equals(asked.packed()) ? AngleText.parsePacked(text) : AngleText.parse(text, f.angles().unit()))
                    .radians();
            case LATITUDE -> LatLonText.latitude(text).radians();
            case LONGITUDE -> LatLonText.longitude(text).radians();
            case GRADE, AREA, VOLUME, TEMPERATURE,
                    PRESSURE -> throw new SurveyException(Problem.CHOICE_UNFIT, "quantity", asked.quantity().name(),
                    "LENGTH, DIFFERENCE, STATION, DIRECTION, LATITUDE, LONGITUDE");
        });
    }

    private static Quantity required(Quantity quantity) {
        if (quantity == null) {
            throw new SurveyException(Problem.MISSING, "quantity");
        }
        return quantity;
    }

    private static <T, R> List<R> each(List<T> asked, Function<T, R> answer) {
        if (asked == null || asked.size() > MOST) {
            throw new SurveyException(Problem.OUT_OF_RANGE, "number of values", asked == null ? 0 : asked.size(), 1, MOST);
        }
        return asked.stream().map(answer).toList();
    }
}
