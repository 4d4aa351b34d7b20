package verge.app.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.ExtendWith;
import verge.app.job.Job;
import verge.app.journal.JournalService;
import verge.app.receiver.ReceiverDesk;
import verge.app.receiver.Seat;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.points.StoredPoint;
import verge.instruments.receiver.ReceiverSnapshot;
import verge.instruments.standin.PracticeGround;

/** A job of its own for each test, a person who is signed in, and the stand-in receivers of the practice ground. */
@ExtendWith(VergeServer.class)
public abstract class JobWithReceivers {
    private static final int MOST_LOOKS = 3_000;
    private static final int MILLIS_BETWEEN_LOOKS = 20;

    protected final VergeServer.Running verge;
    /** In which things are done now. */
    protected Job job;
    protected Visitor visitor;
    protected PracticeGround ground;

    protected JobWithReceivers(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void arrive() throws Exception {
        job = Jobs.elsewhere(verge);
        visitor = Visitor.signedIn(verge);
        ground = verge.ground();
    }

    protected final HttpResponse<String> post(String path, Map<String, String> fields) throws Exception {
        return visitor.post("/jobs/" + job.id() + path, fields);
    }

    /** The same while the test goes on. */
    protected final CompletableFuture<HttpResponse<String>> meanwhile(String path, Map<String, String> fields) {
        return CompletableFuture.supplyAsync(() -> {
            try {
                return post(path, fields);
            } catch (Exception failed) {
                throw new IllegalStateException(failed);
            }
        });
    }

    protected final String page(String path) {
        try {
            return visitor.get("/jobs/" + job.id() + path).body();
        } catch (Exception failed) {
            throw new IllegalStateException(failed);
        }
    }

    protected static String anId() {
        return UUID.randomUUID().toString();
    }

    protected static void until(BooleanSupplier reached) throws InterruptedException {
        boolean seen = reached.getAsBoolean();
        for (int look = 1; look < MOST_LOOKS && !seen; look++) {
            Thread.sleep(MILLIS_BETWEEN_LOOKS);
            seen = reached.getAsBoolean();   // the look that sees it decides: at the next it may be gone again
        }
        assertThat(seen).isTrue();
    }

    /** Of which antenna how high, on one of the benches. */
    protected final void antenna(String bench, String name, String height, String to) throws Exception {
        post("/receiver/antennas", Map.of("name", name, "mount", "0.035", "rimRadius", "0.089", "rimAbove", "0.041"));
        assertThat(post(bench + "/antenna", Map.of("antenna", name, "height", height, "to", to)).statusCode()).isLessThan(400);
    }

    protected final ReceiverSnapshot snapshot(Seat seat) {
        return verge.bean(ReceiverDesk.class).snapshot(seat).orElseThrow();
    }

    protected final Journal journal() {
        return verge.bean(JournalService.class).journal(job.id());
    }

    protected final JobState state() {
        return journal().state();
    }

    protected final Optional<StoredPoint> point(String name) {
        return state().points().own(new PointName(name));
    }
}
