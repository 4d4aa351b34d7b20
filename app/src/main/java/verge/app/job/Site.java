package verge.app.job;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.util.UUID;

/** A place of work: jobs that share files. */
@Entity
public class Site {
    @Id
    private UUID id;
    private String name;
    private UUID folderId;

    protected Site() {
    }

    Site(String name) {
        this.id = UUID.randomUUID();
        this.name = name;
    }

    public UUID id() {
        return id;
    }

    public String name() {
        return name;
    }

    /** The folder it lies in; null at the top. */
    public UUID folderId() {
        return folderId;
    }

    void moveTo(UUID folder) {
        folderId = folder;
    }
}
