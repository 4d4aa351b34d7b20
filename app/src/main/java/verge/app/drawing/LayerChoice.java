package verge.app.drawing;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import java.util.UUID;
import verge.core.drawing.Role;

/** A layer of a file that somebody shows, hides, or uses otherwise than the rest of it. */
@Entity
@IdClass(LayerChoice.Key.class)
class LayerChoice {
    record Key(UUID fileId, String layer) implements Serializable {
    }

    @Id
    private UUID fileId;
    @Id
    private String layer;
    private boolean shown;
    @Enumerated(EnumType.STRING)
    private Role role;

    protected LayerChoice() {
    }

    LayerChoice(UUID fileId, String layer, boolean shown, Role role) {
        this.fileId = fileId;
        this.layer = layer;
        this.shown = shown;
        this.role = role;
    }

    UUID fileId() {
        return fileId;
    }

    String layer() {
        return layer;
    }

    boolean shown() {
        return shown;
    }

    Role role() {
        return role;
    }
}
