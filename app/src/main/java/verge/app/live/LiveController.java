package verge.app.live;

import jakarta.servlet.http.HttpSession;
import java.security.Principal;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import verge.app.points.SitePoints;
import verge.app.stakeout.StakeoutAim;

/** The stream of what changes by itself: the instrument, the guide, new lines in the book. */
@RestController
class LiveController {
    private final LiveStream stream;
    private final SitePoints sitePoints;

    LiveController(LiveStream stream, SitePoints sitePoints) {
        this.stream = stream;
        this.sitePoints = sitePoints;
    }

    /**
     * @param stake name of the point being staked, or empty; the rest as on the staking page
     * @param by receiver if it is staked with that
     * @param sky whether satellites are shown
     */
    @GetMapping(path = "/jobs/{job}/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter live(@PathVariable UUID job, @RequestParam(defaultValue = "") String stake, @RequestParam(defaultValue = "") String facing,
            @RequestParam(defaultValue = "") String planTolerance, @RequestParam(defaultValue = "") String heightTolerance,
            @RequestParam(defaultValue = "") String by, @RequestParam(defaultValue = "false") boolean sky, Principal person,
            HttpSession session) {
        StakeoutAim aim = stake.isBlank() ? null : StakeoutAim.parse(sitePoints.state(job), stake, facing, planTolerance, heightTolerance);
        return stream.open(job, new LivePage.Reader(person.getName(), session.getId()),
                new LivePage.Wants(aim, by.equals("receiver"), sky));
    }
}
