package verge.core.session;

import java.util.List;
import verge.core.journal.Chapter;
import verge.core.journal.Outcome;

/** What sessions come to: no point, for that is the office's to compute; but a row in the book of occupations. */
public final class SessionEntries {
    private SessionEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(SessionBegun.class, (line, looks) ->
                Outcome.of(new Sessions(), new Session(line.id(), line.entry().at(), line.says(), line.says().antenna().known()))),
                Chapter.of(SessionEnded.class,
                (line, looks) -> Outcome.of(new EndOfSession(line.says().session()),
                new EndOfSession.End(line.id(), line.entry().at(), line.says()))),
                Chapter.of(SessionFetched.class, (line, looks) -> Outcome.of(new RawOf(line.says().session()), line.says())));
    }
}
