package verge.app.files;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;

/** An original of the office's, kept under its digest. */
@Entity
public class SiteFile {
    @Id
    private UUID id;
    private UUID siteId;
    private String name;
    private String sha256;
    private long bytes;
    private Instant addedAt;

    protected SiteFile() {
    }

    SiteFile(UUID siteId, String name, String sha256, long bytes) {
        this.id = UUID.randomUUID();
        this.siteId = siteId;
        this.name = name;
        this.sha256 = sha256;
        this.bytes = bytes;
        this.addedAt = Instant.now();
    }

    public UUID id() {
        return id;
    }

    UUID siteId() {
        return siteId;
    }

    public String name() {
        return name;
    }

    public String sha256() {
        return sha256;
    }

    /** Size for a person. */
    public String size() {
        return bytes < 10_000 ? bytes + " bytes" : bytes < 10_000_000 ? bytes / 1000 + " kB" : bytes / 1_000_000 + " MB";
    }
}
