package verge.app.setup;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.util.UUID;

/** A setup measured and not yet accepted; kept so that a reload or a restart does not lose the reading. */
@Entity
class SetupDraft {
    @Id
    private UUID jobId;
    private String payload;

    protected SetupDraft() {
    }

    SetupDraft(UUID jobId, String payload) {
        this.jobId = jobId;
        this.payload = payload;
    }

    String payload() {
        return payload;
    }
}
