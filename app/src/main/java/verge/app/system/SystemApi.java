package verge.app.system;

import io.swagger.v3.oas.annotations.Operation;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import verge.app.form.Answers;
import verge.app.problem.ProblemWords;
import verge.core.geodesy.CombinedFactor;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.Geoid;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Heights;
import verge.core.geodesy.LocalScale;
import verge.core.geodesy.MapProjection;
import verge.core.geodesy.ProjectedPlane;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.SystemCatalogue;
import verge.core.geodesy.system.SystemText;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Coordinate systems for programs. Degrees, metres; north and east positive whatever the system's own axes. */
@RestController
@RequestMapping("/api/v1/systems")
class SystemApi {
    private static final int MOST_POSITIONS = 10_000;
    private static final int MOST_FOUND = 100;

    private final SystemLibrary library;
    private final SystemAnswers answers;
    private final GeoidLibrary geoids;
    private final ProblemWords words;

    SystemApi(SystemLibrary library, SystemAnswers answers, GeoidLibrary geoids, ProblemWords words) {
        this.library = library;
        this.answers = answers;
        this.geoids = geoids;
        this.words = words;
    }

    record FoundBody(String code, String name, String otherNames, String area, String unit, String method, boolean plane,
            boolean deprecated, boolean reachable) {
        static FoundBody of(SystemCatalogue.Row r) {
            return new FoundBody(r.code(), r.name(), r.otherNames(), r.area(), r.unit(), r.method(), r.plane(), r.deprecated(),
                    r.reachable());
        }
    }

    record SearchBody(List<FoundBody> systems, long total) {
    }

    /** @param system answers to the question 'where', as on the page of a new job: where, system, method, pasted … */
    record Asked(Map<String, String> system) {
    }

    record Described(String code, String name, String wkt, String area, double west, double south, double east, double north,
            double metresPerUnit,
            String ellipsoid, double semiMajor, double inverseFlattening, boolean northFirst, boolean southwards, boolean westwards,
            boolean conformalInTheMiddle) {
    }

    /** A place in degrees or a point in metres: either pair. */
    record PositionBody(Double latitude, Double longitude, Double northing, Double easting, Double ellipsoidHeight) {
    }

    record Transform(Map<String, String> system, List<PositionBody> positions) {
    }

    /**
     * One position both ways.
     *
     * @param pointScale grid over ellipsoid; null if it differs with direction
     * @param convergence in degrees: grid azimuth = true azimuth − convergence
     * @param groundPerGrid ground factor at the ellipsoid height given; null without one
     * @param problem what is wrong with it; null if nothing is
     */
    record Transformed(Double latitude, Double longitude, Double northing, Double easting, Double pointScale, Double convergence,
            Double elevationFactor,
            Double groundPerGrid, boolean insideArea, String problem) {
    }

    record Place(double latitude, double longitude) {
    }

    record Undulations(List<Place> positions) {
    }

    @Operation(summary = "Search the published systems", description =
            "q: words of name, place, code or old name; near: 'latitude, longitude'.")
    @GetMapping
    SearchBody search(@RequestParam(defaultValue = "") String q, @RequestParam(defaultValue = "") String near,
            @RequestParam(defaultValue = "20") int most) {
        SystemCatalogue.Found found = library.search(q, SystemController.near(near), Math.max(1, Math.min(most, MOST_FOUND)));
        return new SearchBody(found.rows().stream().map(FoundBody::of).toList(), found.total());
    }

    @Operation(summary = "Describe a system: published, typed or pasted")
    @PostMapping("/describe")
    Described describe(@RequestBody Asked asked) {
        CoordinateSystem.OnEarth system = onEarth(asked.system());
        MapProjection p = SystemText.projection(system);
        return new Described(system instanceof CoordinateSystem.Projected published ? published.code() : "", system.name(),
                SystemText.definition(system).orElse(""), p.area().words(), p.area().west(), p.area().south(), p.area().east(),
                p.area().north(),
                p.metresPerUnit(), p.ellipsoid().name(), p.ellipsoid().semiMajor(), p.ellipsoid().inverseFlattening(),
                p.axes().northFirst(),
                p.axes().southwards(), p.axes().westwards(), p.scale(p.area().centre()).conformal());
    }

    @Operation(summary = "Transform positions both ways", description =
            "Up to 10,000 a call; each comes back whole, or with its own problem.")
    @PostMapping("/transform")
    List<Transformed> transform(@RequestBody Transform asked) {
        MapProjection projection = SystemText.projection(onEarth(asked.system()));
        return each(asked.positions(), position -> transformed(projection, position));
    }

    private Transformed transformed(MapProjection p, PositionBody b) {
        try {
            boolean fromGrid = b.northing() != null && b.easting() != null;
            if (!fromGrid && (b.latitude() == null || b.longitude() == null)) {
                throw new SurveyException(Problem.MISSING, "position: latitude and longitude, or northing and easting,");
            }
            GridPoint point = fromGrid ? new GridPoint(b.northing(), b.easting()) : p.grid(place(b.latitude(), b.longitude()));
            Geographic place = fromGrid ? p.geographic(point) : place(b.latitude(), b.longitude());
            Optional<LocalScale> scale = p.singleScale(place);
            Optional<CombinedFactor> factor = Optional.ofNullable(b.ellipsoidHeight()).filter(h -> scale.isPresent())
                    .map(h -> CombinedFactor.at(new ProjectedPlane(p, Heights.UNKNOWN), place, new EllipsoidHeight(h)));
            return new Transformed(place.latitude().degrees(), place.longitude().degrees(), point.northing(), point.easting(),
                    scale.map(LocalScale::point).orElse(null), p.scale(place).convergence().degrees(),
                    factor.map(CombinedFactor::elevationFactor).orElse(null),
                    factor.map(CombinedFactor::groundPerGrid).orElse(null), p.area().contains(place), null);
        } catch (SurveyException cannot) {
            ProblemWords.Said said = words.say(cannot);
            return new Transformed(b.latitude(), b.longitude(), b.northing(), b.easting(), null, null, null, null, false,
                    said.wrong() + " " + said.means());
        }
    }

    @Operation(summary = "Geoid undulations by EGM96", description = "Metres, ellipsoid height less elevation; up to 10,000 a call.")
    @PostMapping("/undulation")
    List<Double> undulation(@RequestBody Undulations asked) {
        Geoid geoid = geoids.find(GeoidLibrary.EGM96);
        return each(asked.positions(), position -> {
            var n = geoid.undulation(place(position.latitude(), position.longitude()));
            return n.isPresent() ? n.getAsDouble() : null;
        });
    }

    private static <T, R> List<R> each(List<T> asked, Function<T, R> answer) {
        if (asked == null || asked.isEmpty()) {
            throw new SurveyException(Problem.MISSING, "list of positions");
        }
        if (asked.size() > MOST_POSITIONS) {
            throw new SurveyException(Problem.OUT_OF_RANGE, "number of positions", asked.size(), 1, MOST_POSITIONS);
        }
        return asked.stream().map(answer).toList();
    }

    private static Geographic place(double latitude, double longitude) {
        if (!(Math.abs(latitude) <= 90) || !(Math.abs(longitude) <= 180)) {
            throw new SurveyException(Problem.OUT_OF_RANGE, "position", latitude + ", " + longitude, "\u221290, \u2212180", "90, 180");
        }
        return Geographic.ofDegrees(latitude, longitude);
    }

    private CoordinateSystem.OnEarth onEarth(Map<String, String> asked) {
        CoordinateSystem system = answers.read(new Answers(asked == null ? Map.of() : asked));
        if (system instanceof CoordinateSystem.OnEarth p) {
            return p;
        }
        throw new SurveyException(Problem.SYSTEM_NOT_PLANE, system instanceof CoordinateSystem.LatLonOnly only ? only.name() : "this");
    }
}
