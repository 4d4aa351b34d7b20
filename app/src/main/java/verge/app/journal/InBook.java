package verge.app.journal;

import java.util.UUID;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.job.Subject;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.reading.Reading;
import verge.core.reading.TotalStationReading;
import verge.core.units.Figures;

/** An entry in its book, to be put into words: how the job shows its figures, what stands in other lines. */
public record InBook(Journal journal, Entry entry, EntryWords words) {
    public JobState state() {
        return journal.state();
    }

    public Figures figures() {
        return journal.state().settings().figures();
    }

    /** What something is called that more is said of; what does not stand any more, by its line. */
    public String about(UUID subject) {
        return state().subject(subject).map(Subject::title).or(() -> journal.entry(subject).map(e -> "line " + e.sequence()))
                .orElse("a string that was struck");
    }

    /** The number of a line, or a question mark if there is none. */
    public String line(UUID other) {
        return journal.entry(other).map(e -> Long.toString(e.sequence())).orElse("?");
    }

    /** What another line says as it was corrected. */
    public String corrected(UUID other, Payload payload) {
        return journal.entry(other).map(Entry::payload).filter(was -> was.getClass() == payload.getClass())
                .map(was -> words.corrected(was, payload, this))
                .orElseGet(() -> words.text(payload, this));
    }

    /** A sight in a few figures: how far, and which way. */
    public String sight(TotalStationReading reading) {
        return figures().bare(reading.slopeDistance()) + "  " + figures().azimuth(reading.horizontalDirection());
    }

    /** The circle readings and, if there is one, the distance of a pointing. */
    public String circle(Reading reading) {
        Figures f = figures();
        return f.circle(reading.horizontalDirection()) + "  " + f.circle(reading.zenith()) + reading.distance().map(d -> "  " + f.bare(d))
                .orElse("");
    }
}
