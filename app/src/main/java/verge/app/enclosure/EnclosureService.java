package verge.app.enclosure;

import java.io.InputStream;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Function;
import org.springframework.stereotype.Service;
import verge.app.files.Originals;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.core.enclosure.Looking;
import verge.core.enclosure.NoteSpoken;
import verge.core.enclosure.Original;
import verge.core.enclosure.Photo;
import verge.core.enclosure.PhotoMarked;
import verge.core.enclosure.PhotoTaken;
import verge.core.enclosure.SpokenNotes;
import verge.core.enclosure.Stroke;
import verge.core.geodesy.GridPoint;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.job.Subject;
import verge.core.journal.Payload;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;
import verge.formats.photo.PhotoFile;

/** Photos and spoken notes: kept byte for byte, with an entry of the journal each. */
@Service
public class EnclosureService {
    private static final int MOST_STROKES = 200;
    private static final int LONGEST_ATTRIBUTE = 200;

    private final JournalService journals;
    private final Originals originals;
    private final Pictures pictures;

    EnclosureService(JournalService journals, Originals originals, Pictures pictures) {
        this.journals = journals;
        this.originals = originals;
        this.pictures = pictures;
    }

    /** What lies with one point, string or leaf. */
    public record About(Subject subject, List<Photo> photos, List<SpokenNotes.Spoken> spoken) {
    }

    /**
     * Keeps a photo. The entry is written when the file is flushed; the same photo with the same id again stores nothing again.
     *
     * @param subject a shot, a string or a leaf
     * @param attribute what the code asked for that it answers; empty for none
     * @throws SurveyException NOT_FOUND, PHOTO_UNFIT, PHOTO_BROKEN_OFF, PHOTO_TOO_LARGE, FILE_EMPTY, FILE_TOO_LARGE, DISK_FULL,
     *     REQUEST_UNFIT, and ENTRY_ID_USED if the id is that of something else; nothing is kept then
     */
    public Kept photograph(UUID job, UUID subject, String attribute, String name, InputStream content, Author author) {
        subject(journals.state(job), subject);
        if (attribute.length() > LONGEST_ATTRIBUTE) {
            throw new SurveyException(Problem.REQUEST_UNFIT);
        }
        AtomicReference<PhotoFile> told = new AtomicReference<>();
        Original original = originals.keep(name, content, (file, plain) -> {
            told.set(PhotoFile.read(file, plain));
            pictures.look(file, plain);
        });
        return once(job, author, new PhotoTaken(subject, attribute.strip(), original, told.get().looking()), PhotoTaken.class,
                PhotoTaken::original);
    }

    /** Keeps an entry; an answer that was lost asks again for the same, anything else under its id would be said to be kept and be lost. */
    private <T extends Payload> Kept once(UUID job, Author author, T payload, Class<T> type, Function<T, Original> file) {
        Kept kept = journals.append(job, author, payload);
        if (kept.before() && !same(kept.entry().payload(), payload, type, file)) {
            throw new SurveyException(Problem.ENTRY_ID_USED, type.isInstance(kept.entry().payload())
                    ? file.apply(type.cast(kept.entry().payload())).name() : "line " + kept.entry().sequence());
        }
        return kept;
    }

    private static <T extends Payload> boolean same(Payload before, T now, Class<T> type, Function<T, Original> file) {
        return type.isInstance(before) && before.under().equals(now.under()) && file.apply(type.cast(before)).sha256()
                .equals(file.apply(now).sha256());
    }

    /** Keeps a recording. @throws SurveyException NOT_FOUND, ENTRY_ID_USED, SPEECH_UNFIT, FILE_EMPTY, FILE_TOO_LARGE, DISK_FULL */
    public Kept speak(UUID job, UUID subject, String name, InputStream content, Author author) {
        subject(journals.state(job), subject);
        AtomicReference<String> mediaType = new AtomicReference<>();
        Original original = originals.keep(name, content, (file, plain) ->
                mediaType.set(Recording.mediaType(file).orElseThrow(() -> new SurveyException(Problem.SPEECH_UNFIT, plain))));
        return once(job, author, new NoteSpoken(subject, original, mediaType.get()), NoteSpoken.class, NoteSpoken::original);
    }

    /** Draws over a photo, instead of what was drawn before. @throws SurveyException NOT_FOUND, REQUEST_UNFIT */
    public Kept draw(UUID job, UUID photo, List<Stroke> strokes, Author author) {
        if (strokes.size() > MOST_STROKES) {
            throw new SurveyException(Problem.REQUEST_UNFIT);
        }
        return journals.append(job, author, state -> new PhotoMarked(photo, photo(state, photo).looking(), strokes));
    }

    /** Says which way a photo looks, by an azimuth of the grid; without one, as the camera had it. */
    public Kept look(UUID job, UUID photo, Optional<Angle> azimuth, Author author) {
        return journals.append(job, author,
                state -> new PhotoMarked(photo, azimuth.map(a -> new Looking(a, Looking.North.GRID))
                .or(() -> photo(state, photo).taken().looking()), photo(state, photo).strokes()));
    }

    /** Says that a photo looks from what it is of towards a place. @throws SurveyException NOT_FOUND, COINCIDENT_POINTS */
    public Kept look(UUID job, UUID photo, GridPoint towards, Author author) {
        JobState state = journals.state(job);
        GridPoint from = state.subject(photo(state, photo).taken().subject()).flatMap(Subject::place)
                .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "the place of this photo")).plan();
        if (from.distanceMetres(towards) == 0) {
            throw new SurveyException(Problem.COINCIDENT_POINTS, "the photo", "the touched place");
        }
        return look(job, photo, Optional.of(new Angle(Math.atan2(towards.easting() - from.easting(), towards.northing() - from.northing()))
                .wholeCircle()), author);
    }

    /** @throws SurveyException NOT_FOUND */
    public Photo photo(UUID job, UUID photo) {
        return photo(journals.state(job), photo);
    }

    private static Photo photo(JobState state, UUID photo) {
        return state.enclosures().photos().filter(p -> p.id().equals(photo)).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this photo"));
    }

    /** @throws SurveyException NOT_FOUND */
    SpokenNotes.Spoken spoken(UUID job, UUID note) {
        return journals.state(job).enclosures().spokenNotes().filter(n -> n.id().equals(note)).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this recording"));
    }

    private static Subject subject(JobState state, UUID id) {
        return state.subject(id).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "what the photo or the words are about"));
    }

    /** @throws SurveyException NOT_FOUND if nothing of the id stands, and nothing lies with it */
    public About about(UUID job, UUID subject) {
        Optional<About> there = all(job).stream().filter(a -> a.subject().id().equals(subject)).findFirst();
        return there.orElseGet(() -> new About(subject(journals.state(job), subject), List.of(), List.of()));
    }

    /**
     * All that lies with anything, in the order in which that was first photographed or spoken of; what is about something that was struck
     * is kept under its line.
     */
    public List<About> all(UUID job) {
        Journal journal = journals.journal(job);
        JobState state = journal.state();
        Map<UUID, About> all = new LinkedHashMap<>();
        Function<UUID, About> fresh = id ->
                new About(state.subject(id).orElseGet(() -> struck(journal, id)), new ArrayList<>(), new ArrayList<>());
        state.enclosures().photos().forEach(p -> all.computeIfAbsent(p.taken().subject(), fresh).photos().add(p));
        state.enclosures().spokenNotes().forEach(n -> all.computeIfAbsent(n.says().subject(), fresh).spoken().add(n));
        return List.copyOf(all.values());
    }

    /** A string is no entry, and goes with its shots. */
    private static Subject struck(Journal journal, UUID id) {
        return new Subject(id, journal.entry(id).map(e -> "struck, line " + e.sequence()).orElse("a string that was struck"),
                Optional.empty());
    }
}
