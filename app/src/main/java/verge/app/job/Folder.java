package verge.app.job;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.util.UUID;

/** A folder of sites and of folders. */
@Entity
public class Folder {
    @Id
    private UUID id;
    private UUID parentId;
    private String name;

    protected Folder() {
    }

    Folder(UUID parentId, String name) {
        this.id = UUID.randomUUID();
        this.parentId = parentId;
        this.name = name;
    }

    public UUID id() {
        return id;
    }

    /** The folder it lies in; null at the top. */
    public UUID parentId() {
        return parentId;
    }

    public String name() {
        return name;
    }

    void moveTo(UUID parent) {
        this.parentId = parent;
    }
}
