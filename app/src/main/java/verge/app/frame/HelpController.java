package verge.app.frame;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** How a day with Verge goes. */
@Controller
class HelpController {
    @GetMapping("/help")
    String help() {
        return "frame/help";
    }
}
