package verge.formats.csv;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import verge.core.job.JobState;
import verge.core.session.EndOfSession;
import verge.core.session.RawOf;
import verge.core.session.RawSummary;
import verge.core.session.Session;
import verge.core.session.SessionFetched;
import verge.core.session.Sessions;
import verge.core.units.Decimals;
import verge.core.units.Length;
import verge.core.units.LengthUnit;

/**
 * The static sessions of a job as lines of text, one a session. Times with their offset from UTC, heights in the job's unit. Commas,
 * decimal points, lines ended by CR LF.
 */
public final class OccupationCsvWriter {
    private static final int LENGTH_DECIMALS = 4;

    private OccupationCsvWriter() {
    }

    public static void write(JobState state, Appendable out) throws IOException {
        LengthUnit unit = state.settings().figures().lengthUnit();
        String in = " [" + unit.symbol() + "]";
        try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.RFC4180)) {
            printer.printRecord("Point", "Session", "File", "Antenna", "Height as measured" + in, "Measured to",
                    "Reference point over mark" + in, "Height measured again" + in, "Begun", "Ended", "First epoch", "Last epoch",
                    "Observed [s]", "Interval [s]",
                    "Epochs", "Satellites least", "Satellites most", "Slips", "Gaps", "Receiver", "SHA-256");
            for (Session session : state.all(new Sessions())) {
                printer.printRecord(cells(state, session, unit));
            }
        }
    }

    private static List<Object> cells(JobState state, Session s, LengthUnit unit) {
        Optional<EndOfSession.End> end = state.latest(new EndOfSession(s.entry()));
        Optional<SessionFetched> raw = state.latest(new RawOf(s.entry()));
        Optional<RawSummary> summary = raw.map(SessionFetched::summary);
        List<Object> cells = new ArrayList<>(List.of(PlainCells.text(s.said().mark().text()), s.said().name().letter(),
                s.said().name().file(), PlainCells.text(s.said().antenna().model().name()),
                length(s.said().antenna().height().measured(), unit),
                s.said().antenna().height().to().name().toLowerCase(Locale.ROOT).replace('_', ' '),
                s.height().map(h -> length(h, unit)).orElse(""), end.flatMap(e -> e.said().heightAgain()).map(h -> length(h, unit))
                .orElse(""),
                state.settings().times().iso(s.begun()), end.map(e -> state.settings().times().iso(e.at())).orElse("")));
        cells.addAll(summary.<List<Object>>map(r ->
                List.of(state.settings().times().iso(r.first()), state.settings().times().iso(r.last()), r.observed().toSeconds()))
                .orElse(List.of("", "", "")));
        cells.add(s.said().seconds());
        cells.addAll(summary.<List<Object>>map(r -> List.of(r.epochs(), r.fewest(), r.most(), r.slips(), r.gaps().size()))
                .orElse(List.of("", "", "", "", "")));
        cells.addAll(List.of(PlainCells.text(s.said().receiver()), raw.map(f -> f.file().sha256()).orElse("")));
        return cells;
    }

    private static String length(Length length, LengthUnit unit) {
        return Decimals.print(length.in(unit), LENGTH_DECIMALS);
    }
}
