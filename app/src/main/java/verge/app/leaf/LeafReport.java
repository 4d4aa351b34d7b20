package verge.app.leaf;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import verge.app.device.CalibrationKind;
import verge.app.device.InstrumentSettings;
import verge.app.fieldbook.BookText;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.job.SettingsWords;
import verge.app.journal.JournalService;
import verge.app.points.SitePoints;
import verge.app.report.ReportLine;
import verge.app.sets.SetKinds;
import verge.app.sets.SetsService;
import verge.app.setup.SetupFigure;
import verge.app.setup.SetupViews;
import verge.app.setup.SetupWords;
import verge.app.words.StationWords;
import verge.core.calibration.TwoFaceCalibration;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.leaf.Leaf;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.reading.Face;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Pointing;
import verge.core.reading.Reading;
import verge.core.reduction.FirstVelocity;
import verge.core.sets.Round;
import verge.core.sets.SetReduction;
import verge.core.settings.JobSettings;
import verge.core.setup.Conditions;
import verge.core.setup.Sighting;
import verge.core.setup.StationSolution;
import verge.core.units.Angle;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.core.units.TimeText;

/** All that speaks for and against one setup, on paper: so that it can be defended by somebody who was not there. */
@Component
public class LeafReport {
    private static final int MOST_POINTS = 500;

    private final LeafService leaves;
    private final SetupViews views;
    private final JournalService journals;
    private final SitePoints sitePoints;
    private final JobService jobs;
    private final SettingsWords settingsWords;
    private final BookText text;
    private final InstrumentSettings instruments;

    LeafReport(LeafService leaves, SetupViews views, JournalService journals, SitePoints sitePoints, JobService jobs,
            SettingsWords settingsWords, BookText text, InstrumentSettings instruments) {
        this.leaves = leaves;
        this.views = views;
        this.journals = journals;
        this.sitePoints = sitePoints;
        this.jobs = jobs;
        this.settingsWords = settingsWords;
        this.text = text;
        this.instruments = instruments;
    }

    Map<String, Object> model(UUID job, UUID id) {
        Journal journal = journals.journal(job);
        JobState state = sitePoints.state(job);
        Leaf leaf = leaves.leaf(job, id);
        Entry entry = journal.entry(id).orElseThrow();
        Job owner = jobs.job(job);
        JobSettings settings = state.settings();
        Figures f = settings.figures();
        Map<String, Object> model = new HashMap<>();
        model.put("title", "Setup report, leaf " + leaf.number());
        model.put("head", List.of(ReportLine.of("Site and job", jobs.site(owner.siteId()).name() + ", " + owner.name()),
                ReportLine.of("Occupation", StationWords.of(leaf.written())).tracedBy(job, id),
                ReportLine.of("Accepted", settings.times().whole(entry.at()) + " (" + settings.times().clockAt(entry.at()) + "), by "
                + entry.person()), ReportLine.of("Crew", settings.work().crew().isEmpty() ? "not noted" : settings.work().crew()),
                ReportLine.of("Coordinate system", settingsWords.system(settings) + ", " + settingsWords.speaks(settings))));
        model.put("reason", leaf.written().reason());
        model.put("instrument", instrument(leaf, determined(job, leaf, settings.times()), f));
        model.put("figure", SetupFigure.of(leaf.solved(), leaf.written().station().text()));
        model.put("view", views.view(leaf.written(), leaf.solved(), state));
        model.put("unit", f.lengthUnit().symbol());
        model.put("observations", observations(leaf, f));
        model.put("adjustment", adjustment(leaf.solved(), f));
        model.put("residuals", residuals(leaf.solved(), f));
        model.put("checks", checks(job, leaf, f, settings.times()));
        model.put("sets", state.sets().on(id).stream().map(r -> new SetsPart(SetKinds.planned(r.plan()), sets(r, f), setResiduals(r, f)))
                .toList());
        List<StoredPoint> measured = state.points().all().filter(p -> p.leaf().equals(Optional.of(id)) && !p.entry().equals(id)).toList();
        model.put("points", measured.stream().limit(MOST_POINTS).map(p -> point(p, settings).tracedBy(job, p.entry())).toList());
        model.put("pointCount", measured.size());
        model.put("axes", List.of(f.axes().northFirst() ? f.axes().north() : f.axes().east(),
                f.axes().northFirst() ? f.axes().east() : f.axes().north()));
        model.put("changes", text.changes(journal, id, settings.times()::whole).stream()
                .map(c -> ReportLine.of(c.time(), c.person(), c.words() + (c.struck() ? " (struck through)" : ""))).toList());
        return model;
    }

    /** Sets of directions with their means. */
    record SetsPart(String title, List<ReportLine> means, List<ReportLine> residuals) {
    }

    /** When and how the axis errors of a leaf were determined, if that is still the latest determination; else empty. */
    private String determined(UUID job, Leaf leaf, TimeText times) {
        return instruments.calibration(job).filter(c -> c.determined().pairs().size() >= TwoFaceCalibration.FEWEST_PAIRS
                && TwoFaceCalibration.determine(c.determined().pairs(), c.determined().sigmaAngle()).errors()
                .equals(leaf.written().conditions().errors()))
                .map(c -> "; determined " + times.whole(c.at()) + " on " + c.determined().pairs().size() + " marks in both faces: "
                + CalibrationKind.axes(c.determined())).orElse("");
    }

    private static List<ReportLine> instrument(Leaf leaf, String determined, Figures f) {
        Conditions c = leaf.written().conditions();
        InstrumentPrecision p = c.precision();
        InstrumentErrors e = c.errors();
        List<ReportLine> lines = new ArrayList<>(List.of(ReportLine.of("Instrument", leaf.written().instrument()),
                ReportLine.of("Stated by its maker", "\u03c3 " + SetupWords.seconds(p.sigmaDirection()) + " a pointing; distance \u03c3 "
                + f.small(p.distanceMeter().sigmaConstant()) + " and " + Decimals.show(p.distanceMeter().sigmaPpm(), 1) + " ppm"),
                ReportLine.of("Care assumed", "centring \u03c3 " + f.small(p.sigmaStationCentring()) + " (station), "
                + f.small(p.sigmaTargetCentring()) + " (target); heights \u03c3 " + f.small(p.sigmaHeight())),
                ReportLine.of("Instrument height", f.length(leaf.written().arrangement().instrumentHeight())
                + (leaf.written().arrangement().instrumentHeight().metres() == 0 ? ", no ground mark" : "")),
                ReportLine.of("Atmosphere", f.air().temperature(c.air().temperatureCelsius()) + ", " + f.air()
                .pressure(c.air().pressureHectopascals()) + ", relative humidity " + Decimals.show(c.air().relativeHumidityPercent(), 0)
                        + " %: " + Decimals.showSigned(FirstVelocity.ppm(p.distanceMeter(), c.air()), 1) + " ppm (IAG 1999)"),
                ReportLine.of("Refraction coefficient", Decimals.print(c.refraction(), 2))));
        lines.add(ReportLine.of("Axis errors taken off", e.equals(InstrumentErrors.NONE) ? "none"
                : "collimation " + signed(e.collimation()) + ", trunnion " + signed(e.trunnion()) + ", index " + signed(e.index())
                + determined));
        return lines;
    }

    private static String signed(Angle a) {
        return Decimals.showSigned(a.arcSeconds(), 1) + "\u2033";
    }

    private static List<ReportLine> observations(Leaf leaf, Figures f) {
        List<ReportLine> lines = new ArrayList<>();
        for (Sighting s : leaf.written().arrangement().sightings()) {
            for (Pointing p : s.pointings()) {
                lines.add(observation(s.mark().text(), p, f, f.bare(s.target().height()),
                        Figures.metric().small(s.target().prismConstant())));
            }
            leaf.solved().marks().stream().filter(m -> m.mark().equals(s.mark())).flatMap(m -> m.mean().faces().stream()).findFirst()
                    .ifPresent(d -> lines.add(ReportLine.of("", "1 \u2212 2",
                    signed(d.direction()), signed(d.zenith()), d.distance().map(f::difference).orElse(""), "", "")));
        }
        leaf.written().arrangement().faceShots().forEach(s -> lines.add(observation(s.face().name(), s.pointing(), f, "", "")));
        return lines;
    }

    private static ReportLine observation(String name, Reading r, Figures f, String height, String prism) {
        return ReportLine.of(name, r.face() == Face.ONE ? "1" : "2", f.circle(r.horizontalDirection()), f.circle(r.zenith()),
                r.distance().map(f::bare).orElse(""), height, prism);
    }

    private static List<ReportLine> adjustment(StationSolution s, Figures f) {
        var ellipse = s.station().covariance().ellipse();
        return List.of(ReportLine.of("Degrees of freedom", Integer.toString(s.variance().degreesOfFreedom())),
                ReportLine.of("Variance factor \u03c3\u2080\u00b2", s.variance()
                .degreesOfFreedom() == 0 ? "not tested" : Decimals.show(s.variance().factor(), 3) + ", 95 % between "
                + Decimals.show(s.variance().lowest(), 3) + " and " + Decimals.show(s.variance().highest(), 3)),
                ReportLine.of("Error ellipse of the station", f.small(ellipse.longer()) + " \u00d7 " + f.small(ellipse.shorter())
                + ", longer axis at " + f.azimuth(ellipse.azimuth())),
                ReportLine.of("Iterations", Integer.toString(s.iterations())));
    }

    private static List<ReportLine> residuals(StationSolution s, Figures f) {
        List<ReportLine> lines = new ArrayList<>();
        for (StationSolution.MarkResult m : s.marks()) {
            for (StationSolution.Observed o : m.observations()) {
                boolean angle = o.quantity() == StationSolution.Quantity.DIRECTION || o.quantity() == StationSolution.Quantity.ZENITH;
                lines.add(new ReportLine(List.of(m.mark().text(), o.quantity().name().toLowerCase(Locale.ROOT),
                        angle ? signed(new Angle(o.residual())) : f.difference(new Length(o.residual())),
                        angle ? SetupWords.seconds(new Angle(o.sigma())) : f.small(new Length(o.sigma())), Decimals.show(o.redundancy(), 2),
                        Decimals.showSigned(o.standardised(), 1)), Math.abs(o.standardised()) > 3));
            }
        }
        s.faces().forEach(r -> lines.add(
                new ReportLine(List.of(r.shot().face().name(), "off its face", f.difference(r.misfit().difference()),
                f.small(r.misfit().sigma()), "", ""), !r.misfit().within())));
        return lines;
    }

    private List<ReportLine> checks(UUID job, Leaf leaf, Figures f, TimeText times) {
        return leaves.checks(job, leaf).stream()
                .map(c -> new ReportLine(List.of(times.whole(c.entry().at()),
                c.taken().mark().text() + (LeafService.sighted(leaf, c.taken().mark()) ? "" : ", independent"),
                c.outcome().map(o -> f.difference(o.across().difference())).orElse("mark unknown"),
                c.outcome().map(o -> f.difference(o.distance().difference())).orElse(""),
                c.outcome().flatMap(o -> o.height()).map(h -> f.difference(h.difference())).orElse("")),
                !c.outcome().map(o -> o.within()).orElse(false)).tracedBy(job, c.entry().id())).toList();
    }

    private static List<ReportLine> sets(Round round, Figures f) {
        return round.reduced().means().stream()
                .map(m -> ReportLine.of(m.mark().text(), SetsService.circle(f, m.direction()),
                m.sigmaDirection().map(SetupWords::seconds).orElse(""), SetsService.circle(f, m.zenith()),
                m.sigmaZenith().map(SetupWords::seconds).orElse(""), m.slope().map(f::bare).orElse(""),
                m.sigmaSlope().map(f::small).orElse(""))).toList();
    }

    private static List<ReportLine> setResiduals(Round round, Figures f) {
        List<ReportLine> lines = new ArrayList<>();
        for (SetReduction.Residual r : round.reduced().residuals()) {
            lines.add(ReportLine.of(Integer.toString(r.set()), r.mark().text(), signed(r.direction()), signed(r.zenith()),
                    r.distance().map(f::difference).orElse(""), signed(new Angle(r.faces().direction().radians() / 2))));
        }
        round.shots().stream().filter(s -> s.takenOut().isPresent())
                .forEach(s -> lines.add(ReportLine.of(Integer.toString(s.set()), s.mark().text(), "taken out: " + s.takenOut().orElse(""),
                "", "", "")));
        return lines;
    }

    /** Its name, code, origin, coordinates and σ. */
    public static ReportLine point(StoredPoint p, JobSettings settings) {
        List<JobSettings.Coordinate> plan = settings.coordinates(p.position().plan());
        Figures f = settings.figures();
        return ReportLine.of(p.name().text(), p.code().text(), p.origin() == Origin.CONTROL ? "new mark" : p.origin().word(),
                plan.get(0).figure(), plan.get(1).figure(), p.position().elevation().map(e -> f.bare(e.asLength())).orElse(""),
                p.sigma().map(s -> f.small(s.plan())).orElse(""), p.sigma().map(s -> f.small(s.up())).orElse(""));
    }
}
