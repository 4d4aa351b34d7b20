package verge.core.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import verge.core.check.Finding.Kind;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.MapProjection;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.job.JobState;
import verge.core.leaf.Leaf;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.problem.SurveyException;
import verge.core.settings.JobSettings;

/** The automatic check of a job, before work and before hand-over: settings, known points, and what was measured so far. */
public final class WalkRound {
    /** Weather alone moves pressure by 60 hPa at most; a wrong unit by 200 and more. */
    private static final double PRESSURE_LIMIT_HECTOPASCALS = 70;
    /** A reference height may be a storey off; a geoid undulation is not noise. */
    private static final double HEIGHT_LIMIT_METRES = 5;
    private static final double LEAST_UNDULATION_METRES = 10;
    /** Cheap enough for every page: the first so many known points stand for all. */
    private static final int POINTS_LOOKED_AT = 2000;

    private WalkRound() {
    }

    /** As {@link #of(JobState, List)}, without files. */
    public static List<Finding> of(JobState state) {
        return of(state, List.of());
    }

    /**
     * What was found, the worst first; what was accepted is still among it.
     *
     * @param files those of the site that count now, each in one version
     */
    public static List<Finding> of(JobState state, List<SiteContent> files) {
        List<Finding> found = new ArrayList<>(SettingsCheck.of(state.geodesy()));
        List<StoredPoint> control = state.points().all(Origin.CONTROL).limit(POINTS_LOOKED_AT).toList();
        state.geodesy().projection().ifPresent(p -> {
            outside(control, p).ifPresent(found::add);
            geoid(state, control, p).ifPresent(found::add);
            referenceHeight(state, control, p).ifPresent(found::add);
        });
        found.addAll(LocalisationCheck.of(state));
        found.addAll(SatelliteCheck.of(state));
        found.addAll(SessionCheck.of(state));
        pressure(state).ifPresent(found::add);
        DistanceAgreement.of(state).ifPresent(found::add);
        found.addAll(FileCheck.of(state, files));
        return found.stream().sorted(Comparator.comparing(f -> f.kind().weight())).toList();
    }

    private static Optional<Finding> outside(List<StoredPoint> control, MapProjection projection) {
        List<StoredPoint> out = control.stream().filter(p -> place(projection, p).map(g -> !projection.area().contains(g)).orElse(true))
                .toList();
        return out.isEmpty() ? Optional.empty()
                : Optional.of(Finding.of(Kind.POINTS_OUTSIDE_AREA, out.size(), out.get(0).name().text(), projection.name()));
    }

    private static Optional<Geographic> place(MapProjection projection, StoredPoint point) {
        try {
            return Optional.of(projection.geographic(point.position().plan()));
        } catch (SurveyException nowhere) {
            return Optional.empty();
        }
    }

    private static Optional<Finding> geoid(JobState state, List<StoredPoint> control, MapProjection projection) {
        return state.settings().geoid() instanceof GeoidChoice.Grid grid
                && control.stream().flatMap(p -> place(projection, p).stream()).anyMatch(g -> state.geodesy().undulation(g).isEmpty())
                ? Optional.of(Finding.of(Kind.GEOID_ELSEWHERE, grid.name())) : Optional.empty();
    }

    /** A reference height that is off the control's own heights by just the undulation was taken for the other kind. */
    private static Optional<Finding> referenceHeight(JobState state, List<StoredPoint> control, MapProjection projection) {
        OptionalDouble mean = control.stream().flatMap(p -> p.position().elevation().stream()).mapToDouble(Elevation::metres).average();
        Optional<Geographic> place = control.stream().findFirst().flatMap(p -> place(projection, p));
        if (mean.isEmpty() || place.isEmpty() || state.settings().referenceHeight().isEmpty()) {
            return Optional.empty();
        }
        OptionalDouble undulation = state.geodesy().undulation(place.get());
        double n = undulation.orElse(0);
        JobSettings.ReferenceHeight given = state.settings().referenceHeight().get();
        double expected = given.kind() == JobSettings.HeightKind.ELEVATION ? mean.getAsDouble() : mean.getAsDouble() + n;
        double other = given.kind() == JobSettings.HeightKind.ELEVATION ? mean.getAsDouble() + n : mean.getAsDouble();
        boolean mistaken = Math.abs(n) > LEAST_UNDULATION_METRES && Math.abs(given.metres() - other) < HEIGHT_LIMIT_METRES
                && Math.abs(given.metres() - expected) > HEIGHT_LIMIT_METRES;
        return mistaken ? Optional.of(Finding.of(Kind.REFERENCE_HEIGHT_ODD, given.metres(), expected, n)) : Optional.empty();
    }

    /** International standard atmosphere at the station's elevation. */
    private static Optional<Finding> pressure(JobState state) {
        return state.leaves().open().flatMap(leaf -> {
            double height = leaf.station().occupation().station().elevation().or(() -> state.settings().referenceHeight()
                    .flatMap(JobSettings.ReferenceHeight::elevation)).map(Elevation::metres).orElse(0.0);
            double usual = 1013.25 * Math.pow(1 - 2.25577e-5 * height, 5.25588);
            return odd(leaf, usual) ? Optional.of(Finding.of(Kind.PRESSURE_ODD, leaf.written().station().text(),
                    leaf.written().conditions().air().pressureHectopascals(), usual)) : Optional.empty();
        });
    }

    private static boolean odd(Leaf leaf, double usual) {
        return Math.abs(leaf.written().conditions().air().pressureHectopascals() - usual) > PRESSURE_LIMIT_HECTOPASCALS;
    }
}
