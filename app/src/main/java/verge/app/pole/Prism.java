package verge.app.pole;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.util.UUID;
import verge.core.units.Length;

/** A prism of a site by its name. */
@Entity
public class Prism {
    @Id
    private UUID id;
    private UUID siteId;
    private String name;
    private double constantMetres;

    protected Prism() {
    }

    Prism(UUID siteId, String name, Length constant) {
        this.id = UUID.randomUUID();
        this.siteId = siteId;
        this.name = name;
        this.constantMetres = constant.metres();
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

    /** To be added to a measured distance. */
    public Length constant() {
        return new Length(constantMetres);
    }
}
