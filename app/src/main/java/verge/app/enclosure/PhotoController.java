package verge.app.enclosure;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.security.Principal;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.multipart.MultipartFile;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.app.files.Originals;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.core.enclosure.Original;
import verge.core.enclosure.Photo;
import verge.core.enclosure.Stroke;
import verge.core.geodesy.GridPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.AngleText;
import verge.core.units.Figures;

/** Photos and spoken notes: the bench of all, of one thing, of one photo; the files behind them. */
@Controller
@RequestMapping("/jobs/{job}/photos")
class PhotoController {
    private static final int LONGEST_STROKES = 500_000;

    private final EnclosureService enclosures;
    private final JournalService journals;
    private final Originals originals;
    private final Pictures pictures;
    private final JsonMapper json;

    PhotoController(EnclosureService enclosures, JournalService journals, Originals originals, Pictures pictures, JsonMapper json) {
        this.enclosures = enclosures;
        this.journals = journals;
        this.originals = originals;
        this.pictures = pictures;
        this.json = json;
    }

    /** What was kept, and the words to say so. */
    record Stored(UUID entry, String about) {
    }

    @GetMapping
    String all(@PathVariable UUID job, Model model) {
        model.addAttribute("all", enclosures.all(job));
        return "enclosure/photos";
    }

    @GetMapping("/of/{subject}")
    String about(@PathVariable UUID job, @PathVariable UUID subject, Model model) {
        model.addAttribute("about", enclosures.about(job, subject));
        return "enclosure/about";
    }

    /** The same as a part of the sketch, or of a form. */
    @GetMapping("/of/{subject}/touched")
    String touched(@PathVariable UUID job, @PathVariable UUID subject, Model model) {
        model.addAttribute("job", job);
        model.addAttribute("about", enclosures.about(job, subject));
        return "enclosure/about :: touched";
    }

    @PostMapping
    @ResponseBody
    Stored photograph(@PathVariable UUID job, @RequestParam UUID id, @RequestParam UUID subject,
            @RequestParam(defaultValue = "") String attribute, @RequestParam MultipartFile photo, Principal person)
            throws IOException {
        return stored(job, subject, enclosures.photograph(job, subject, attribute, photo.getOriginalFilename(), photo.getInputStream(),
                new Author(id, person.getName(), "page")));
    }

    @PostMapping("/spoken")
    @ResponseBody
    Stored speak(@PathVariable UUID job, @RequestParam UUID id, @RequestParam UUID subject, @RequestParam MultipartFile speech,
            Principal person) throws IOException {
        return stored(job, subject, enclosures.speak(job, subject, speech.getOriginalFilename(), speech.getInputStream(),
                new Author(id, person.getName(), "page")));
    }

    private Stored stored(UUID job, UUID subject, Kept kept) {
        return new Stored(kept.entry().id(), enclosures.about(job, subject).subject().title());
    }

    @GetMapping("/{photo}")
    String one(@PathVariable UUID job, @PathVariable UUID photo, Model model) {
        Photo own = enclosures.photo(job, photo);
        Figures f = journals.state(job).settings().figures();
        model.addAttribute("photo", own);
        model.addAttribute("of", journals.state(job).subject(own.taken().subject()).map(s -> s.title()).orElse("something struck"));
        model.addAttribute("looking", EnclosureKinds.looking(own.looking(), f));
        model.addAttribute("strokes", json.writeValueAsString(EnclosureWires.STROKE.list().write().apply(own.strokes())));
        return "enclosure/photo";
    }

    /** Draws over a photo, in the form that journals have. */
    @PostMapping("/{photo}/strokes")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void draw(@PathVariable UUID job, @PathVariable UUID photo, @RequestParam String strokes, Principal person) {
        enclosures.draw(job, photo, strokes(strokes), Author.atPage(person.getName()));
    }

    private List<Stroke> strokes(String sent) {
        try {
            JsonNode node = json.readTree(sent.length() > LONGEST_STROKES ? "" : sent);
            return EnclosureWires.STROKE.list().read().apply(node);
        } catch (JacksonException | IllegalArgumentException unfit) {
            throw new SurveyException(Problem.REQUEST_UNFIT);
        }
    }

    /** Which way it looks, by an azimuth or towards a place of the sketch; with neither, as the camera said. */
    @PostMapping("/{photo}/looking")
    String look(@PathVariable UUID job, @PathVariable UUID photo, @RequestParam(defaultValue = "") String azimuth,
            @RequestParam(required = false) Double north, @RequestParam(required = false) Double east,
            Principal person) {
        Author author = Author.atPage(person.getName());
        if (north != null && east != null) {
            if (!Double.isFinite(north) || !Double.isFinite(east)) {
                throw new SurveyException(Problem.REQUEST_UNFIT);
            }
            enclosures.look(job, photo, new GridPoint(north, east), author);
        } else {
            enclosures.look(job, photo, azimuth.isBlank() ? Optional.empty()
                    : Optional.of(AngleText.parse(azimuth, journals.state(job).settings().figures().angles().unit())), author);
        }
        return "redirect:/jobs/" + job + "/photos/" + photo;
    }

    @GetMapping("/{photo}/thumbnail")
    ResponseEntity<Resource> thumbnail(@PathVariable UUID job, @PathVariable UUID photo) {
        return picture(pictures.of(enclosures.photo(job, photo).taken().original(), Pictures.Size.THUMBNAIL));
    }

    @GetMapping("/{photo}/picture")
    ResponseEntity<Resource> picture(@PathVariable UUID job, @PathVariable UUID photo) {
        return picture(pictures.of(enclosures.photo(job, photo).taken().original(), Pictures.Size.PAGE));
    }

    /** A photo never becomes another. */
    private static ResponseEntity<Resource> picture(Path file) {
        return ResponseEntity.ok().contentType(MediaType.IMAGE_JPEG).cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePrivate())
                .body(new FileSystemResource(file));
    }

    @GetMapping("/{photo}/original")
    ResponseEntity<Resource> original(@PathVariable UUID job, @PathVariable UUID photo) {
        Original original = enclosures.photo(job, photo).taken().original();
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(original.name(), StandardCharsets.UTF_8)
                .build().toString()).body(new FileSystemResource(originals.require(original)));
    }

    @GetMapping("/spoken/{note}")
    ResponseEntity<Resource> spoken(@PathVariable UUID job, @PathVariable UUID note) {
        var says = enclosures.spoken(job, note).says();
        return ResponseEntity.ok().contentType(MediaType.parseMediaType(says.mediaType()))
                .body(new FileSystemResource(originals.require(says.original())));
    }
}
