package verge.app.journal;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.util.Optional;
import java.util.UUID;
import verge.core.geodesy.Uncertainty;
import verge.core.journal.StoredPoint;

/** A computed point in the projection: may be thrown away, is never the truth. */
@Entity
@Table(name = "point")
@IdClass(PointRow.Key.class)
class PointRow {
    /** @param ordinal place among the points of one entry, from 0 */
    record Key(UUID entryId, int ordinal) implements Serializable {
    }

    @Id
    private UUID entryId;
    @Id
    private int ordinal;
    private UUID jobId;
    private String name;
    private String code;
    private String origin;
    private double northing;
    private double easting;
    private Double elevation;
    private Double sigmaNorth;
    private Double sigmaEast;
    private Double sigmaUp;

    protected PointRow() {
    }

    PointRow(UUID jobId, int ordinal, StoredPoint point) {
        this.entryId = point.entry();
        this.ordinal = ordinal;
        this.jobId = jobId;
        this.name = point.name().text();
        this.code = point.code().text();
        this.origin = point.origin().name();
        this.northing = point.position().plan().northing();
        this.easting = point.position().plan().easting();
        this.elevation = point.position().elevation().map(e -> e.metres()).orElse(null);
        Optional<Uncertainty> sigma = point.sigma();
        this.sigmaNorth = sigma.map(s -> s.north().metres()).orElse(null);
        this.sigmaEast = sigma.map(s -> s.east().metres()).orElse(null);
        this.sigmaUp = sigma.map(s -> s.up().metres()).orElse(null);
    }
}
