package verge.core.enclosure;

import java.util.List;
import verge.core.journal.Chapter;
import verge.core.journal.Outcome;

/** What photos and spoken notes come to. */
public final class EnclosureEntries {
    private EnclosureEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(PhotoTaken.class, (line, looks) -> Outcome.of(new Photos(), new Photos.Taken(line.id(), line.says()))),
                Chapter.of(NoteSpoken.class, (line, looks) ->
                Outcome.of(new SpokenNotes(), new SpokenNotes.Spoken(line.id(), line.says()))),
                Chapter.of(PhotoMarked.class, (line, looks) -> Outcome.of(new MarksOver(line.says().photo()), line.says())));
    }
}
