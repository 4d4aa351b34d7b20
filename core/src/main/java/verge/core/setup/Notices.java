package verge.core.setup;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verge.core.adjustment.VarianceTest;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.reading.Pointing;
import verge.core.units.Angle;

/** Looks a solved setup over for what a person should know before accepting it. */
final class Notices {
    /** Beyond any collimation error that an instrument is used with. */
    private static final double APART_RADIANS = Angle.ofArcSeconds(180).radians();
    private static final double APART_METRES = 0.02;
    private static final double NEAR_HALF_TURN = Math.toRadians(1);
    /** Within a tenth of the radius the station's uncertainty has grown some tenfold. */
    private static final double NEAR_CIRCLE = 0.1;
    private static final double ON_LINE_RADIANS = Math.toRadians(10);
    private static final double WEAK_METRES = 0.01;
    private static final double WEAK_TIMES = 5;
    /** No air and no projection that a job forgot to name is worth more on the distances of one setup. */
    private static final double FAR_SCALE = 50e-6;

    private final StationFit.Case c;
    private final OrientedStation station;
    private final List<Notice> found = new ArrayList<>();

    private Notices(StationFit.Case c, OrientedStation station) {
        this.c = c;
        this.station = station;
    }

    static List<Notice> of(StationFit.Case c, OrientedStation station, List<StationSolution.MarkResult> marks, VarianceTest variance,
            boolean scaleFree) {
        Notices notices = new Notices(c, station);
        marks.forEach(m -> notices.pointings(m.sighting()));
        notices.faces(marks);
        if (!variance.passes()) {
            notices.add(Notice.Kind.VARIANCE_HIGH, List.of(), variance.factor(), variance.highest());
        }
        if (variance.degreesOfFreedom() == 0) {
            notices.add(Notice.Kind.NOT_CONTROLLED, List.of());
        }
        if (c.arrangement().placeFree()) {
            notices.geometry();
        }
        notices.heights();
        double far = station.occupation().scale() - 1;
        if (scaleFree && Math.abs(far) > FAR_SCALE && Math.abs(far) > Misfit.LIMIT_IN_SIGMAS * station.covariance().scale()) {
            notices.add(Notice.Kind.SCALE_FAR, List.of(), far * 1e6);
        }
        return notices.found;
    }

    private void add(Notice.Kind kind, List<PointName> about, Double... figures) {
        found.add(Notice.of(kind, about, figures));
    }

    private void pointings(Sighting sighting) {
        Pointing first = sighting.pointings().get(0);
        double most = 0;
        boolean half = false;
        double metres = 0;
        for (Pointing p : sighting.pointings()) {
            double turned = Math.abs(p.faceOneDirection().minus(first.faceOneDirection()).halfCircle().radians());
            half |= Math.abs(turned - Math.PI) < NEAR_HALF_TURN;
            double up = Math.abs(p.faceOneZenith().minus(first.faceOneZenith()).radians());
            most = Math.max(most, Math.max(turned * first.zenith().sin(), up));
            metres = Math.max(metres, p.distance().flatMap(d -> first.distance().map(d::minus)).map(d -> Math.abs(d.metres())).orElse(0.0));
        }
        if (half) {
            add(Notice.Kind.FACE_WRONG, List.of(sighting.mark()));
        } else if (most > APART_RADIANS || metres > APART_METRES) {
            add(Notice.Kind.POINTINGS_APART, List.of(sighting.mark()), most, metres);
        }
    }

    private void faces(List<StationSolution.MarkResult> marks) {
        List<PointName> one = marks.stream().filter(m -> m.mean().faces().isEmpty()).map(StationSolution.MarkResult::mark).toList();
        if (!one.isEmpty() && one.size() < marks.size()) {
            add(Notice.Kind.ONE_FACE, one);
        }
    }

    private void geometry() {
        GridPoint here = station.occupation().station().plan();
        List<FitSight> plan = c.inPlan();
        boolean ranged = plan.stream().anyMatch(FitSight::distanceCounts);
        List<GridPoint> marks = plan.stream().map(s -> s.mark().orElseThrow().plan()).toList();
        Optional<DangerCircle> circle = ranged ? Optional.empty() : DangerCircle.through(marks)
                .filter(d -> d.nearness(here) < NEAR_CIRCLE && d.fitMetres() < NEAR_CIRCLE * d.radiusMetres());
        circle.ifPresent(d -> add(Notice.Kind.DANGER_CIRCLE, List.of(), d.nearness(here), d.radiusMetres()));
        if (plan.size() == 2) {
            double between = Math.abs(plan.get(0).mean().direction().minus(plan.get(1).mean().direction()).halfCircle().radians());
            if (between < ON_LINE_RADIANS || Math.PI - between < ON_LINE_RADIANS) {
                add(Notice.Kind.ON_THE_LINE, plan.stream().map(s -> s.sighting().mark()).toList(), between);
            }
        }
        double longer = station.covariance().ellipse().longer().metres();
        double usual = Math.hypot(c.conditions().precision().sigmaTargetCentring().metres(),
                c.conditions().precision().distanceMeter().sigmaConstant().metres()) / Math.sqrt(Math.max(1, plan.size()));
        if (longer > WEAK_METRES || longer > WEAK_TIMES * usual) {
            add(Notice.Kind.GEOMETRY_WEAK, List.of(), longer, usual);
        }
    }

    private void heights() {
        if (station.occupation().station().elevation().isEmpty()) {
            add(Notice.Kind.NO_HEIGHTS, List.of());
            return;
        }
        List<PointName> without = c.sights().stream()
                .filter(s -> s.sighting().use().height() && s.mark().isPresent() && s.elevation().isEmpty())
                .map(s -> s.sighting().mark()).toList();
        if (!without.isEmpty()) {
            add(Notice.Kind.MARKS_WITHOUT_HEIGHT, without);
        }
    }
}
