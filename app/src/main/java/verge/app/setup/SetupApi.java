package verge.app.setup;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import verge.core.coding.PointName;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Atmosphere;
import verge.core.reduction.AirEffect;
import verge.core.sets.SetReduction;
import verge.core.setup.KnownMark;
import verge.core.setup.Misfit;
import verge.core.setup.OrientedStation;
import verge.core.setup.StationFit;
import verge.core.setup.StationSolution;
import verge.core.setup.Suspect;
import verge.core.setup.Suspects;
import verge.core.units.Angle;
import verge.core.units.Length;

/** Setups, sets and the air for programs, computed as on the pages. */
@RestController
@RequestMapping("/api/v1")
class SetupApi {
    private static final int MOST_SHOTS = 5000;

    /**
     * @param reason why there is no solution, and about which marks; null if there is one
     * @param suspects what would explain the residuals, the likeliest first
     */
    record Solved(boolean solved, StationFit.Reason reason, List<String> about, StationBody station, List<MarkBody> marks,
            List<FaceBody> faces, TestBody test, List<NoticeBody> notices, List<SuspectBody> suspects) {
    }

    record StationBody(double northing, double easting, Double elevation, double sigmaNorth, double sigmaEast, Double sigmaUp,
            double orientation, double sigmaOrientation, double scale, double sigmaScale) {
    }

    /** Misfits measured minus known, metres; null where there is none. */
    record MarkBody(String name, MisfitBody across, MisfitBody distance, MisfitBody height, List<ObservationBody> observations) {
    }

    record MisfitBody(double difference, double sigma, boolean within) {
        static MisfitBody of(Optional<Misfit> misfit) {
            return misfit.map(m -> new MisfitBody(m.difference().metres(), m.sigma().metres(), m.within())).orElse(null);
        }
    }

    /** @param residual radians or metres */
    record ObservationBody(StationSolution.Quantity quantity, double residual, double sigma, double redundancy, double standardised) {
    }

    record FaceBody(String face, double misfit, double sigma, double beside) {
    }

    /** @param redundancy degrees of freedom */
    record TestBody(int redundancy, double varianceFactor, double lowest, Double highest, boolean passes, boolean within) {
    }

    record NoticeBody(String kind, String weight, List<String> about, List<Double> figures) {
    }

    record SuspectBody(Suspect.Kind kind, List<String> about, String instead, Double amount, double before, double after) {
    }

    @Operation(summary = "Solve a setup",
            description =
            "Known point, free station, building or assumed station from given readings, on a flat site; metres and radians. With "
            + "residuals, standard deviations, redundancy and suspects.")
    @PostMapping("/setup/solve")
    Solved solve(@RequestBody SetupRequest asked) {
        var arrangement = asked.arrangement();
        var conditions = asked.conditions();
        Map<PointName, KnownMark> known = asked.known();
        StationFit.Outcome outcome = StationFit.solve(arrangement, conditions, asked.plane(), name -> Optional.ofNullable(known.get(name)));
        List<SuspectBody> suspects = Suspects.of(arrangement, conditions, asked.plane(), name -> Optional.ofNullable(known.get(name)),
                asked.others(), asked.constants()).stream()
                .map(s -> new SuspectBody(s.kind(), texts(s.about()), s.instead().map(PointName::text).orElse(null),
                Double.isNaN(s.amount()) ? null : s.amount(), s.before(), s.after())).toList();
        if (outcome instanceof StationFit.Unsolved why) {
            return new Solved(false, why.reason(), texts(why.about()), null, List.of(), List.of(), null, List.of(), suspects);
        }
        StationSolution s = (StationSolution) outcome;
        return new Solved(true, null, List.of(), station(s), s.marks().stream().map(SetupApi::mark).toList(),
                s.faces().stream().map(f -> new FaceBody(f.shot().face().name(), f.misfit().difference().metres(),
                f.misfit().sigma().metres(), f.beside())).toList(),
                new TestBody(s.variance().degreesOfFreedom(), s.variance().factor(), s.variance().lowest(),
                s.variance().degreesOfFreedom() == 0 ? null : s.variance().highest(), s.variance().passes(), s.within()),
                s.notices().stream().map(n -> new NoticeBody(n.kind().name(), n.kind().weight().name(), texts(n.about()), n.figures()))
                .toList(), suspects);
    }

    private static List<String> texts(List<PointName> names) {
        return names.stream().map(PointName::text).toList();
    }

    private static StationBody station(StationSolution s) {
        OrientedStation station = s.station();
        Uncertainty sigma = station.covariance().position();
        Position at = station.occupation().station();
        return new StationBody(at.plan().northing(), at.plan().easting(), at.elevation().map(Elevation::metres).orElse(null),
                sigma.north().metres(), sigma.east().metres(),
                at.elevation().map(e -> sigma.up().metres()).orElse(null), station.orientation().radians(),
                station.sigmaOrientation().radians(), station.occupation().scale(), station.covariance().scale());
    }

    private static MarkBody mark(StationSolution.MarkResult m) {
        return new MarkBody(m.mark().text(), MisfitBody.of(m.across()), MisfitBody.of(m.distance()), MisfitBody.of(m.height()),
                m.observations().stream().map(o ->
                new ObservationBody(o.quantity(), o.residual(), o.sigma(), o.redundancy(), o.standardised())).toList());
    }

    /** @param marks in their order, the first the zero of the directions */
    record SetsRequest(List<String> marks, List<ShotBody> shots) {
    }

    record ShotBody(int set, String mark, @NotNull Double direction, @NotNull Double zenith, Double distance) {
        SetReduction.SetShot shot() {
            return new SetReduction.SetShot(set, PointName.parse(mark == null ? "" : mark),
                    new SetupRequest.Reading(direction, zenith, distance).pointing());
        }
    }

    /** Null where fewer than two sets say nothing. */
    record SetsBody(List<MeanBody> means, List<ResidualBody> residuals, Double sigmaDirection, Double sigmaZenith, Double sigmaDistance,
            int unfinished) {
    }

    record MeanBody(String mark, double direction, Double sigmaDirection, double zenith, Double sigmaZenith, Double distance,
            Double sigmaDistance, int sets) {
    }

    record ResidualBody(int set, String mark, double direction, double zenith, Double distance, double collimation) {
    }

    @Operation(summary = "Reduce sets of directions", description =
            "Readings of both faces to means, residuals and standard deviations; radians and metres.")
    @PostMapping("/sets/reduce")
    SetsBody reduce(@RequestBody SetsRequest asked) {
        if (asked.marks() == null || asked.shots() == null || asked.shots().size() > MOST_SHOTS) {
            throw new SurveyException(Problem.REQUEST_UNREADABLE);
        }
        SetReduction.Result r = SetReduction.reduce(asked.shots().stream().map(ShotBody::shot).toList(),
                asked.marks().stream().map(PointName::parse).toList());
        return new SetsBody(r.means().stream()
                .map(m -> new MeanBody(m.mark().text(), m.direction().radians(), radians(m.sigmaDirection()), m.zenith().radians(),
                radians(m.sigmaZenith()),
                metres(m.slope()), metres(m.sigmaSlope()), m.sets())).toList(),
                r.residuals().stream().map(v ->
                new ResidualBody(v.set(), v.mark().text(), v.direction().radians(), v.zenith().radians(), metres(v.distance()),
                v.faces().direction().radians() / 2)).toList(),
                radians(r.sigmaDirection()), radians(r.sigmaZenith()), metres(r.sigmaDistance()), r.unfinished().size());
    }

    private static Double radians(Optional<Angle> angle) {
        return angle.map(Angle::radians).orElse(null);
    }

    private static Double metres(Optional<Length> length) {
        return length.map(Length::metres).orElse(null);
    }

    record AirRequest(@NotNull SetupRequest.Air air, SetupRequest.Meter instrument, Double distance) {
    }

    /**
     * @param perDegree metres on the distance asked about, for one degree Celsius more
     * @param humidity relative, in per cent, as given or by the wet thermometer
     */
    record AirBody(double ppm, double perDegree, double perHectopascal, double humidity) {
    }

    @Operation(summary = "The atmospheric correction", description =
            "First velocity correction after the IAG resolution of 1999, and what a slip in temperature or pressure does to a distance.")
    @PostMapping("/reduction/atmosphere")
    AirBody atmosphere(@RequestBody AirRequest asked) {
        try {
            SetupRequest.Meter meter = asked.instrument() == null ? new SetupRequest.Meter(null, null, null, null, null)
                    : asked.instrument();
            Atmosphere air = SetupRequest.needed("air", asked.air()).atmosphere();
            AirEffect e = AirEffect.of(meter.meter(), air, new Length(asked.distance() == null ? 1000 : asked.distance()));
            return new AirBody(e.ppm(), e.perDegree().metres(), e.perHectopascal().metres(), air.relativeHumidityPercent());
        } catch (IllegalArgumentException unfit) {
            throw new SurveyException(Problem.REQUEST_UNREADABLE);
        }
    }
}
