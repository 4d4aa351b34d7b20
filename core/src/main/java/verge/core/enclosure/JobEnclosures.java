package verge.core.enclosure;

import java.util.stream.Stream;
import verge.core.journal.Sheet;

/** Photos and spoken notes of a job, as its sheet tells them. */
public final class JobEnclosures {
    private final Sheet sheet;

    public JobEnclosures(Sheet sheet) {
        this.sheet = sheet;
    }

    /** All photos, in the order in which they came. */
    public Stream<Photo> photos() {
        return sheet.all(new Photos()).stream().map(taken -> Photo.of(taken, sheet.latest(new MarksOver(taken.id()))));
    }

    /** All spoken notes, in the order in which they came. */
    public Stream<SpokenNotes.Spoken> spokenNotes() {
        return sheet.all(new SpokenNotes()).stream();
    }

    /** How many photos and spoken notes there are. */
    public int count() {
        return sheet.count(new Photos()) + sheet.count(new SpokenNotes());
    }
}
