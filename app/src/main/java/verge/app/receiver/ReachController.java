package verge.app.receiver;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import verge.app.form.Answers;

/** What the benches of rover, base and static session have alike: which receiver it is, and how high its antenna stands. */
@Controller
@RequestMapping("/jobs/{job}/{part:receiver|base|static}")
class ReachController {
    private final ReceiverDesk desk;
    private final ReceiverBench bench;
    private final List<SeatTask> tasks;

    ReachController(ReceiverDesk desk, ReceiverBench bench, List<SeatTask> tasks) {
        this.desk = desk;
        this.bench = bench;
        this.tasks = tasks;
    }

    /** @throws verge.core.problem.SurveyException as {@link ReceiverDesk#connect}, or while the one that is there has something to do */
    @PostMapping
    String connect(@PathVariable UUID job, @PathVariable String part, @RequestParam String address,
            @RequestParam(defaultValue = "") String name) {
        desk.connect(free(job, part), address, name);
        return back(job, part);
    }

    @PostMapping("/known")
    String connectKnown(@PathVariable UUID job, @PathVariable String part, @RequestParam UUID receiver) {
        desk.connectKnown(free(job, part), receiver);
        return back(job, part);
    }

    @PostMapping("/disconnect")
    String disconnect(@PathVariable UUID job, @PathVariable String part) {
        desk.disconnect(free(job, part));
        return back(job, part);
    }

    @PostMapping("/antenna")
    String antenna(@PathVariable UUID job, @PathVariable String part, @RequestParam MultiValueMap<String, String> sent) {
        Seat seat = free(job, part);
        desk.antenna(seat, bench.antenna(seat, Answers.of(sent)));
        return back(job, part);
    }

    private Seat free(UUID job, String path) {
        Seat seat = Seat.of(job, path);
        tasks.stream().filter(t -> t.part() == seat.part()).forEach(t -> t.requireNone(job));
        return seat;
    }

    private static String back(UUID job, String path) {
        return "redirect:/jobs/" + job + "/setup/" + path;
    }
}
