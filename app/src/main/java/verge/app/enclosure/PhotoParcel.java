package verge.app.enclosure;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.stereotype.Service;
import verge.app.files.Originals;
import verge.app.journal.JournalService;
import verge.core.enclosure.Looking;
import verge.core.enclosure.Original;
import verge.core.enclosure.Photo;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.job.Subject;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;
import verge.core.units.Decimals;
import verge.formats.csv.PlainCells;
import verge.formats.photo.DrawnPhoto;
import verge.formats.photo.PhotoFile;
import verge.formats.photo.PhotoPlace;
import verge.formats.photo.PlacedPhoto;

/** Photos and spoken notes for the office: a ZIP of copies that bear place and direction, with a table of them. */
@Service
public class PhotoParcel {
    private static final String HEADINGS =
            "file,about,northing,easting,elevation,azimuth in degrees,from,sha256 of the original,name of the original";

    private static final String ELSEWHERE = "not on this machine";
    private static final int DECIMALS = 4;

    private final EnclosureService enclosures;
    private final JournalService journals;
    private final Originals originals;

    PhotoParcel(EnclosureService enclosures, JournalService journals, Originals originals) {
        this.enclosures = enclosures;
        this.journals = journals;
        this.originals = originals;
    }

    /** @throws SurveyException NOTHING_TO_EXPORT, before anything is written */
    public List<EnclosureService.About> content(UUID job) {
        List<EnclosureService.About> all = enclosures.all(job);   // of what was struck too: a photo cannot be taken again
        if (all.isEmpty()) {
            throw new SurveyException(Problem.NOTHING_TO_EXPORT);
        }
        return all;
    }

    /** Writes what {@link #content} gave. */
    public void write(UUID job, List<EnclosureService.About> content, OutputStream out) throws IOException {
        JobState state = journals.state(job);
        List<List<Object>> table = new ArrayList<>();
        Names names = new Names();
        try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            for (EnclosureService.About about : content) {
                for (Photo photo : about.photos()) {
                    write(state, about.subject(), photo, names.next(about.subject()), zip, table);
                }
                for (var spoken : about.spoken()) {
                    String file = names.next(about.subject()) + "." + Recording.suffix(spoken.says().mediaType());
                    boolean here = Files.exists(originals.path(spoken.says().original().sha256()));
                    if (here) {
                        put(zip, file, Files.readAllBytes(originals.path(spoken.says().original().sha256())));
                    }
                    table.add(row(here ? file : ELSEWHERE, about.subject(), "", "", spoken.says().original()));
                }
            }
            put(zip, "photos.csv", csv(table));
        }
    }

    private void write(JobState state, Subject subject, Photo photo, String name, ZipOutputStream zip, List<List<Object>> table)
            throws IOException {
        var original = photo.taken().original();
        Path path = originals.path(original.sha256());
        boolean here = Files.exists(path);
        if (here) {
            put(zip, name + ".jpg", PlacedPhoto.of(path, PhotoFile.read(path, original.name()), place(state, subject, photo)));
        }
        table.add(row(here ? name + ".jpg" : ELSEWHERE, subject, photo.looking().map(l -> Decimals.print(l.azimuth().degrees(), 1))
                .orElse(""), photo.looking().map(l -> l.north().name().toLowerCase(Locale.ROOT) + " north").orElse(""),
                original));
        if (here && !photo.strokes().isEmpty()) {
            put(zip, name + " drawn.jpg", DrawnPhoto.of(path, photo.strokes()));
        }
    }

    private static PhotoPlace place(JobState state, Subject subject, Photo photo) {
        var plan = subject.place().map(Position::plan);
        Angle convergence = plan.flatMap(state.geodesy()::convergence).orElse(Angle.ZERO);
        boolean northKnown = plan.flatMap(state.geodesy()::convergence).isPresent();
        return new PhotoPlace(plan.flatMap(p -> onEarth(state, p)), subject.place().flatMap(Position::elevation),
                photo.looking().filter(l -> northKnown || l.north() != Looking.North.GRID).map(l -> l.fromTrueNorth(convergence)),
                subject.title());
    }

    private static Optional<Geographic> onEarth(JobState state, GridPoint place) {
        return state.geodesy().onEarth().map(way -> way.apply(place));
    }

    private static List<Object> row(String file, Subject subject, String azimuth, String from, Original original) {
        return List.of(PlainCells.text(file), PlainCells.text(subject.title()),
                subject.place().map(p -> Decimals.print(p.plan().northing(), DECIMALS)).orElse(""),
                subject.place().map(p -> Decimals.print(p.plan().easting(), DECIMALS)).orElse(""),
                subject.place().flatMap(Position::elevation).map(e -> Decimals.print(e.metres(), DECIMALS)).orElse(""), azimuth, from,
                original.sha256(), PlainCells.text(original.name()));
    }

    private static byte[] csv(List<List<Object>> table) throws IOException {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter printer = CSVFormat.RFC4180.builder().setHeader(HEADINGS.split(",")).get().print(text)) {
            printer.printRecords(table);
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    /** Names of files, each given once: several points may bear one name. */
    private static final class Names {
        private final Map<String, Integer> given = new HashMap<>();

        private String next(Subject subject) {
            String plain = subject.title().replaceAll("[^\\p{L}\\p{N}._-]+", " ").strip();
            return plain + "-" + given.merge(plain.toLowerCase(Locale.ROOT), 1, Integer::sum);
        }
    }

    private static void put(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(bytes);
        zip.closeEntry();
    }
}
