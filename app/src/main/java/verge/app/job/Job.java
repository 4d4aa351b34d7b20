package verge.app.job;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;

/** A job's name and place; all else about it is in its journal. */
@Entity
public class Job {
    @Id
    private UUID id;
    private UUID siteId;
    private String name;
    private Instant madeAt;
    private String madeBy;

    protected Job() {
    }

    Job(UUID siteId, String name, String madeBy) {
        this.id = UUID.randomUUID();
        this.siteId = siteId;
        this.name = name;
        this.madeAt = Instant.now();
        this.madeBy = madeBy;
    }

    public UUID id() {
        return id;
    }

    public UUID siteId() {
        return siteId;
    }

    public String name() {
        return name;
    }

    public Instant madeAt() {
        return madeAt;
    }

    public String madeBy() {
        return madeBy;
    }
}
