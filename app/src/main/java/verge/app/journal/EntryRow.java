package verge.app.journal;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.Immutable;

/** A journal entry as it lies in the database. */
@Entity
@Immutable
@Table(name = "journal_entry")
class EntryRow {
    @Id
    private UUID id;
    private UUID jobId;
    private long sequence;
    private Instant at;
    private String person;
    private String device;
    private String kind;
    private int version;
    private String payload;

    protected EntryRow() {
    }

    EntryRow(UUID id, UUID jobId, long sequence, Instant at, String person, String device, PayloadJson.Written written) {
        this.id = id;
        this.jobId = jobId;
        this.sequence = sequence;
        this.at = at;
        this.person = person;
        this.device = device;
        this.kind = written.kind();
        this.version = written.version();
        this.payload = written.json();
    }

    UUID id() {
        return id;
    }

    UUID jobId() {
        return jobId;
    }

    long sequence() {
        return sequence;
    }

    Instant at() {
        return at;
    }

    String person() {
        return person;
    }

    String device() {
        return device;
    }

    PayloadJson.Written written() {
        return new PayloadJson.Written(kind, version, payload);
    }
}
