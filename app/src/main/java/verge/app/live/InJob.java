package verge.app.live;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Who is in a job just now. */
@Component
public class InJob {
    private final LiveStream stream;

    InJob(LiveStream stream) {
        this.stream = stream;
    }

    /** Whoever has a page of it open, by the name they sign in with. */
    public List<String> of(UUID job) {
        return stream.readers(job);
    }
}
