package verge.app.receiver;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.util.Optional;
import java.util.UUID;

/** Which receiver a job talks to, and how it measures with it. */
@Entity
class JobReceiver {
    private static final int USUAL_EPOCHS = 5;

    @Id
    private UUID jobId;
    private UUID receiverId;
    private String antenna;
    private int epochs;

    protected JobReceiver() {
    }

    JobReceiver(UUID jobId, UUID receiverId) {
        this.jobId = jobId;
        this.receiverId = receiverId;
        this.epochs = USUAL_EPOCHS;
    }

    UUID receiverId() {
        return receiverId;
    }

    /** Another receiver stands otherwise: how high its antenna is has to be said anew. */
    void receiver(UUID other) {
        if (!other.equals(receiverId)) {
            receiverId = other;
            antenna = null;
        }
    }

    /** As JSON; absent until somebody said how high it stands. */
    Optional<String> antenna() {
        return Optional.ofNullable(antenna);
    }

    void antenna(String json) {
        antenna = json;
    }

    int epochs() {
        return epochs;
    }

    void epochs(int more) {
        epochs = more;
    }
}
