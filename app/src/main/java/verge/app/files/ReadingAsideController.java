package verge.app.files;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Stops what is read while somebody waits for it: whoever sent the file knows its ticket, and nobody else. */
@RestController
class ReadingAsideController {
    private final ReadingAside aside;

    ReadingAsideController(ReadingAside aside) {
        this.aside = aside;
    }

    @PostMapping("/readings/{ticket}/stop")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void stop(@PathVariable String ticket) {
        aside.stop(ticket);
    }
}
