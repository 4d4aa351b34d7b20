package verge.app.occupation;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.job.SettingsWords;
import verge.app.journal.JournalService;
import verge.app.receiver.ConditionWords;
import verge.app.receiver.SatelliteWords;
import verge.app.report.ReportLine;
import verge.core.base.Base;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Payload;
import verge.core.occupation.PointOccupied;
import verge.core.occupation.Stood;
import verge.core.occupation.StoodKept;
import verge.core.satellite.BaseHeard;
import verge.core.settings.JobSettings;
import verge.core.stakeout.StakeOccupied;
import verge.core.units.Decimals;
import verge.core.units.Figures;

/**
 * All that speaks for and against the points that a job's receivers stood on, on paper: bases, antennas, control, and each point with its
 * solution.
 */
@Component
class RoverReport {
    private static final int MOST_POINTS = 500;

    private final JournalService journals;
    private final JobService jobs;
    private final SettingsWords settingsWords;

    RoverReport(JournalService journals, JobService jobs, SettingsWords settingsWords) {
        this.journals = journals;
        this.jobs = jobs;
        this.settingsWords = settingsWords;
    }

    Map<String, Object> model(UUID job) {
        Journal journal = journals.journal(job);
        JobState state = journal.state();
        List<Stood> stood = StoodKept.all(state).toList();
        Map<UUID, PointOccupied> said = new HashMap<>();
        stood.forEach(s -> journal.entry(s.entry()).map(journal::counting).flatMap(RoverReport::occupied)
                .ifPresent(o -> said.put(s.entry(), o)));
        List<PointOccupied> all = stood.stream().map(s -> said.get(s.entry())).filter(o -> o != null).toList();
        Map<String, Object> model = new HashMap<>();
        model.put("title", "Rover report, " + jobs.job(job).name());
        model.put("head", head(job, state, all));
        model.put("bases", counted(all, o -> o.base().map(b -> base(b, state)).orElse("not told")));
        model.put("antennas", counted(all, o -> SatelliteWords.antenna(o.antenna(), state.settings().figures())
                + (o.tilt().isPresent() ? ", leaning" : "")));
        model.put("checks", ControlLines.of(job, journal, c -> true));
        model.put("points", stood.stream().filter(s -> said.containsKey(s.entry())).limit(MOST_POINTS)
                .map(s -> point(job, s, said.get(s.entry()), state)).toList());
        model.put("pointCount", all.size());
        model.put("although", stood.stream().filter(s -> said.containsKey(s.entry()) && !said.get(s.entry()).reason().isEmpty())
                .map(s -> ReportLine.of(s.name().text(), said.get(s.entry()).reason()).tracedBy(job, s.entry())).toList());
        return model;
    }

    private static Optional<PointOccupied> occupied(Payload counting) {
        return counting instanceof PointOccupied point ? Optional.of(point) : counting instanceof StakeOccupied stake
                ? Optional.of(stake.stood()) : Optional.empty();
    }

    private List<ReportLine> head(UUID job, JobState state, List<PointOccupied> all) {
        JobSettings settings = state.settings();
        Job own = jobs.job(job);
        List<ReportLine> head = new ArrayList<>();
        head.add(ReportLine.of("Site and job", jobs.site(own.siteId()).name() + ", " + own.name()));
        head.add(ReportLine.of("Crew", settings.work().crew().isEmpty() ? "not noted" : settings.work().crew()));
        head.add(ReportLine.of("Receivers", all.isEmpty() ? "none" : all.stream().map(PointOccupied::receiver).distinct().sorted()
                .collect(Collectors.joining(", "))));
        head.add(ReportLine.of("Coordinate system", settingsWords.system(settings) + ", " + settingsWords.speaks(settings)));
        head.add(ReportLine.of("Times", settings.times().name()));
        return head;
    }

    private static String base(BaseHeard heard, JobState state) {
        Optional<Base> own = state.bases().all().stream().filter(b -> b.isHeard(heard)).findFirst();
        return own.map(b -> "over " + b.mark() + (b.provisional() ? ", provisional" : "") + ", number " + heard.station())
                .orElseGet(() -> (heard.name().isEmpty() ? "" : heard.name() + ", ") + "number " + heard.station());
    }

    /** What stands for how many points, in its order of words. */
    private static List<ReportLine> counted(List<PointOccupied> all, Function<PointOccupied, String> words) {
        return all.stream().collect(Collectors.groupingBy(words, TreeMap::new, Collectors.counting())).entrySet().stream()
                .map(e -> ReportLine.of(e.getKey(), e.getValue().toString())).toList();
    }

    private static ReportLine point(UUID job, Stood stood, PointOccupied said, JobState state) {
        Figures f = state.settings().figures();
        return ReportLine.of(stood.name().text(), state.settings().times().brief(stood.at()),
                SatelliteWords.word(said.epochs().kind()) + ", " + said.epochs().count(), Integer.toString(said.epochs().satellites()),
                said.epochs().pdop().isPresent() ? Decimals.show(said.epochs().pdop().getAsDouble(), 1) : "",
                said.base().isPresent() ? ConditionWords.distance(said.vector().length(), f) : "",
                stood.sigma().map(s -> f.small(s.plan())).orElse(""), stood.sigma().map(s -> f.small(s.up())).orElse(""),
                said.antenna().known().map(f::length).orElse("")).tracedBy(job, stood.entry());
    }
}
