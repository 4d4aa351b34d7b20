package verge.app.device;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.util.UUID;

/** Which instrument a job talks to. */
@Entity
class JobInstrument {
    @Id
    private UUID jobId;
    private String host;
    private int port;

    protected JobInstrument() {
    }

    JobInstrument(UUID jobId, InstrumentAddress address) {
        this.jobId = jobId;
        this.host = address.host();
        this.port = address.port();
    }

    InstrumentAddress address() {
        return new InstrumentAddress(host, port);
    }

    UUID jobId() {
        return jobId;
    }
}
