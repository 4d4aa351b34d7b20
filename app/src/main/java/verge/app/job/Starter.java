package verge.app.job;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;

/** A saved set of job settings from which a new job is made, as versioned JSON. */
@Entity
class Starter {
    @Id
    private UUID id;
    private String name;
    private int version;
    private String settings;
    private Instant madeAt;
    private String madeBy;

    protected Starter() {
    }

    Starter(String name, int version, String settings, String madeBy) {
        this.id = UUID.randomUUID();
        this.name = name;
        this.version = version;
        this.settings = settings;
        this.madeAt = Instant.now();
        this.madeBy = madeBy;
    }

    UUID id() {
        return id;
    }

    String name() {
        return name;
    }

    int version() {
        return version;
    }

    String settings() {
        return settings;
    }

    Instant madeAt() {
        return madeAt;
    }

    String madeBy() {
        return madeBy;
    }
}
