package verge.app.files;

import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** Originals, byte for byte as they came, earlier versions too. */
@Controller
class OriginalController {
    private final SiteFileService files;

    OriginalController(SiteFileService files) {
        this.files = files;
    }

    /** Never shown in the browser: what an office sends is no page of ours. */
    @GetMapping({"/sites/{site}/files/{file}/original", "/api/v1/sites/{site}/files/{file}/original"})
    ResponseEntity<Resource> original(@PathVariable UUID site, @PathVariable UUID file) {
        SiteFile own = files.file(site, file);
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(own.name(), StandardCharsets.UTF_8)
                .build().toString())
                .body(new FileSystemResource(files.path(own)));
    }
}
