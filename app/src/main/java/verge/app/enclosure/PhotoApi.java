package verge.app.enclosure;

import io.swagger.v3.oas.annotations.Operation;
import java.io.IOException;
import java.security.Principal;
import java.util.List;
import java.util.UUID;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import verge.app.files.Originals;
import verge.app.journal.Author;
import verge.core.enclosure.Looking;
import verge.core.enclosure.Original;
import verge.core.enclosure.Photo;
import verge.core.enclosure.SpokenNotes;

/** Photos and spoken notes for programs. */
@RestController
@RequestMapping("/api/v1/jobs/{job}/photos")
class PhotoApi {
    private final EnclosureService enclosures;
    private final Originals originals;

    PhotoApi(EnclosureService enclosures, Originals originals) {
        this.enclosures = enclosures;
        this.originals = originals;
    }

    /** @param azimuth radians clockwise from its north; null if nobody knows which way it looks */
    record PhotoBody(UUID id, String attribute, String sha256, String name, long bytes, Double azimuth, Looking.North north, int strokes) {
        static PhotoBody of(Photo photo) {
            Original original = photo.taken().original();
            return new PhotoBody(photo.id(), photo.taken().attribute(), original.sha256(), original.name(), original.bytes(),
                    photo.looking().map(l -> l.azimuth().radians()).orElse(null),
                    photo.looking().map(Looking::north).orElse(null), photo.strokes().size());
        }
    }

    record SpokenBody(UUID id, String sha256, String mediaType, long bytes) {
        static SpokenBody of(SpokenNotes.Spoken note) {
            return new SpokenBody(note.id(), note.says().original().sha256(), note.says().mediaType(), note.says().original().bytes());
        }
    }

    /** @param subject the entry of a shot, a string or the entry of a leaf */
    record AboutBody(UUID subject, String title, List<PhotoBody> photos, List<SpokenBody> spoken) {
    }

    @Operation(summary = "A job's photos and spoken notes", description = "By the point, string or leaf that they are about.")
    @GetMapping
    List<AboutBody> all(@PathVariable UUID job) {
        return enclosures.all(job).stream()
                .map(a -> new AboutBody(a.subject().id(), a.subject().title(), a.photos().stream().map(PhotoBody::of).toList(),
                a.spoken().stream().map(SpokenBody::of).toList())).toList();
    }

    @Operation(summary = "Keep a photo",
            description =
            "A JPEG or a PNG as the part 'photo'. 'subject' is what it is about, 'attribute' what the code asked for that it answers.")
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    PhotoBody photograph(@PathVariable UUID job, @RequestParam UUID subject, @RequestParam(defaultValue = "") String attribute,
            @RequestParam MultipartFile photo, Principal person) throws IOException {
        UUID id = enclosures.photograph(job, subject, attribute, photo.getOriginalFilename(), photo.getInputStream(),
                Author.ofProgram(person.getName())).entry().id();
        return PhotoBody.of(enclosures.photo(job, id));
    }

    @Operation(summary = "A photo as it was taken")
    @GetMapping("/{photo}/original")
    ResponseEntity<Resource> original(@PathVariable UUID job, @PathVariable UUID photo) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_OCTET_STREAM)
                .body(new FileSystemResource(originals.require(enclosures.photo(job, photo).taken().original())));
    }
}
