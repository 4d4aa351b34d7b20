package verge.app.base;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;
import verge.app.fieldbook.BookText;
import verge.app.job.JobService;
import verge.app.job.SettingsWords;
import verge.app.journal.EntryWords;
import verge.app.journal.JournalService;
import verge.app.leaf.LeafReport;
import verge.app.occupation.ControlLines;
import verge.app.report.ReportLine;
import verge.core.base.Base;
import verge.core.base.BaseSetUp;
import verge.core.base.EndOf;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.points.StoredPoint;
import verge.core.settings.JobSettings;
import verge.core.units.Figures;

/** All that speaks for and against one base, and what was measured from it, on paper. */
@Component
class BaseReport {
    private static final int MOST_POINTS = 500;

    private final JournalService journals;
    private final JobService jobs;
    private final SettingsWords settingsWords;
    private final EntryWords words;
    private final BookText text;
    private final BaseCorrections corrections;

    BaseReport(JournalService journals, JobService jobs, SettingsWords settingsWords, EntryWords words, BookText text,
            BaseCorrections corrections) {
        this.journals = journals;
        this.jobs = jobs;
        this.settingsWords = settingsWords;
        this.words = words;
        this.text = text;
        this.corrections = corrections;
    }

    /** @throws verge.core.problem.SurveyException NO_BASE */
    Map<String, Object> model(UUID job, UUID id) {
        Base base = corrections.base(job, id);
        Journal journal = journals.journal(job);
        JobState state = journal.state();
        Entry entry = journal.entry(id).orElseThrow();
        BaseSetUp said = (BaseSetUp) journal.counting(entry);
        JobSettings settings = state.settings();
        Figures f = settings.figures();
        List<StoredPoint> measured = state.points().all()
                .filter(p -> !p.entry().equals(id) && state.bases().under(p.entry()).filter(b -> b.entry().equals(id)).isPresent())
                .toList();
        Map<String, Object> model = new HashMap<>();
        model.put("title", "Base report, " + base.mark());
        model.put("head", head(job, journal, entry, said, base));
        model.put("provisional", base.provisional());
        model.put("reason", said.reason());
        model.put("steps", words.steps(journal, entry).stream().map(s -> ReportLine.of(s.words(), s.figure())).toList());
        model.put("checks", ControlLines.of(job, journal, c -> state.bases().under(c.stood().entry()).filter(b -> b.entry().equals(id))
                .isPresent()));
        model.put("points", measured.stream().limit(MOST_POINTS).map(p -> LeafReport.point(p, settings).tracedBy(job, p.entry())).toList());
        model.put("pointCount", measured.size());
        model.put("unit", f.lengthUnit().symbol());
        model.put("axes", List.of(f.axes().northFirst() ? f.axes().north() : f.axes().east(),
                f.axes().northFirst() ? f.axes().east() : f.axes().north()));
        model.put("changes", text.changes(journal, id, settings.times()::whole).stream()
                .map(c -> ReportLine.of(c.time(), c.person(), c.words() + (c.struck() ? " (struck through)" : ""))).toList());
        return model;
    }

    private List<ReportLine> head(UUID job, Journal journal, Entry entry, BaseSetUp said, Base base) {
        JobState state = journal.state();
        JobSettings settings = state.settings();
        List<ReportLine> head = new ArrayList<>();
        head.add(ReportLine.of("Site and job", jobs.site(jobs.job(job).siteId()).name() + ", " + jobs.job(job).name()));
        head.add(ReportLine.of("Mark", base.mark().text()).tracedBy(job, entry.id()));
        head.add(ReportLine.of("Place", state.geodesy().position(base.ground().place(ReferenceEllipsoid.WGS84)).map(settings::place)
                .orElse("not known in this job's grid")));
        head.add(ReportLine.of("Known by", base.provisional() ? "the sky alone: provisional" : "the mark's coordinates"));
        head.add(ReportLine.of("Sent", "as number " + said.sent().station() + BaseKinds.sending(said.sending())));
        head.add(ReportLine.of("From", settings.times().whole(entry.at()) + " (" + settings.times().clockAt(entry.at()) + "), by "
                + entry.person() + ", " + said.receiver()));
        head.add(ReportLine.of("Until", state.latest(new EndOf(entry.id())).flatMap(journal::entry).map(e -> settings.times().whole(e.at()))
                .orElse("it has not been ended")));
        head.add(ReportLine.of("Crew", settings.work().crew().isEmpty() ? "not noted" : settings.work().crew()));
        head.add(ReportLine.of("Coordinate system", settingsWords.system(settings) + ", " + settingsWords.speaks(settings)));
        return head;
    }
}
