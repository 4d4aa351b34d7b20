package verge.app.pole;

import java.security.Principal;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;

/** Changing pole height or prism between two shots. */
@Controller
class PoleController {
    private final PoleService poles;

    PoleController(PoleService poles) {
        this.poles = poles;
    }

    @PostMapping("/jobs/{job}/pole")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void choose(@PathVariable UUID job, @RequestParam String targetHeight, @RequestParam String prismConstant, Principal person) {
        poles.choose(job, targetHeight, prismConstant, person.getName());
    }
}
