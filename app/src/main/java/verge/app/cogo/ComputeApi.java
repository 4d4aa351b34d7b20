package verge.app.cogo;

import io.swagger.v3.oas.annotations.Operation;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import verge.core.cogo.DeedText;
import verge.core.cogo.Given;
import verge.core.cogo.Givens;
import verge.core.cogo.Scales;
import verge.core.cogo.Slot;
import verge.core.cogo.Tool;
import verge.core.cogo.Worked;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.plan.Path;
import verge.core.plan.Vertices;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.AngleUnit;
import verge.core.units.LengthUnit;

/** Computations for programs: in a job with its points and scales, or of plain coordinates without one. */
@RestController
class ComputeApi {
    private static final Slot RING = Tool.AREA.slots().get(0);
    /** Less than a millionth of a turn short of a whole circle. */
    private static final double FULLEST_BULGE = 1e6;

    private final ComputeService computations;

    ComputeApi(ComputeService computations) {
        this.computations = computations;
    }

    /**
     * What is given, by slots.
     *
     * @param given a number in metres, radians, square metres or plain; a place as [north, east] or [north, east, height]; several places
     *     as a list of these; a word; a deed as text
     * in metres and degrees; a line with arcs as {places, bulges, closed}, a bulge being the tangent of a quarter of the angle that the
     * piece turns through to the left; several lines as a
     *        list; in a job also the name of a point, of a string or of a line of a file, or names of points as a list
     * @param ground whether lengths are ground distances; absent for as the job speaks
     */
    record Asked(Map<String, JsonNode> given, Boolean ground) {
    }

    record Answer(List<FigureBody> figures, List<PointBody> points, boolean eitherOr, List<LineBody> lines, List<Worked.Remark> remarks) {
        static Answer of(Worked worked) {
            return new Answer(worked.figures().stream()
                    .map(f -> new FigureBody(f.label(), f.of(), f.quantity().getClass().getSimpleName(), f.quantity())).toList(),
                    worked.points().stream().map(p ->
                    new PointBody(p.label(), p.of(), p.position().plan().northing(), p.position().plan().easting(),
                    p.position().elevation().map(Elevation::metres).orElse(null))).toList(),
                    worked.eitherOr(), worked.lines().stream().map(LineBody::of).toList(), worked.remarks());
        }
    }

    record FigureBody(String figure, String of, String kind, Object value) {
    }

    record PointBody(String point, String of, double north, double east, Double height) {
    }

    /** @param role given, made or doubtful @param places each [north, east], with arcs as chords that leave them by 1 mm at most */
    record LineBody(String role, String line, String of, List<double[]> places) {
        private static final double SAGITTA_METRES = 0.001;

        static LineBody of(Worked.Line line) {
            return new LineBody(line.role().name().toLowerCase(Locale.ROOT), line.label(), line.of(),
                    ComputeApi.places(line.path().chords(SAGITTA_METRES)));
        }
    }

    private static List<double[]> places(Vertices vertices) {
        return IntStream.range(0, vertices.size()).mapToObj(i -> new double[] {vertices.north(i), vertices.east(i)}).toList();
    }

    @Operation(summary = "Compute with points of a job; lengths and angles in metres and radians")
    @PostMapping("/api/v1/jobs/{job}/compute/{tool}")
    Answer compute(@PathVariable UUID job, @PathVariable String tool, @RequestBody Asked asked) {
        JobState state = computations.state(job);
        TypedGivens names = computations.typed(job, state);
        Tool chosen = tool(tool);
        Map<String, Given> given = given(chosen, asked, names::given);
        boolean ground = asked.ground() == null ? !state.settings().ground().distanceWord().equals("grid") : asked.ground();
        return Answer.of(chosen.work(ComputeService.givens(state, given, ground)));
    }

    @Operation(summary = "Compute with coordinates alone, in one scale; lengths and angles in metres and radians")
    @PostMapping("/api/v1/compute/{tool}")
    Answer compute(@PathVariable String tool, @RequestBody Asked asked) {
        Tool chosen = tool(tool);
        Map<String, Given> given = given(chosen, asked, (slot, text) -> {
            throw new SurveyException(Problem.POINT_UNKNOWN, text);
        });
        return Answer.of(chosen.work(new Givens(given, Givens.Sources.NONE, Scales.plain())));
    }

    private static Tool tool(String name) {
        return Tool.named(name.toUpperCase(Locale.ROOT).replace('-', '_'))
                .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "computation"));
    }

    /** Makes what a text names. */
    private interface Named {
        Given of(Slot slot, String text);
    }

    private static Map<String, Given> given(Tool tool, Asked asked, Named named) {
        Map<String, Given> given = new HashMap<>();
        Map<String, JsonNode> sent = asked.given() == null ? Map.of() : asked.given();
        sent.forEach((id, value) -> {
            Slot slot = tool.slot(id).orElseThrow(() -> new SurveyException(Problem.FIELD_UNREADABLE, id));
            given.put(id, given(slot, value, named));
        });
        return given;
    }

    private static Given given(Slot slot, JsonNode value, Named named) {
        if (slot.kind() == Slot.Kind.LINES) {
            return new Given.Lines((value.isArray() ? value.valueStream() : Stream.of(value)).map(one -> given(RING, one, named)).toList());
        }
        boolean several = slot.kind() == Slot.Kind.POINTS || slot.kind() == Slot.Kind.LINE;
        if (several && value.isArray()) {
            Slot one = new Slot(slot.id(), Slot.Kind.POINT, true, 1, List.of(), false);
            List<Given> each = value.valueStream().map(v -> given(one, v, named)).toList();
            if (each.size() < slot.least()) {
                throw new SurveyException(Problem.POINTS_TOO_FEW, each.size(), slot.least());
            }
            return new Given.Points(each);
        }
        return switch (slot.kind()) {
            case POINT -> value.isArray() ? new Given.Spot(spot(slot, value)) : named.of(slot, text(slot, value));
            case LINE -> value.isObject() ? drawn(slot, value) : named.of(slot, text(slot, value));
            case POINTS -> named.of(slot, text(slot, value));
            case NUMBERS -> numbers(slot, value);
            case WORD -> new Given.Word(TypedGivens.word(slot, text(slot, value)));
            case DEED -> new Given.Legs(DeedText.parse(text(slot, value), LengthUnit.METRE, AngleUnit.DEGREES));
            default -> value.isNumber() && Double.isFinite(value.doubleValue()) ? new Given.Amount(value.doubleValue())
                    : named.of(slot, text(slot, value));
        };
    }

    private static Given drawn(Slot slot, JsonNode value) {
        JsonNode places = value.path("places");
        JsonNode bulges = value.path("bulges");
        JsonNode closed = value.path("closed");
        boolean fits = places.isArray() && places.size() > 1 && bulges.isArray() && bulges.size() == places.size() && bulges.valueStream()
                .allMatch(b -> b.isNumber() && Math.abs(b.doubleValue()) <= FULLEST_BULGE) && closed.isBoolean();
        if (!fits) {
            throw new SurveyException(Problem.FIELD_UNREADABLE, slot.id());
        }
        Position[] at = places.valueStream().map(place -> spot(slot, place)).toArray(Position[]::new);
        return new Given.Drawn(slot.id(),
                Path.of(Vertices.of(at), bulges.valueStream().mapToDouble(JsonNode::doubleValue).toArray(), closed.booleanValue()),
                Optional.empty());
    }

    private static Given numbers(Slot slot, JsonNode value) {
        if (!value.isArray() || !value.valueStream().allMatch(JsonNode::isNumber)) {
            throw new SurveyException(Problem.FIELD_UNREADABLE, slot.id());
        }
        return new Given.Numbers(value.valueStream().map(JsonNode::doubleValue).toList());
    }

    private static String text(Slot slot, JsonNode value) {
        if (!value.isString()) {
            throw new SurveyException(Problem.FIELD_UNREADABLE, slot.id());
        }
        return value.stringValue();
    }

    private static Position spot(Slot slot, JsonNode value) {
        double[] figures = value.valueStream().mapToDouble(v -> v.isNumber() ? v.doubleValue() : Double.NaN).toArray();
        boolean fits = (figures.length == 2 || figures.length == 3) && Arrays.stream(figures)
                .allMatch(f -> Math.abs(f) <= GridPoint.FARTHEST_METRES);
        if (!fits) {
            throw new SurveyException(Problem.FIELD_UNREADABLE, slot.id());
        }
        return new Position(new GridPoint(figures[0], figures[1]), figures.length == 3 ? Optional.of(new Elevation(figures[2]))
                : Optional.empty());
    }
}
