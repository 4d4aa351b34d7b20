package verge.app.session;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.journal.JournalService;
import verge.app.receiver.SatelliteWords;
import verge.app.report.ReportLine;
import verge.core.job.JobState;
import verge.core.session.EndOfSession;
import verge.core.session.RawOf;
import verge.core.session.RawSummary;
import verge.core.session.Session;
import verge.core.session.SessionFetched;
import verge.core.session.Sessions;
import verge.core.settings.JobSettings;
import verge.core.units.DurationText;
import verge.core.units.Figures;
import verge.core.units.TimeText;
import verge.formats.csv.OccupationCsvWriter;

/** The book of occupations: who stood where with what and for how long, for whoever computes the vectors. */
@Component
class Occupations {
    private final JournalService journals;
    private final JobService jobs;

    Occupations(JournalService journals, JobService jobs) {
        this.journals = journals;
        this.jobs = jobs;
    }

    /** For the report's template. */
    Map<String, Object> model(UUID job) {
        JobState state = journals.state(job);
        Job own = jobs.job(job);
        Map<String, Object> model = new HashMap<>();
        model.put("title", "Book of occupations, " + own.name());
        model.put("head", List.of(ReportLine.of("Site and job", jobs.site(own.siteId()).name() + ", " + own.name()),
                ReportLine.of("Crew", state.settings().work().crew().isEmpty() ? "not noted" : state.settings().work().crew()),
                ReportLine.of("Times", state.settings().times().name())));
        model.put("lines", state.all(new Sessions()).stream().map(s -> line(job, s, state)).toList());
        return model;
    }

    private static ReportLine line(UUID job, Session s, JobState state) {
        JobSettings settings = state.settings();
        Figures f = settings.figures();
        TimeText times = settings.times();
        Optional<EndOfSession.End> end = state.latest(new EndOfSession(s.entry()));
        Optional<SessionFetched> raw = state.latest(new RawOf(s.entry()));
        Optional<RawSummary> sum = raw.map(SessionFetched::summary);
        String again = end.flatMap(e -> e.said().heightAgain()).map(h -> "; again " + f.length(h)).orElse("");
        return new ReportLine(List.of(s.said().mark().text(), s.said().name().letter(), s.said().name().file(),
                SatelliteWords.antenna(s.said().antenna(), f) + again, s.height().map(f::length).orElse("none"),
                times.whole(s.begun()), end.map(e -> times.until(s.begun(), e.at())).orElse("not ended"),
                sum.map(r -> DurationText.of(r.observed()) + ", each " + s.said().seconds() + " s")
                .orElse("not fetched, each " + s.said().seconds() + " s"),
                sum.map(r -> SessionWords.summary(r)).orElse(""),
                raw.map(r -> "SHA-256 " + r.file().sha256()).orElse(""), s.said().receiver()),
                end.flatMap(e -> s.sank(e.said())).isPresent()).tracedBy(job, s.entry());
    }

    String csv(UUID job) {
        StringBuilder text = new StringBuilder();
        try {
            OccupationCsvWriter.write(journals.state(job), text);
        } catch (IOException neverOfAString) {
            throw new UncheckedIOException(neverOfAString);
        }
        return text.toString();
    }
}
