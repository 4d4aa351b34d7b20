package verge.core.journal;

import java.util.Objects;
import verge.core.geodesy.FlatSite;
import verge.core.units.Figures;

/** What a job is told before work begins: how figures are shown and what its grid is. */
public record JobSettings(Figures figures, FlatSite site) {
    public JobSettings {
        Objects.requireNonNull(figures, "figures");
        Objects.requireNonNull(site, "site");
    }
}
