package verge.app.receiver;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;

/** An antenna of a site. */
@Entity
@Table(name = "site_antenna")
class SiteAntenna {
    @Id
    private UUID id;
    private UUID siteId;
    private String name;
    private String model;

    protected SiteAntenna() {
    }

    /** @param model as JSON */
    SiteAntenna(UUID siteId, String name, String model) {
        this.id = UUID.randomUUID();
        this.siteId = siteId;
        this.name = name;
        this.model = model;
    }

    String model() {
        return model;
    }

    void model(String json) {
        model = json;
    }
}
