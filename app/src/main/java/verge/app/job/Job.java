package verge.app.job;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.Optional;
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
    private Instant archivedAt;
    private Instant deletedAt;
    private String broughtInBy;
    private Long broughtInLines;

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

    /** Put away: still to be opened, out of the way otherwise. */
    public boolean archived() {
        return archivedAt != null;
    }

    /** When it was deleted; null if it was not. */
    public Instant deletedAt() {
        return deletedAt;
    }

    /**
     * The field book that a job was made of.
     *
     * @param by who brought it in; its lines name whoever wrote them elsewhere
     * @param lines how many of the job's first lines are from it
     */
    public record BroughtIn(String by, long lines) {
    }

    public Optional<BroughtIn> broughtIn() {
        return broughtInBy == null ? Optional.empty() : Optional.of(new BroughtIn(broughtInBy, broughtInLines));
    }

    void bringIn(BroughtIn book) {
        broughtInBy = book.by();
        broughtInLines = book.lines();
    }

    void moveTo(UUID site) {
        siteId = site;
    }

    void archive(boolean away) {
        archivedAt = away ? Instant.now() : null;
    }

    void delete() {
        deletedAt = Instant.now();
    }

    void restore() {
        deletedAt = null;
    }
}
