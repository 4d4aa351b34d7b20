package verge.app.fit;

import io.swagger.v3.oas.annotations.Operation;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import verge.core.adjustment.VarianceTest;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Lift;
import verge.core.geodesy.MapProjection;
import verge.core.geodesy.Position;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.PublishedSystems;
import verge.core.geodesy.system.SystemText;
import verge.core.geodesy.transformation.Fitted;
import verge.core.geodesy.transformation.Localisation;
import verge.core.geodesy.transformation.Mark;
import verge.core.geodesy.transformation.Pair;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Localisations for programs: positions of a published or defined system, or of a grid of any kind, onto a site's own control. */
@RestController
class LocalisationApi {
    private static final double FARTHEST_LATITUDE = 90;
    private static final double FARTHEST_LONGITUDE = 360;
    private static final double FARTHEST_HEIGHT = 100_000;

    /**
     * A position of the other system, in either way.
     *
     * @param place north, east and perhaps height
     * @param geographic latitude and longitude in degrees of the system's datum, and perhaps height
     */
    record MeasuredBody(String name, double[] place, double[] geographic) {
        Mark mark(Optional<MapProjection> projection) {
            if (geographic == null) {
                return new FitApi.MarkBody(name, place).mark();
            }
            boolean fits = (geographic.length == 2 || geographic.length == 3) && Math.abs(geographic[0]) <= FARTHEST_LATITUDE
                    && Math.abs(geographic[1]) <= FARTHEST_LONGITUDE
                    && (geographic.length == 2 || Math.abs(geographic[2]) <= FARTHEST_HEIGHT);
            if (!fits || projection.isEmpty()) {
                throw new SurveyException(Problem.FIELD_UNREADABLE, projection.isEmpty() ? "system" : "geographic");
            }
            return new Mark(name == null ? "" : name,
                    new Position(projection.get().grid(Geographic.ofDegrees(geographic[0], geographic[1])),
                    geographic.length == 3 ? Optional.of(new Elevation(geographic[2])) : Optional.empty()));
        }
    }

    /**
     * @param plan whether it counts there; absent for yes
     * @param height likewise
     * @param sigma standard deviation of the pair in plan, in each coordinate, in metres, by which it is weighed; absent for that of the
     *     settings
     * @param sigmaHeight likewise in height
     */
    record PairBody(MeasuredBody measured, FitApi.MarkBody control, Boolean plan, Boolean height, Double sigma, Double sigmaHeight) {
        Pair pair(Optional<MapProjection> projection) {
            if (measured == null || control == null) {
                throw new SurveyException(Problem.FIELD_UNREADABLE, "pairs");
            }
            return FitApi.PairBody.pair(measured.mark(projection), control.mark(), plan, height, sigma, sigmaHeight);
        }
    }

    /**
     * @param system of what was measured, as a code such as EPSG:25832 or a definition; absent if it is a plain grid
     * @param points of the other system, to be carried onto the site
     * @param site points of the site, to be carried back
     */
    record Asked(String system, List<PairBody> pairs, FitApi.SettingsBody settings, List<MeasuredBody> points, List<FitApi.MarkBody> site) {
    }

    /** @param beyondMarks how far outside the hull of the control marks it lies, in metres: there nothing says that it holds */
    record CarriedBody(String name, double[] place, double sigma, double beyondMarks) {
    }

    /** @param lift added to heights: shift at a place and rise for each metre to the north and east @param hull of the control marks */
    record Answer(FitApi.MoveBody move, Lift lift, double sigmaRotation, double sigmaScale, List<Fitted.Residual> residuals,
            VarianceTest plan, VarianceTest height, List<Integer> strangers, Fitted.Odd odd, List<double[]> hull,
            List<CarriedBody> points, List<FitApi.PlaceBody> site) {
    }

    @Operation(summary = "Localise: positions of another system onto a site's control",
            description = "The move and the lift describe it whole: whoever has them, and the system, has the localisation.")
    @PostMapping("/api/v1/localisations")
    Answer localise(@RequestBody Asked asked) {
        if (asked.pairs() == null) {
            throw new SurveyException(Problem.FIELD_UNREADABLE, "pairs");
        }
        Optional<MapProjection> projection = Optional.ofNullable(asked.system()).filter(s -> !s.isBlank()).map(LocalisationApi::projection);
        Localisation localisation = Localisation.of(asked.pairs().stream().map(p -> p.pair(projection)).toList(),
                FitApi.SettingsBody.of(asked.settings()));
        Fitted fitted = localisation.fitted();
        return new Answer(FitApi.MoveBody.of(fitted.similarity()), fitted.lift(), fitted.sigmaRotation(), fitted.sigmaScale(),
                fitted.residuals(), fitted.plan(), fitted.height(), fitted.strangers(), fitted.odd(),
                localisation.hull().corners().stream().map(LocalisationApi::figures).toList(),
                (asked.points() == null ? List.<MeasuredBody>of() : asked.points()).stream()
                .map(p -> carried(localisation, p.mark(projection))).toList(),
                (asked.site() == null ? List.<FitApi.MarkBody>of() : asked.site()).stream().map(FitApi.MarkBody::mark)
                .map(m -> new FitApi.PlaceBody(m.name(), FitApi.PlaceBody.figures(localisation.back(m.position())), null, null, null))
                .toList());
    }

    private static MapProjection projection(String system) {
        CoordinateSystem read = system.toUpperCase(Locale.ROOT).startsWith("EPSG:") ? PublishedSystems.find(system.toUpperCase(Locale.ROOT))
                : SystemText.read(system);
        if (!(read instanceof CoordinateSystem.Projected projected)) {
            throw new SurveyException(Problem.SYSTEM_NOT_PLANE, system);
        }
        return SystemText.projection(projected);
    }

    private static CarriedBody carried(Localisation localisation, Mark mark) {
        Position onSite = localisation.onSite(mark.position());
        return new CarriedBody(mark.name(), FitApi.PlaceBody.figures(onSite), localisation.fitted().sigma(mark.position().plan()),
                localisation.hull().beyond(onSite.plan()));
    }

    private static double[] figures(GridPoint place) {
        return new double[] {place.northing(), place.easting()};
    }
}
