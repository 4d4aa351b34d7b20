package verge.app.receiver;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;

/** Which receiver a job talks to, and how it measures with it. */
@Entity
@IdClass(Seat.class)
class JobReceiver {
    private static final int USUAL_EPOCHS = 5;

    @Id
    private UUID jobId;
    @Id
    @Enumerated(EnumType.STRING)
    private Seat.Part part;
    private UUID receiverId;
    private String antenna;
    private Instant antennaSaid;
    private int epochs;
    private boolean waits;
    private String limits;
    private UUID running;
    private UUID intended;

    protected JobReceiver() {
    }

    JobReceiver(Seat seat, UUID receiverId) {
        this.jobId = seat.jobId();
        this.part = seat.part();
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
            running = null;
        }
    }

    /** As JSON; absent until somebody said how high it stands. */
    Optional<String> antenna() {
        return Optional.ofNullable(antenna);
    }

    void antenna(String json) {
        antenna = json;
        antennaSaid = Instant.now();
    }

    /** Absent for one that was said before this was noted. */
    Optional<Instant> antennaSaid() {
        return Optional.ofNullable(antennaSaid);
    }

    Seat.Part part() {
        return part;
    }

    UUID jobId() {
        return jobId;
    }

    /** The entry that set up the base that sends now; absent while none does. */
    Optional<UUID> running() {
        return Optional.ofNullable(running);
    }

    void running(UUID entry) {
        running = entry;
        intended = null;
    }

    /** The entry that is to say what the receiver was told to begin; absent once it is written, or was taken back. */
    Optional<UUID> intended() {
        return Optional.ofNullable(intended);
    }

    void intended(UUID entry) {
        intended = entry;
    }

    int epochs() {
        return epochs;
    }

    boolean waits() {
        return waits;
    }

    /** As JSON; absent while the usual ones count. */
    Optional<String> limits() {
        return Optional.ofNullable(limits);
    }

    /** @param json of the limits */
    void manner(int more, boolean wait, String json) {
        epochs = more;
        waits = wait;
        limits = json;
    }
}
