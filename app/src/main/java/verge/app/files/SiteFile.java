package verge.app.files;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import verge.core.drawing.Role;

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
    private String addedBy;
    @Enumerated(EnumType.STRING)
    private Role role;
    private String reading;
    private UUID replacedBy;

    protected SiteFile() {
    }

    SiteFile(UUID siteId, String name, String sha256, long bytes, String addedBy) {
        this.id = UUID.randomUUID();
        this.siteId = siteId;
        this.name = name;
        this.sha256 = sha256;
        this.bytes = bytes;
        this.addedAt = Instant.now();
        this.addedBy = addedBy;
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

    public String sha256() {
        return sha256;
    }

    /** Size for a person. */
    public String size() {
        return bytes < 10_000 ? bytes + " bytes" : bytes < 10_000_000 ? bytes / 1000 + " kB" : bytes / 1_000_000 + " MB";
    }

    public Instant addedAt() {
        return addedAt;
    }

    /** Whose account added it; empty for files of before this was kept. */
    public String addedBy() {
        return addedBy;
    }

    public long bytes() {
        return bytes;
    }

    /** What it is to the site's jobs; empty until somebody said so, and for geoid grids. */
    public Optional<Role> role() {
        return Optional.ofNullable(role);
    }

    /** How its figures are to be read, as JSON; empty until somebody said so, and of a table of codes. */
    public Optional<String> reading() {
        return Optional.ofNullable(reading).filter(kept -> role != Role.CODEBOOK);
    }

    /** How a table of codes is to be read, as JSON; empty of one that explains itself, and of all else. */
    public Optional<String> codesReading() {
        return Optional.ofNullable(reading).filter(kept -> role == Role.CODEBOOK);
    }

    /** The newer version that counts in its stead. */
    public Optional<UUID> replacedBy() {
        return Optional.ofNullable(replacedBy);
    }

    void become(Role other) {
        role = other;
    }

    void readAs(String json) {
        reading = json;
    }

    /** Is read as an earlier version of it was, unless somebody has said otherwise. */
    void readAs(SiteFile before) {
        reading = reading == null && role == before.role ? before.reading : reading;
    }

    void giveWayTo(UUID newer) {
        replacedBy = newer;
    }
}
