package verge.app.device;

import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestMapping;

/** Linking a job to its instrument. */
@Controller
@RequestMapping("/jobs/{job}")
class DeviceController {
    private final InstrumentDesk desk;

    DeviceController(InstrumentDesk desk) {
        this.desk = desk;
    }

    @PostMapping("/instrument")
    String connect(@PathVariable UUID job, @RequestParam String address) {
        desk.connect(job, address);
        return "redirect:/jobs/" + job + "/setup";
    }

    @PostMapping("/instrument/disconnect")
    String disconnect(@PathVariable UUID job) {
        desk.disconnect(job);
        return "redirect:/jobs/" + job + "/setup";
    }
}
