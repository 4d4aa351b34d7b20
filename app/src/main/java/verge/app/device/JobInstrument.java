package verge.app.device;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import verge.core.reduction.SlopeReduction;

/** Which instrument a job talks to, and how it measures with it. */
@Entity
class JobInstrument {
    @Id
    private UUID jobId;
    private UUID instrumentId;
    private int times;
    private Double temperature;
    private Double pressure;
    private Instant airAt;
    private double refraction;

    protected JobInstrument() {
    }

    JobInstrument(UUID jobId, UUID instrumentId) {
        this.jobId = jobId;
        this.instrumentId = instrumentId;
        this.times = 1;
        this.refraction = SlopeReduction.USUAL_REFRACTION;
    }

    UUID instrumentId() {
        return instrumentId;
    }

    void instrument(UUID other) {
        instrumentId = other;
    }

    /** How many readings make one; 0 for the latest of the running track. */
    int times() {
        return times;
    }

    void times(int more) {
        times = more;
    }

    /** The air as it was typed; empty while the instrument's own sensors count. */
    Optional<TypedAir> air() {
        return airAt == null ? Optional.empty() : Optional.of(new TypedAir(temperature, pressure, airAt));
    }

    void air(TypedAir typed) {
        temperature = typed.temperatureCelsius();
        pressure = typed.pressureHectopascals();
        airAt = typed.at();
    }

    void airOfInstrument() {
        temperature = null;
        pressure = null;
        airAt = null;
    }

    double refraction() {
        return refraction;
    }

    void refraction(double k) {
        refraction = k;
    }
}
