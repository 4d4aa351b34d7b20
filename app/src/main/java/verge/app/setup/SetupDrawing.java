package verge.app.setup;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import verge.app.points.SitePoints;
import verge.core.geodesy.GridPoint;
import verge.core.job.JobState;
import verge.core.leaf.StationSetUp;
import verge.core.setup.Assurance;
import verge.core.setup.DangerCircle;
import verge.core.setup.ErrorEllipse;
import verge.core.setup.Notice;
import verge.core.setup.StationSolution;
import verge.core.units.Figures;

/** What of a setup is drawn into the sketch. Places are [east, north] in metres of the grid. */
@Component
public class SetupDrawing {
    /** Residuals and ellipses of millimetres are drawn this much larger than the plan. */
    private static final double EXAGGERATION = 2000;

    private final SitePoints sitePoints;
    private final SetupViews views;

    SetupDrawing(SitePoints sitePoints, SetupViews views) {
        this.sitePoints = sitePoints;
        this.views = views;
    }

    /**
     * @param ellipse half axes as drawn, and azimuth of the longer, radians
     * @param circle centre and radius; only where the station is near it
     * @param exaggeration of ellipse and misfits
     * @param second where else the instrument may stand by the same readings, or null
     */
    public record Drawn(double[] station, String name, List<Sight> sights, Ellipse ellipse, Circle circle, List<Contour> contours,
            Next next, double exaggeration, List<Hit> hits, double[] second) {
    }

    /** @param misfit where the arrow from the mark ends, or null */
    public record Sight(double[] mark, String name, double[] misfit, boolean within) {
    }

    public record Ellipse(double longer, double shorter, double azimuth, String words) {
    }

    public record Circle(double[] centre, double radius) {
    }

    /** @param label the error, in the job's figures */
    public record Contour(String part, String label, List<double[][]> lines) {
    }

    public record Next(double[] mark, String words) {
    }

    public record Hit(double[] at, String words, boolean within) {
    }

    public Drawn draw(UUID job, StationSetUp written, StationSolution s) {
        JobState state = sitePoints.state(job);
        Figures f = state.settings().figures();
        GridPoint here = s.station().occupation().station().plan();
        ErrorEllipse e = s.station().covariance().ellipse();
        boolean danger = s.notices().stream().anyMatch(n -> n.kind() == Notice.Kind.DANGER_CIRCLE);
        Optional<DangerCircle> circle = danger
                ? DangerCircle.through(s.marks().stream().flatMap(m -> m.known().stream()).map(p -> p.plan()).toList()) : Optional.empty();
        List<Contour> contours = Assurance.contours(s.station(), views.workArea(state, s)).stream().map(c -> new Contour(c.part().name(),
                (c.part() == Assurance.Part.PLAN ? "plan " : "height ") + f.small(c.error()),
                c.lines().stream().map(SetupDrawing::line).toList())).toList();
        Next next = views.next(job, state, written, s)
                .map(n -> new Next(place(n.position().plan()), "next best, " + f.small(n.before()) + " \u2192 " + f.small(n.after())))
                .orElse(null);
        return new Drawn(place(here), written.station().text(), s.marks().stream().flatMap(m -> sight(here, m).stream()).toList(),
                new Ellipse(e.longer().metres() * EXAGGERATION, e.shorter().metres() * EXAGGERATION, e.azimuth().radians(),
                "\u03c3 " + f.small(e.longer()) + " \u00d7 " + f.small(e.shorter())),
                circle.map(c -> new Circle(place(c.centre()), c.radiusMetres())).orElse(null), contours, next, EXAGGERATION,
                s.faces().stream().map(h -> new Hit(place(h.at().plan()), f.difference(h.misfit().difference()),
                h.misfit().within() && h.beside() <= 0)).toList(),
                s.secondPlace().map(SetupDrawing::place).orElse(null));
    }

    private static Optional<Sight> sight(GridPoint here, StationSolution.MarkResult m) {
        return m.known().map(k -> {
            double azimuth = Math.atan2(k.plan().easting() - here.easting(), k.plan().northing() - here.northing());
            double across = m.across().map(x -> x.difference().metres()).orElse(0.0) * EXAGGERATION;
            double along = m.distance().map(x -> x.difference().metres()).orElse(0.0) * EXAGGERATION;
            GridPoint tip = k.plan().plus(along * Math.cos(azimuth) - across * Math.sin(azimuth),
                    along * Math.sin(azimuth) + across * Math.cos(azimuth));
            return new Sight(place(k.plan()), m.mark().text(), place(tip), m.within());
        });
    }

    private static double[][] line(List<GridPoint> points) {
        return points.stream().map(SetupDrawing::place).toArray(double[][]::new);
    }

    private static double[] place(GridPoint p) {
        return new double[] {p.easting(), p.northing()};
    }
}
