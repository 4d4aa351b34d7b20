package verge.app.occupation;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Stream;
import verge.app.receiver.SatelliteWords;
import verge.app.report.ReportLine;
import verge.app.words.Words;
import verge.core.base.BaseSetUp;
import verge.core.job.Journal;
import verge.core.job.JobState;
import verge.core.journal.Payload;
import verge.core.occupation.AntennaSlip;
import verge.core.occupation.ControlSeen;
import verge.core.occupation.OnPole;
import verge.core.satellite.AntennaOverMark;
import verge.core.settings.JobSettings;
import verge.core.units.Figures;

/**
 * Known marks that receivers stood on, as lines of reports: when, which, against what, how far off in plan and height, and what would
 * explain it.
 */
public final class ControlLines {
    private ControlLines() {
    }

    public static List<ReportLine> of(UUID job, Journal journal, Predicate<ControlSeen> which) {
        JobState state = journal.state();
        JobSettings settings = state.settings();
        return ControlSeen.of(state).stream().filter(which)
                .map(c -> new ReportLine(List.of(settings.times().whole(c.stood().at()), c.stood().name().text(),
                c.against().isPresent() ? Words.of("receiver.itself-earlier") : Words.of("receiver.what-is-known"),
                settings.figures().apart(c.plan()),
                c.up().map(settings.figures()::difference).orElse(""), slip(journal, c)), !c.within()).tracedBy(job, c.stood().entry()))
                .toList();
    }

    /**
     * Which slip in an antenna's height would explain why a known mark came out too high or too low, in a sentence; empty if none would.
     */
    public static String slip(Journal journal, ControlSeen seen) {
        if (seen.within() || seen.against().isPresent() || seen.up().isEmpty()) {
            return "";
        }
        double up = seen.up().get().metres();
        JobState state = journal.state();
        Figures f = state.settings().figures();
        Optional<String> rover = said(journal, seen.stood().entry()).filter(OnPole.class::isInstance).map(p -> ((OnPole) p).antenna())
                .flatMap(a -> AntennaSlip.of(up, a).map(s -> words("rover", s, a, f)));
        Optional<String> base = state.bases().under(seen.stood().entry()).flatMap(b -> said(journal, b.entry()))
                .filter(BaseSetUp.class::isInstance)
                .map(p -> ((BaseSetUp) p).antenna()).flatMap(a -> AntennaSlip.of(-up, a).map(s -> words("base", s, a, f)));
        return Stream.of(rover, base).flatMap(Optional::stream).reduce((one, other) -> one + " Or: " + other).orElse("");
    }

    private static Optional<Payload> said(Journal journal, UUID entry) {
        return journal.entry(entry).map(journal::counting);
    }

    private static String words(String whose, AntennaSlip slip, AntennaOverMark said, Figures f) {
        String height = f.length(said.height().measured());
        return Words.of("receiver.it-would-agree-if-the", whose, height,
                slip.kind() == AntennaSlip.Kind.FEET ? Words.of("receiver.were-feet")
                : Words.of("receiver.had-been-measured-to-the", SatelliteWords.word(slip.instead().to())));
    }
}
